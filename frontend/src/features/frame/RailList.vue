<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { Fold } from '../../ui/lazy'
import Well from '../../ui/Well.vue'
import { useBuild } from '../../stores/build'
import { notStarted } from '../../station/scope'
import { BENCH, GROUPS, STOPS, type Group, type Page } from '../stations'

/** All places of the build under their part of the work; systems that are left out fold away. */
const props = defineProps<{ id: string }>()
const build = useBuild()
const route = useRoute()
/** Also with one of its drawings in the address. */
const here = (id: string) => route.name === id
const to = (name: string) => ({ name, params: { id: props.id } })
const blocks = computed(() => build.report?.systems ?? {})
const scope = (id: string) => build.report?.scope[id]
const kept = (stop: Page) => scope(stop.id)?.state !== 'left_out'
const groups = computed(() => (Object.keys(GROUPS) as Group[]).flatMap((id) => {
  const stops = STOPS.filter((stop) => stop.group === id && kept(stop))
  return stops.length ? [{ id, title: GROUPS[id], stops }] : []
}))
/** What such a machine has none of, or another station judges, is not even that. */
const out = computed(() => STOPS.filter((stop) => !kept(stop) && !scope(stop.id)?.foreign))
/** Sized with nothing fitted is an empty glass; a dotted one is not started, or put off. */
const idle = (id: string) => scope(id)?.state === 'later' || notStarted(build.report, id)
const said = (id: string) => (scope(id)?.state === 'later' ? 'later' : idle(id) ? 'not started' : (blocks.value[id]?.state ?? 'not judged'))
</script>

<template>
  <router-link class="stop" :class="{ here: here(BENCH.id) }" :aria-current="here(BENCH.id) ? 'page' : undefined" :to="to(BENCH.id)">{{ BENCH.title }}</router-link>
  <template v-for="group in groups" :key="group.id">
    <p class="label group">{{ group.title }}</p>
    <router-link v-for="stop in group.stops" :key="stop.id" class="stop" :class="{ idle: idle(stop.id), here: here(stop.id) }" :aria-current="here(stop.id) ? 'page' : undefined" :to="to(stop.id)">
      <Well v-if="scope(stop.id) || blocks[stop.id]" :fill="blocks[stop.id]?.fill" :system="stop.id" size="upright" :label="stop.title" :state="said(stop.id)" :idle="idle(stop.id)" />
      <span v-else class="gap" />
      {{ stop.title }}
    </router-link>
  </template>
  <Fold v-if="out.length" class="out" :title="`Left out: ${out.length}`">
    <router-link v-for="stop in out" :key="stop.id" class="stop mute" :to="to(stop.id)"><span class="gap" />{{ stop.title }}</router-link>
  </Fold>
</template>

<style scoped>
.stop {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 33px;
  padding: 3px 12px;
  border-left: 3px solid transparent;
  color: var(--ink);
  text-decoration: none;
  font-weight: 500;
}
.stop:hover {
  background: var(--glass);
}
.stop.here {
  background: var(--card);
  border-left-color: var(--brass-line);
}
.idle {
  color: var(--mute);
}
.group {
  font-size: 11px;
  line-height: 1.25;
  padding: 12px 10px 3px 14px;
}
.gap {
  width: 9px;
  flex: none;
}
.out {
  margin: 10px 0 0 14px;
  color: var(--mute);
}
@media (max-width: 720px) {
  .stop {
    min-height: 46px;
    font-size: 17px;
  }
}
</style>
