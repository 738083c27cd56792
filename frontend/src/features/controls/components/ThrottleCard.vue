<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import { ChartPanel } from '../../../ui/lazyChart'
import NamedValues from '../../../ui/NamedValues.vue'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import { throttleBad, throttleSaid } from '../logic'

/** How far the pedal opens the throttle, what flows at each share of it, whether it surely shuts. */
const words = useVocabulary()
const look = inject(THEME)
const { send, trouble } = useSending()
const { data, waiting } = useInstrument('controls/throttle', ref({}))
const show = (v: number, kind: string) => words.show(v, kind)
const said = computed(() => (data.value ? throttleSaid(data.value, show) : ''))
const bad = computed(() => Boolean(data.value && throttleBad(data.value)))
const rows = computed(() => {
  const d = data.value
  if (!d) return []
  return [
    ...(d.left === null ? [] : [{ label: 'Cable to spare at full throttle', shown: d.left < 0 ? `${show(-d.left, 'size')} too little` : show(d.left, 'size'), over: d.left < 0 }]),
    ...(d.springs === null ? [] : [{ label: 'Springs that shut it, two are kept', shown: String(d.springs), over: d.springs < 2 }]),
    ...(d.spring === null || d.drags === null ? [] : [{ label: `Spring left behind the bends, ${show(d.drags, 'force')} asked`, shown: show(d.spring, 'force'), over: d.spring < d.drags }]),
    ...(d.rocks === null ? [] : [{ label: `Engine’s rock moves it, ${show(d.slack, 'size')} of slack`, shown: show(d.rocks, 'size'), over: d.rocks > d.slack }]),
    ...(d.cable_way === null ? [] : [{ label: `Cable, its way asks ${show(d.cable_way, 'length')}`, shown: d.cable === null ? 'none yet' : show(d.cable, 'length'), over: d.cable !== null && d.cable < d.cable_way }]),
  ]
})
const option = computed(() => {
  const d = data.value
  if (!d?.ways.length || look === undefined) return null
  void look.dark.value
  const colours = ['controls', 'engine', 'fuel'] as const
  return plotOption({
    x: 'pedal, %', y: 'open, % of the bore',
    lines: d.ways.map((w, i) => ({ name: w.name, points: d.pedal.map((p, k): [number, number] => [Math.round(100 * p), 100 * (w.flows[k] ?? 0)]), colour: read(colours[i] ?? 'mute'), dashed: i > 0, at: [0.85, 0.55, 0.3][i] ?? 0.5, side: i === 2 ? ('top' as const) : ('bottom' as const) })),
  })
})
const mend = computed(() => (data.value?.right != null && data.value.left !== null && data.value.left < 0 ? 0.97 * data.value.right : null))
async function put(): Promise<void> {
  if (mend.value !== null) await send(line('controls.wheel', `${(1000 * mend.value).toFixed(1)} mm`, { evidence: 'guess' }))
}
</script>

<template>
  <section class="card pad" data-throttle>
    <h2 class="label">Throttle</h2>
    <template v-if="data">
      <p role="status"><strong :class="{ over: bad }">{{ said }}</strong></p>
      <NamedValues v-if="rows.length" :rows="rows" />
      <p v-if="mend !== null" class="noprint"><button class="button" type="button" @click="put">Try a wheel of {{ show(mend, 'size') }}</button></p>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
      <ChartPanel v-if="option" :option="option" label="Share of the bore open over the pedal" />
      <p class="mute">A plate opens little at first on a round wheel; a lever that starts before square to its cable opens sooner. Full at the pedal’s own stop, 2 mm to spare; two springs, each alone able to shut it; the sleeve ends on the engine, so that its rock does not pull.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>
