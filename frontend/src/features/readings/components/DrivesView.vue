<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { floor } from '../../../api/floor'
import { useLatest } from '../../../api/useLatest'
import { useSending } from '../../../station/useSending'
import { line, useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { Fold } from '../../../ui/lazy'
import Pick from '../../../ui/Pick.vue'
import { saveBytes } from '../../../ui/save'
import Segments from '../../../ui/Segments.vue'
import { typed } from '../../../ui/typed'
import StateIt from '../../../station/StateIt.vue'
import TwoColumns from '../../../ui/TwoColumns.vue'
import { asEdits, far, spell, type Series } from '../logic'
import { useReadings } from '../useReadings'
import DriveChart from './DriveChart.vue'
import FileCard from './FileCard.vue'
import LoggerCard from './LoggerCard.vue'
import { withUnit } from '../../../ui/withUnit'

/** Drives: the build taken along one second by second, its worst moments, a log beside what is foretold. */
const readings = useReadings()
const build = useBuild()
const words = useVocabulary()
const { send, trouble } = useSending()
const { ask } = useLatest(readings.work, 0, readings.driveRefused)
onMounted(() => void readings.list())
watch(() => [build.build?.id, build.build?.revision, readings.picked, readings.recordings.length], () => void ask(), { immediate: true })

const drive = computed(() => readings.drive)
const choices = computed(() => [...(readings.found?.drives ?? []).map((d) => ({ value: d.id, label: d.label })), ...readings.recordings.map((r) => ({ value: r.id, label: `${r.name} (${r.kind === 'gpx' ? 'track' : 'log'}, ${spell(r.seconds)})` }))])
const BEGINS = [{ value: 'warm', label: 'warm' }, { value: 'cold', label: 'from cold' }]
const begins = computed({ get: () => readings.found?.begins ?? 'warm', set: (v) => void send(line('readings.begins', String(v))) })
const tows = computed(() => ['road_car', 'off_road', 'van', 'truck', 'tractor'].includes(build.build?.facts['machine.kind']?.text ?? ''))
const air = (event: Event) => send(line('readings.air', withUnit(typed(event), words.kinds.temperature) || null))
const lead = computed(() => {
  const d = drive.value
  const over = d?.worst.filter((w) => w.over) ?? []
  if (!d) return { text: '', over: false }
  if (d.missing.length) return { text: `${d.label}: not worked yet.`, over: false }
  if (over.length) return { text: over[0]?.sentence ?? '', over: true }
  return { text: d.logged ? (d.worst[0]?.sentence ?? '') : `${d.label}: it holds. ${d.worst[0]?.sentence ?? ''}`, over: false }
})
const rest = computed(() => (drive.value?.worst ?? []).filter((w) => w.sentence !== lead.value.text && !lead.value.text.endsWith(w.sentence)))
const compared = computed(() => (drive.value?.series ?? []).filter((s) => s.rms !== null))
/** How far what was logged lies from what is foretold; what a drive takes over from its log lies nowhere else. */
const apart = (s: Series) => (s.rms ?? 0) < 1e-6 ? 'the drive goes by it' : `${words.show(Math.abs(s.bias ?? 0), gap(s.kind))} ${(s.bias ?? 0) > 0 ? 'over' : 'under'} in the mean, ${words.show(s.rms, gap(s.kind))} about it`
const imperial = computed(() => words.unit('distance') === 'ft')
const gap = (kind: string) => (kind === 'temperature' ? 'temperature_difference' : kind)
const used = computed(() => {
  const d = drive.value
  if (!d || !d.fuel_volume) return ''
  const per = d.distance > 1000 && !imperial.value ? `, ${((1e8 * d.fuel_volume) / d.distance).toFixed(1)} L/100 km` : ''
  return `${words.show(d.fuel_volume, 'volume')} of fuel${per}`
})
const saved = ref('')
async function keep(): Promise<void> {
  saved.value = ''
  if (drive.value && (await send(...asEdits(drive.value.keep)))) saved.value = 'Put among the duties: every verdict is asked in it now.'
}
const untaken = computed(() => {
  const have = new Set((readings.found?.taken ?? []).map((t) => `readings.taken.${t.id}`))
  return (drive.value?.stretches ?? []).filter((s) => s.edits.some((e) => !have.has(e.path.split('.').slice(0, 3).join('.'))))
})
const take = () => send(...asEdits(untaken.value.flatMap((s) => s.edits)))
async function csv(): Promise<void> {
  const own = readings.recording
  if (own) saveBytes(await floor.recordingCsv(own.id), own.name, '.csv')
}
const emit = defineEmits<{ taken: [] }>()
async function takeAll(): Promise<void> {
  if (await take()) emit('taken')
}
</script>

<template>
  <header>
    <h1 :class="{ over: lead.over }">{{ lead.text }}</h1>
    <p v-if="readings.driveTrouble" class="over" role="alert">{{ readings.driveTrouble }}</p>
    <p v-if="drive?.missing.length">It cannot be driven: <template v-for="(m, i) in drive.missing" :key="m.path"><template v-if="i">, </template>{{ m.label.toLowerCase() }} not stated, <StateIt :fact="m" /></template>.</p>
    <p v-else-if="drive" class="mute">{{ drive.about }} {{ spell(drive.seconds) }}, {{ far(drive.distance, imperial) }}<template v-if="drive.climbed > 20">, {{ words.show(drive.climbed, 'distance') }} climbed</template><template v-if="used">, {{ used }}</template>, in air of {{ words.show(drive.ambient, 'temperature') }}{{ drive.ambient_stated ? '' : ' (nobody said)' }}<template v-if="drive.gaps">; {{ spell(drive.gaps) }} without a fix</template>.</p>
  </header>
  <section class="card pad choose noprint">
    <label class="asks which">Drive<Pick v-model="readings.picked" label="Drive" :options="choices" /></label>
    <label class="asks">Air outside<input class="input" inputmode="decimal" maxlength="40" :value="readings.found?.air == null ? '' : words.number(readings.found.air, 'temperature')" :placeholder="`${words.number(293.15, 'temperature')} ${words.unit('temperature')}, nobody said`" @change="air" /></label>
    <Segments v-model="begins" label="It begins" :options="BEGINS" />
    <label v-if="tows" class="asks one"><input type="checkbox" :checked="readings.found?.tow" @change="send(line('readings.tow', readings.found?.tow ? null : 'yes'))" />trailer on</label>
    <span v-if="readings.recording"><button class="textlink" type="button" @click="csv">as CSV</button> <button class="textlink" type="button" :aria-label="`delete: ${readings.recording.name}`" @click="readings.drop(readings.recording.id)">delete</button></span>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
  <TwoColumns v-if="drive && !drive.missing.length" share="1.7fr">
    <template #left><DriveChart :drive="drive" /></template>
    <template #right>
      <section class="card pad">
        <h2 class="label">Worst moments</h2>
        <ul><li v-for="w in rest" :key="w.what" :class="{ over: w.over }">{{ w.sentence }}</li></ul>
        <button class="button" type="button" @click="keep">Make its worst minutes a duty</button>
        <p v-if="saved" role="status">{{ saved }}</p>
      </section>
      <section v-if="drive.logged" class="card pad" data-compared>
        <h2 class="label">Logged against foretold</h2>
        <ul><li v-for="s in compared" :key="s.id">{{ s.label }}: {{ apart(s) }}.</li></ul>
        <p v-for="s in drive.series.filter((x) => x.spikes)" :key="`k${s.id}`">{{ s.label }}: {{ s.spikes }} second{{ s.spikes > 1 ? 's' : '' }} jumped out and back, left out: a loose plug?</p>
        <p v-for="d in drive.dead" :key="d" class="over">{{ d }} never moved: a dead sender, or a wire off.</p>
        <template v-if="untaken.length">
          <Fold :title="`${untaken.length} stretches in which the load holds`"><ul><li v-for="s in untaken" :key="s.begin">{{ spell(s.begin) }} to {{ spell(s.end) }}: {{ s.says }}</li></ul></Fold>
          <button class="button main" type="button" @click="takeAll">Take {{ untaken.length === 1 ? 'it as a reading' : `all ${untaken.length} as readings` }}</button>
        </template>
        <p v-else-if="drive.stretches.length" class="mute">Its stretches are taken as readings.</p>
        <p v-else class="mute">No two minutes in which the load held: drive a stretch at one speed on one grade.</p>
      </section>
    </template>
  </TwoColumns>
  <TwoColumns>
    <template #left><FileCard /></template>
    <template #right><LoggerCard /></template>
  </TwoColumns>
</template>

<style scoped>
h1 {
  font: 600 22px/1.25 var(--words);
}
.choose {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: end;
}
.which {
  min-width: 220px;
}
.choose .one {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 32px;
}
ul {
  margin: 4px 0 8px;
  padding-left: 18px;
}
li + li {
  margin-top: 4px;
}
@media (max-width: 720px) {
  .choose .input,
  .choose .one {
    min-height: 44px;
  }
}
</style>
