<script setup lang="ts">
import { computed, ref } from 'vue'
import FactRow from '../../../shared/FactRow.vue'
import { checkOf, ends } from '../../../shared/bands'
import { useInstrument } from '../../../shared/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { boxes, type Stack } from '../logic'
import FaceDrawing from './FaceDrawing.vue'

/** What stands ahead of the engine, to scale: from the side against the room, from the front against the opening. */
const SIDE = { width: 1000, height: 210 }
const build = useBuild()
const words = useVocabulary()
const { data } = useInstrument<Stack>('cooling', ref({ view: 1 }))
const fields = computed(() => ['depth_available', 'opening_width', 'opening_height'].flatMap((name) => {
  const field = words.field(`installation.${name}`)
  return field ? [{ path: `installation.${name}`, field }] : []
}))
const stack = computed(() => (data.value && !data.value.unknown && data.value.layers.length ? data.value : null))
const side = computed(() => (stack.value ? boxes(stack.value, SIDE.width) : null))
const over = computed(() => (stack.value?.left ?? 1) < (stack.value?.keep ?? 0))
/** Where the stack ends in 90 of 100 cases. */
const band = computed(() => {
  const check = checkOf(build.report, 'cooling', 'stack', '')
  const room = stack.value?.room
  if (!side.value || room === null || room === undefined) return null
  return ends(check?.capacity_high, check?.capacity_low)?.map((gap) => (room - gap) * (side.value?.scale ?? 1)) ?? null
})
const shownTop = (tall: number) => (1 - tall) * SIDE.height * 0.5
const said = computed(() => {
  if (!stack.value || stack.value.left === null) return 'Measure from where the foremost cooler or core stands to the first moving thing, and the drawing says what is left.'
  const { left, keep } = stack.value
  if (left < 0) return `The stack is ${words.show(-left, 'length')} deeper than the room; keep ${words.show(keep, 'length')} clear besides.`
  return `${words.show(left, 'length')} left to the ${stack.value.on_engine ? 'fan on the engine' : 'first moving thing'}; keep ${words.show(keep, 'length')}.`
})
</script>

<template>
  <section class="card pad">
    <h2 class="label">Ahead of the engine, to scale</h2>
    <FactRow v-for="item in fields" :key="item.path" :path="item.path" :field="item.field" />
    <template v-if="stack && side">
      <div class="drawing side" tabindex="0"><svg viewBox="-36 -60 1056 350" role="img" :aria-label="`From the side: ${said}`">
        <g v-for="box in side.boxes" :key="box.layer.id">
          <rect v-if="box.layer.kind !== 'gap'" :x="box.x" :y="shownTop(box.tall)" :width="box.width" :height="SIDE.height * box.tall" :class="box.layer.kind" />
          <text v-if="box.layer.kind !== 'gap'" :x="box.x + box.width / 2" :y="SIDE.height + 32" text-anchor="middle" :class="{ slim: box.width < 70 }">{{ box.width < 110 ? box.layer.name.split(' ')[0] : box.layer.name }}</text>
          <text v-if="box.layer.kind !== 'gap'" :x="box.x + box.width / 2" :y="SIDE.height + 64" text-anchor="middle" :class="{ slim: box.width < 70 }">{{ words.show(box.layer.depth, 'length') }}</text>
          <text v-else-if="box.width > 14" :x="box.x + box.width / 2" y="-8" text-anchor="middle" class="slim">{{ words.show(box.layer.depth, 'length') }}</text>
        </g>
        <path v-if="(stack.left ?? 0) > 0" :d="`M${side.end} ${SIDE.height / 2}H${side.wall}m-9 -6l9 6l-9 6M${side.end + 9} ${SIDE.height / 2 - 6}l-9 6l9 6`" class="measure" :class="{ over }" />
        <text v-if="(stack.left ?? 0) > 0" :x="(side.end + side.wall) / 2" :y="SIDE.height / 2 - 12" text-anchor="middle" class="strong" :class="{ over }">{{ words.show(stack.left, 'length') }}</text>
        <path v-if="band" :d="`M${band[0]} ${SIDE.height - 22}v16m0-8H${band[1]}m0-8v16`" class="band" />
        <rect v-if="stack.room !== null" :x="side.wall" y="-20" width="6" :height="SIDE.height + 40" class="wall" :class="{ over: (stack.left ?? 0) < 0 }" />
        <text v-if="stack.room !== null" :x="side.wall - 4" y="-32" text-anchor="end">{{ stack.on_engine ? 'pulley the fan rides on' : 'first moving thing' }}</text>
        <text x="0" y="-32">air →</text>
      </svg></div>
      <p :class="{ over }">{{ said }}</p>
      <FaceDrawing :stack="stack" />
      <p v-for="name in stack.crossings" :key="name" class="mute">{{ name.charAt(0).toUpperCase() + name.slice(1) }} has to cross from one side to the other: mind the fan and its shroud.</p>
    </template>
    <p v-else class="mute">The core's depth draws the stack; measure from where the foremost cooler or core stands to the first moving thing.</p>
  </section>
</template>

<style scoped>
.side {
  --lettering: 29px;
  --least: 560px;
}
rect {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.core {
  fill: var(--cooling);
}
.cooler {
  fill: var(--air);
}
.fan {
  fill: var(--duties);
}
.wall {
  fill: var(--ink);
}
.wall.over {
  fill: var(--over);
}
.measure {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.measure.over {
  stroke: var(--over);
}
.band {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.slim {
  font-size: 25px;
}
</style>
