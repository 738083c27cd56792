<script setup lang="ts">
import { computed } from 'vue'
import { checkOf, ends } from '../../../shared/bands'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import FactRow from '../../../shared/FactRow.vue'
import { KEEP, layers } from '../logic'

/** The stack ahead of the engine, to scale against the room measured. */
const build = useBuild()
const words = useVocabulary()
const fields = computed(() => ['depth_available', 'opening_width', 'opening_height'].flatMap((name) => {
  const field = words.field(`installation.${name}`)
  return field ? [{ path: `installation.${name}`, field }] : []
}))
const si = (path: string) => build.build?.facts[path]?.si ?? null
const room = computed(() => si('installation.depth_available'))
const parts = computed(() => {
  const core = si('cooling.core_depth')
  if (room.value === null || core === null) return null
  const fitted = ['puller', 'pusher'].includes(build.build?.facts['cooling.fan_kind']?.text ?? '')
  return layers(room.value, core, fitted ? si('cooling.fan_depth') : null)
})
const scale = computed(() => {
  const all = parts.value ?? []
  const over = all.find((p) => p.kind === 'over')?.depth ?? 0
  return 1 / ((room.value ?? 1) + over)
})
const left = computed(() => parts.value?.find((p) => p.kind === 'left')?.depth ?? 0)
const boxes = computed(() => {
  let x = 0
  return (parts.value ?? []).map((part) => {
    const from = x
    x += part.depth
    return { ...part, x: 1000 * from * scale.value, width: 1000 * part.depth * scale.value }
  })
})
/** Where the stack ends in 90 of 100 cases. */
const band = computed(() => {
  const check = checkOf(build.report, 'cooling', 'stack', '')
  return ends(check?.capacity_high, check?.capacity_low)?.map((gap) => 1000 * ((room.value ?? 0) - gap) * scale.value)
})
const wall = computed(() => 1000 * (room.value ?? 0) * scale.value)
</script>

<template>
  <section class="card pad">
    <h2 class="label">Depth in front of the engine, to scale</h2>
    <FactRow v-for="item in fields" :key="item.path" :path="item.path" :field="item.field" />
    <svg v-if="parts" viewBox="0 -40 1040 150" role="img" :aria-label="`Stack ahead of the engine: ${words.show(left, 'length')} left, ${words.show(KEEP, 'length')} to keep`">
      <g v-for="box in boxes" :key="box.name">
        <rect :x="box.x" y="0" :width="box.width" height="100" :class="box.kind" />
        <text v-if="box.width > 48" :x="box.x + box.width / 2" y="42" text-anchor="middle">{{ box.name }}</text>
        <text v-if="box.width > 48" :x="box.x + box.width / 2" y="76" text-anchor="middle">{{ words.show(box.depth, 'length') }}</text>
      </g>
      <path v-if="band" :d="`M${band[0]} 8v16m0-8H${band[1]}m0-8v16`" class="band" />
      <rect :x="wall" y="-12" width="5" height="124" class="wall" />
      <text :x="wall - 6" y="-14" text-anchor="end">first moving thing</text>
    </svg>
    <p v-if="parts" :class="{ over: left < KEEP }">{{ words.show(left, 'length') }} left; keep {{ words.show(KEEP, 'length') }} to moving parts.</p>
    <p v-else class="mute">Measure from the front of the core to the first moving thing; the core's depth is needed too.</p>
  </section>
</template>

<style scoped>
svg {
  width: 100%;
  max-height: 150px;
}
rect {
  stroke: var(--ink);
  stroke-width: 1;
}
.core {
  fill: var(--cooling);
}
.gap {
  fill: var(--card);
}
.fan {
  fill: var(--duties);
}
.left {
  fill: var(--glass);
}
.over {
  fill: var(--over-soft);
}
.wall {
  fill: var(--ink);
}
.band {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
text {
  font: 600 27px var(--labels);
  fill: var(--ink);
}
g:has(.core) text,
g:has(.fan) text {
  fill: var(--card);
}
</style>
