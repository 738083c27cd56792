<script setup lang="ts">
import { computed, ref } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { plotOption, type Line } from '../../../ui/chart'
import { ChartPanel } from '../../../ui/lazyChart'
import Segments from '../../../ui/Segments.vue'
import { read } from '../../../ui/theme'
import { points, type Drive } from '../logic'

/** One thing over a drive's time: foretold, logged, its limit; speed and height for where it was. */
const props = defineProps<{ drive: Drive }>()
const words = useVocabulary()
const picked = ref('coolant')
const choices = computed(() => props.drive.series.map((s) => ({ value: s.id, label: s.label })))
const shown = computed(() => props.drive.series.find((s) => s.id === picked.value) ?? props.drive.series[0])
const COLOURS: { [id: string]: string } = { coolant: 'cooling', oil_temperature: 'oil', fuel: 'fuel', charge: 'electrics', volts: 'electrics' }
const both = computed(() => Boolean(shown.value?.foretold.some((v) => v !== null) && shown.value.logged.some((v) => v !== null)))
const option = computed(() => {
  const s = shown.value
  if (!s) return {}
  const unit = (si: number) => words.value(si, s.kind)
  const colour = read(COLOURS[s.id] ?? 'cooling')
  const foretold = points(props.drive.time, s.foretold, unit)
  const logged = points(props.drive.time, s.logged, unit)
  const end = (props.drive.time.at(-1) ?? 0) / 60
  const lines: Line[] = [
    ...(foretold.length ? [{ name: '', points: foretold, colour, dashed: logged.length > 0 }] : []),
    ...(logged.length ? [{ name: '', points: logged, colour: read('ink') }] : []),
    ...(s.limit === null ? [] : [{ name: `limit ${words.show(s.limit, s.kind)}`, points: [[0.12 * end, unit(s.limit)], [0, unit(s.limit)], [end, unit(s.limit)]] as [number, number][], colour: read('over'), at: 0 }]),
  ]
  const values = [...s.foretold, ...s.logged].filter((v): v is number => v !== null).map(unit)
  const least = Math.min(...values)
  // A thermometer's nought is no nought: the scale begins where the drive does.
  const from = s.kind === 'temperature' ? Math.floor((least - 5) / 10) * 10 : Math.min(0, least)
  return plotOption({ x: 'minutes', y: `${s.label}${words.unit(s.kind) ? `, ${words.unit(s.kind)}` : ''}`, from, lines })
})
const label = computed(() => {
  const s = shown.value
  const top = (values: (number | null)[]) => Math.max(...values.filter((v): v is number => v !== null))
  return s ? `${s.label} over the drive${s.foretold.some((v) => v !== null) ? `, foretold ${words.show(top(s.foretold), s.kind)} at most` : ''}${s.logged.some((v) => v !== null) ? `, logged ${words.show(top(s.logged), s.kind)} at most` : ''}` : ''
})
</script>

<template>
  <section class="card pad" data-drive>
    <div class="cardhead"><h2 class="label">{{ shown?.label }} over the drive</h2><span v-if="both" class="mute key">dashed: foretold · line: logged</span></div>
    <Segments v-model="picked" label="What is drawn" :options="choices" />
    <ChartPanel :option="option" :label="label" />
  </section>
</template>

<style scoped>
.key {
  font: 500 13px var(--labels);
}
</style>
