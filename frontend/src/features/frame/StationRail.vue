<script setup lang="ts">
import { computed } from 'vue'
import Well from '../../ui/Well.vue'
import { useBuild } from '../../stores/build'
import { STATIONS } from '../stations'

const props = defineProps<{ id: string; open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const build = useBuild()
const to = (name: string) => ({ name, params: { id: props.id } })
const blocks = computed(() => build.report?.systems ?? {})
</script>

<template>
  <nav class="rail noprint" :class="{ open }" aria-label="Stations" @click="emit('close')">
    <router-link class="stop bench" :to="to('bench')">Bench</router-link>
    <p class="label group">In order of work</p>
    <router-link v-for="station in STATIONS" :key="station.id" class="stop" :to="to(station.id)">
      <Well v-if="station.id !== 'duties'" :fill="blocks[station.id]?.fill" :system="station.id" size="upright" :label="station.title" :state="blocks[station.id]?.state ?? 'not judged'" />
      <span v-else class="gap" />
      {{ station.title }}
    </router-link>
    <p class="label group">On paper</p>
    <router-link class="stop" :to="to('need')">Need sheet</router-link>
    <router-link class="stop" :to="to('round')">Measuring round</router-link>
  </nav>
</template>

<style scoped>
.rail {
  grid-area: rail;
  background: var(--rail);
  border-right: 1px solid var(--line);
  overflow-y: auto;
  padding-top: 12px;
}
.stop {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 35px;
  padding: 4px 12px;
  border-left: 3px solid transparent;
  color: var(--ink);
  text-decoration: none;
  font-weight: 500;
}
.stop:hover {
  background: var(--glass);
}
.stop.router-link-exact-active {
  background: var(--card);
  border-left-color: var(--brass-line);
}
.group {
  font-size: 11px;
  padding: 14px 14px 4px;
}
.gap {
  width: 9px;
}
@media (max-width: 720px) {
  .rail {
    display: none;
    position: fixed;
    inset: 52px 0 0 0;
    z-index: 20;
    border: 0;
  }
  .rail.open {
    display: block;
  }
  .stop {
    min-height: 48px;
    font-size: 17px;
  }
}
</style>
