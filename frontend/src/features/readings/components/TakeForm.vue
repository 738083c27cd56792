<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { useSending } from '../../../station/useSending'
import { useBuild } from '../../../stores/build'
import { shortId } from '../../../stores/shortId'
import { useVocabulary } from '../../../stores/vocabulary'
import Pick from '../../../ui/Pick.vue'
import Segments from '../../../ui/Segments.vue'
import { entry } from '../logic'
import { useReadings } from '../useReadings'
import { withUnit } from '../../../ui/withUnit'

/** A reading by hand: what the gauge shows, and what the machine does. What is refused stays as typed. */
const emit = defineEmits<{ done: [] }>()
const readings = useReadings()
const build = useBuild()
const words = useVocabulary()
const { send, trouble } = useSending()
const what = ref('coolant')
const kind = computed(() => build.build?.facts['machine.kind']?.text ?? '')
const rolls = computed(() => !['boat', 'generator', 'aircraft'].includes(kind.value))
const doing = ref('')
const typed = reactive({ value: '', half: '', speed: '', grade: '', engine_speed: '', power: '', air: '' })
type Field = keyof typeof typed
const whats = computed(() => (readings.found?.whats ?? []).map((w) => ({ value: w.id, label: w.label })))
const half = computed(() => readings.found?.whats.find((w) => w.id === what.value)?.half ?? 3)
const doings = computed(() => [
  ...(rolls.value ? [{ value: '', label: 'driving at a speed' }] : []),
  { value: 'stands', label: 'standing, idling' },
  { value: 'turns', label: kind.value === 'boat' || kind.value === 'aircraft' ? 'under way at engine revs' : 'working at a power' },
  ...(readings.found?.duties ?? []).map((d) => ({ value: `duty ${d.id}`, label: d.label })),
])
const how = computed({ get: () => (doings.value.some((d) => d.value === doing.value) ? doing.value : (doings.value[0]?.value ?? 'stands')), set: (v) => (doing.value = v) })
const fields = computed<[Field, string, string][]>(() => {
  const air: [Field, string, string] = ['air', 'Air outside', 'temperature']
  if (how.value === '') return [['speed', 'Speed', 'speed'], ['grade', 'Grade, where it climbs', 'grade'], air]
  if (how.value === 'turns') return [['engine_speed', 'Engine speed', 'speed_rpm'], ...(kind.value === 'boat' || kind.value === 'aircraft' ? [] : [['power', 'Power', 'power'] as [Field, string, string]]), ['speed', 'Speed', 'speed'], air]
  return [air]
})
async function take(): Promise<void> {
  if (!typed.value.trim()) return
  const told = Object.fromEntries(fields.value.map(([name, , unit]) => [name, typed[name].trim() ? withUnit(typed[name], words.kinds[unit]) : '']))
  const ok = await send(...entry('taken', shortId(), {
    what: what.value,
    value: withUnit(typed.value, words.kinds.temperature),
    half: typed.half.trim() ? withUnit(typed.half, words.kinds.temperature_difference) : '',
    at: `${new Date().toISOString().slice(0, 19)}Z`,
    duty: how.value.startsWith('duty ') ? how.value.slice(5) : '',
    homes: readings.found?.homes,
    ...told,
  }))
  if (!ok) return
  typed.value = ''
  emit('done')
}
</script>

<template>
  <form class="form noprint" data-take @submit.prevent="take">
    <Segments v-model="what" label="What was read" :options="whats" />
    <div class="grid">
      <label class="asks">It shows<span class="entry"><input v-model="typed.value" class="input" inputmode="decimal" maxlength="40" /><i>{{ words.unit('temperature') }}</i></span></label>
      <label class="asks">Gauge off by, at most<span class="entry"><input v-model="typed.half" class="input" inputmode="decimal" maxlength="40" :placeholder="words.number(half, 'temperature_difference')" /><i>{{ words.unit('temperature_difference') }}</i></span></label>
      <label class="asks wide">While it was<Pick v-model="how" label="While it was" :options="doings" /></label>
      <label v-for="[name, title, unit] in fields" :key="name" class="asks">{{ title }}<span class="entry"><input v-model="typed[name]" class="input" inputmode="decimal" maxlength="40" /><i>{{ words.unit(unit) }}</i></span></label>
    </div>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    <p class="do"><button class="button main" type="submit" :disabled="!typed.value.trim()">Take it</button><button class="textlink" type="button" @click="emit('done')">not now</button></p>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 10px;
  padding-top: 6px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px 12px;
}
.entry {
  position: relative;
}
.entry .input {
  width: 100%;
}
.entry i {
  position: absolute;
  right: 8px;
  top: 7px;
  font: 500 14px var(--labels);
}
.do {
  display: flex;
  gap: 14px;
  align-items: center;
}
@media (max-width: 720px) {
  .grid {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .wide {
    grid-column: 1 / -1;
  }
  .entry .input {
    min-height: 44px;
  }
  .entry i {
    top: 13px;
  }
}
</style>
