<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import CostLine from '../../station/CostLine.vue'
import { useBuild } from '../../stores/build'
import { costs } from './logic'

/** What works and costs power, smoothness or care: beside the limits, never among them. */
const build = useBuild()
const router = useRouter()
const found = computed(() => costs(build.report?.systems ?? {}))
const duty = (id: string) => build.report?.duties.find((d) => d.id === id)?.name.toLowerCase() ?? ''
const open = (system: string, check: string) => void router.push({ name: system, params: { id: build.build?.id }, hash: `#${check}` })
</script>

<template>
  <section v-if="found.length" class="card pad" data-panel="costs">
    <h2 class="label">What it costs</h2>
    <button v-for="item in found" :key="item.system + item.check.id" class="row" type="button" @click="open(item.system, item.check.id)">
      <span class="name">{{ item.check.name }}<template v-if="item.check.duty">, {{ duty(item.check.duty) }}</template></span>
      <CostLine :check="item.check" />
      <span class="mute detail">{{ item.check.sentence }}</span>
    </button>
  </section>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 168px 216px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  width: 100%;
  padding: 5px 0;
  background: none;
  border: 0;
  text-align: left;
  cursor: pointer;
}
.row:hover {
  background: var(--glass);
}
.name {
  text-align: right;
  font-weight: 500;
  line-height: 1.2;
}
.detail {
  font-size: 13.5px;
}
@media (max-width: 720px) {
  .row {
    grid-template-columns: minmax(0, 1fr) 150px;
    min-height: 44px;
  }
  .name {
    text-align: left;
  }
  .detail {
    grid-column: 1 / -1;
  }
}
</style>
