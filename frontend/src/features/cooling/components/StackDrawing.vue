<script setup lang="ts">
import { computed, ref } from 'vue'
import FactRow from '../../../station/FactRow.vue'
import { checkOf, ends } from '../../../station/bands'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { boxes, type Box } from '../logic'
import FaceDrawing from './FaceDrawing.vue'

/** What stands ahead of the engine, to scale: from the side against the room, from the front against the opening. */
const SIDE = { width: 960, height: 460 } // px that the drawing may take
const build = useBuild()
const words = useVocabulary()
const { data } = useInstrument('cooling/stack', ref({}))
const fields = computed(() => ['depth_available', 'opening_width', 'opening_height'].flatMap((name) => {
  const field = words.field(`installation.${name}`)
  return field ? [{ path: `installation.${name}`, field }] : []
}))
const stack = computed(() => (data.value && data.value.layers.length ? data.value : null))
const side = computed(() => (stack.value ? boxes(stack.value, SIDE.width, SIDE.height) : null))
const over = computed(() => (stack.value?.left ?? 1) < (stack.value?.keep ?? 0))
/** Where the stack ends in 90 of 100 cases. */
const band = computed(() => {
  const check = checkOf(build.report, 'cooling', 'stack', '')
  const room = stack.value?.room
  if (!side.value || room === null || room === undefined) return null
  return ends(check?.capacity_high, check?.capacity_low)?.map((gap) => (room - gap) * (side.value?.scale ?? 1)) ?? null
})
const shownTop = (tall: number) => ((side.value?.tall ?? 0) - tall) / 2
const named = computed(() => side.value?.boxes.filter((b) => b.layer.kind !== 'gap') ?? [])
const middle = computed(() => (side.value?.tall ?? 0) / 2)
const gapAhead = (i: number) => {
  const at = side.value?.boxes.indexOf(named.value[i] as Box) ?? -1
  const before = at > 0 ? side.value?.boxes[at - 1]?.layer : undefined
  return before?.kind === 'gap' ? before.depth : null
}
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
      <div class="pair">
        <div class="drawing side" tabindex="0"><svg :viewBox="`-30 -70 ${Math.max(side.end, side.wall) + 150} ${side.tall + 100}`" role="img" :aria-label="`From the side: ${said}`">
          <g v-for="(box, i) in named" :key="box.layer.id">
            <rect :x="box.x" :y="shownTop(box.tall)" :width="box.width" :height="box.tall" :class="box.layer.kind" />
            <text :x="box.x + box.width / 2" :y="i % 2 ? -34 : -8" text-anchor="middle" class="strong">{{ i + 1 }}</text>
          </g>
          <path v-if="(stack.left ?? 0) > 0" :d="`M${side.end} ${middle}H${side.wall}m-9 -6l9 6l-9 6M${side.end + 9} ${middle - 6}l-9 6l9 6`" class="measure" :class="{ over }" />
          <path v-if="band" :d="`M${band[0]} ${side.tall - 22}v16m0-8H${band[1]}m0-8v16`" class="band" />
          <rect v-if="stack.room !== null" :x="side.wall" y="-20" width="6" :height="side.tall + 40" class="wall" :class="{ over: (stack.left ?? 0) < 0 }" />
          <text v-if="stack.room !== null" :x="side.wall + 14" :y="middle">{{ stack.on_engine ? 'pulley' : 'what moves' }}</text>
          <text x="-30" :y="side.tall + 26">air →</text>
        </svg></div>
        <ol class="named">
          <li v-for="(box, i) in named" :key="box.layer.id"><span><b>{{ i + 1 }}</b> {{ box.layer.name }}<span v-if="gapAhead(i) !== null" class="mute">, {{ words.show(gapAhead(i), 'length') }} behind the last</span></span><span class="figure">{{ words.show(box.layer.depth, 'length') }}</span></li>
          <li v-if="stack.room !== null && (stack.left ?? 0) > 0"><span>{{ stack.on_engine ? 'left to the pulley the fan rides on' : 'left to the first moving thing' }}</span><span class="figure" :class="{ over }">{{ words.show(stack.left, 'length') }}</span></li>
        </ol>
      </div>
      <p :class="{ over }">{{ said }}</p>
      <FaceDrawing :stack="stack" />
      <p v-for="name in stack.crossings" :key="name" class="mute">{{ name.charAt(0).toUpperCase() + name.slice(1) }} has to cross from one side to the other: mind the fan and its shroud.</p>
    </template>
    <p v-else class="mute">The core's depth draws the stack; measure from where the foremost cooler or core stands to the first moving thing.</p>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 14px;
  align-items: center;
}
.side {
  --lettering: 26px;
  --least: 0px;
}
.side svg {
  max-height: 300px;
}
.named {
  margin: 0;
  padding: 0;
  list-style: none;
}
.named li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
}
@media (max-width: 720px) {
  .pair {
    grid-template-columns: minmax(0, 1fr);
  }
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
</style>
