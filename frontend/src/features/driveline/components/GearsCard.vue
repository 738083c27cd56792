<script setup lang="ts">
import { computed, inject, ref } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption } from '../../../ui/chart'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import { ChartPanel } from '../../../ui/lazyChart'
import Pick from '../../../ui/Pick.vue'
import Slide from '../../../ui/Slide.vue'
import { read, THEME } from '../../../ui/theme'
import Unseen from '../../../ui/Unseen.vue'
import { gearsSaid, seconds, type GearsView } from '../logic'

/** Gearboxes beside each other; the picked one gear by gear, its pull over the machine's resistance. */
const words = useVocabulary()
const look = inject(THEME)
const asked = ref(100)
const which = ref('')
const { data, waiting } = useInstrument('driveline/gears', computed(() => ({ speed: asked.value / 3.6 })))
type Box = GearsView['boxes'][number]
type Gear = Box['gears'][number]
const show = (v: number, kind: string) => words.show(v, kind)
const said = computed(() => (data.value ? gearsSaid(data.value, show) : ''))
type Told = { id: string; name: string; of: (b: Box) => string; over?: (b: Box) => boolean }
const TOLD = computed((): Told[] => [
  { id: 'rpm', name: `top gear at ${show(data.value?.asked ?? 0, 'speed')}`, of: (b) => show(b.top_rpm, 'speed_rpm') },
  { id: 'starts', name: 'starts on, laden', of: (b) => show(b.starts_on, 'grade') },
  { id: 'crawls', name: 'crawls at idle', of: (b) => show(b.crawls, 'speed') },
  { id: 'sprint', name: `rest to ${show(100 / 3.6, 'speed')}`, of: (b) => seconds(b.sprint) },
  { id: 'passing', name: `${show(data.value?.low ?? 0, 'speed')} to ${show(data.value?.high ?? 0, 'speed')}`, of: (b) => seconds(b.passing) },
  { id: 'top_gear', name: 'the same in top', of: (b) => seconds(b.passing_top) },
  { id: 'top', name: 'level, at most', of: (b) => show(b.top, 'speed') },
  { id: 'final', name: 'final drive', of: (b) => b.final.toFixed(2) },
  { id: 'rating', name: `may be given, of ${show(data.value?.torque ?? 0, 'torque')}`, of: (b) => (b.rating === null ? 'not stated' : show(b.rating, 'torque')), over: (b) => b.over },
])
const BOXES = computed((): Column<Told>[] => [
  { key: 'name', title: '', head: true, show: (t) => t.name },
  ...(data.value?.boxes ?? []).map((b): Column<Told> => ({ key: b.id || 'own', title: b.name, right: true, show: (t) => t.of(b), over: (t) => t.over?.(b) ?? false })),
])
const GEARS = computed((): Column<Gear>[] => [
  { key: 'n', title: 'Gear', head: true, show: (g) => g.ratio.toFixed(2) },
  { key: 'rpm', title: `at ${show(data.value?.asked ?? 0, 'speed')}`, right: true, show: (g) => show(g.rpm, 'speed_rpm') },
  { key: 'fastest', title: 'at red line', right: true, show: (g) => show(g.fastest, 'speed') },
  { key: 'grade', title: 'climbs', right: true, show: (g) => show(g.grade, 'grade') },
  { key: 'shift', title: 'left at', right: true, show: (g) => (g.shift === null ? '–' : show(g.shift, 'speed_rpm')) },
])
const box = computed(() => data.value?.boxes.find((b) => b.id === which.value) ?? data.value?.boxes[0])
const picked = computed({ get: () => box.value?.id ?? '', set: (v: string) => (which.value = v) })
const option = computed(() => {
  const d = data.value
  const b = box.value
  if (!d || !b || look === undefined) return null
  void look.dark.value
  const at = (points: readonly (readonly number[])[]) => points.map(([v = 0, f = 0]): [number, number] => [Number(words.value(v, 'speed').toFixed(2)), words.value(f, 'force')])
  return plotOption({
    x: `road, ${words.unit('speed')}`, y: `pull at the wheels, ${words.unit('force')}`,
    lines: [
      ...b.gears.map((g, i) => ({ name: String(i + 1), points: at(g.pulls).filter(([, f]) => f > 0), colour: read('driveline'), at: 0.3, side: 'top' as const })),
      { name: 'level road', points: at(d.resists), colour: read('mute'), dashed: true, at: 0.8, side: 'bottom' as const },
    ],
  })
})
</script>

<template>
  <section class="card pad" data-gears>
    <h2 class="label">Gears on the road</h2>
    <template v-if="data && data.boxes.length">
      <p role="status"><strong>{{ said }}</strong></p>
      <DataTable :id="(t) => t.id" label="Gearboxes beside each other" :columns="BOXES" :rows="TOLD" />
      <Slide v-model="asked" label="Speed asked" :min="20" :max="200" :text="show(asked / 3.6, 'speed')" />
      <div class="cardhead"><h3 class="label">Gear by gear</h3><Pick v-if="data.boxes.length > 1" v-model="picked" label="Gearbox" :options="data.boxes.map((b) => ({ value: b.id, label: b.name }))" /></div>
      <DataTable v-if="box" :id="(g) => String(g.ratio)" label="Gear by gear" :columns="GEARS" :rows="box.gears" />
      <ChartPanel v-if="option" :option="option" label="Pull at the wheels by gear against what the level road asks" />
      <p class="mute">A gear is left where the next pulls as hard, else at red line. Times on the level, laden, a change of gear counted; the tyres {{ data.grips === null ? 'are not counted' : `take ${show(data.grips, 'force')}` }}. From rest the clutch slips until first gear idles.</p>
    </template>
    <p v-else-if="data" class="mute">Still to be stated: {{ data.missing.map((p) => words.label(p).toLowerCase()).join(', ') }}.</p>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>
