<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, Problem, type Starter } from '../../api/client'
import { busy } from '../../api/busy'
import { useVocabulary } from '../../stores/vocabulary'
import TopBar from '../frame/TopBar.vue'
import Pick from '../../ui/Pick.vue'
import Segments from '../../ui/Segments.vue'
import { optionsOf } from '../../ui/options'

/** What decides, and on the bench: what is not said is supposed, and says so there. */
const words = useVocabulary()
const router = useRouter()
const facts = reactive<Required<Starter>>({
  name: '', kind: 'road_car', fuel: 'petrol', aspiration: '', injection: '', power: '', speed: '', torque: '', torque_speed: '', displacement: '', cylinders: '', boost: '',
  mass: '', task: '', climb: '', hottest: '', waterline: '', heel: '', sea: '', sails: '',
  units: { system: 'metric', power: 'kW' },
})
const troubles = ref<Record<string, string>>({})
const general = ref('')
const sending = ref(false)
const task = computed(() => words.words?.tasks[facts.kind] ?? { label: 'What must it do', hint: '' })
const boat = computed(() => facts.kind === 'boat')
const road = computed(() => task.value.label.startsWith('Must it tow'))
/** Ways fuel gets in that this fuel has. */
const ways = computed(() => Object.entries(words.words?.injections ?? {}).filter(([, label]) => label.startsWith(facts.fuel === 'diesel' ? 'diesel' : 'petrol') && !gas.value))
const gas = computed(() => ['lpg', 'cng'].includes(facts.fuel))
watch(() => facts.fuel, () => (facts.injection = ''))
const FIELD: Record<string, keyof Starter> = {
  'engine.rated_power': 'power', 'engine.rated_speed': 'speed', 'engine.peak_torque': 'torque', 'engine.peak_torque_speed': 'torque_speed', 'engine.displacement': 'displacement',
  'engine.cylinders': 'cylinders', 'engine.boost': 'boost', 'machine.mass': 'mass', 'machine.trailer_mass': 'task', 'machine.waterline_length': 'waterline', 'machine.heel': 'heel',
}
/** Which question a refused fact belongs to. */
const asked = (path: string): keyof Starter | undefined => {
  const name = path.startsWith('duties.') ? path.split('.').at(-1) : ''
  if (name === 'ambient') return facts.hottest ? 'hottest' : 'task'
  if (name === 'grade') return 'climb'
  if (name === 'heel' || name === 'sea') return name
  return name === 'speed_share' ? 'task' : FIELD[path]
}
interface Question { key: 'power' | 'speed' | 'torque' | 'torque_speed' | 'displacement' | 'cylinders' | 'boost' | 'mass' | 'task' | 'climb' | 'hottest' | 'waterline' | 'heel' | 'sea'; label: string; hint: string; must?: boolean }
const ENGINE = computed<Question[]>(() => [
  { key: 'power', label: 'Power', hint: '215 hp, 160 kW', must: true },
  { key: 'speed', label: 'at engine speed', hint: '5600 rpm', must: true },
  { key: 'displacement', label: 'Engine size', hint: '2.7 L, 350 cu in', must: true },
  { key: 'cylinders', label: 'Cylinders', hint: '6' },
  { key: 'torque', label: 'Torque, if known', hint: '280 lb-ft, 380 N m' },
  { key: 'torque_speed', label: 'at engine speed', hint: '3200 rpm' },
  ...(facts.aspiration && facts.aspiration !== 'natural' ? [{ key: 'boost', label: 'Boost, if known', hint: '0.8 bar, 12 psi' } as Question] : []),
])
const MACHINE = computed<Question[]>(() => [
  { key: 'mass', label: boat.value ? 'Weight afloat, loaded' : 'Weight in use', hint: '1450 kg, 3200 lb' },
  ...(boat.value ? [{ key: 'waterline', label: 'Waterline length', hint: '8.5 m, 28 ft' } as Question] : []),
  { key: 'task', label: task.value.label, hint: task.value.hint },
  ...(road.value ? [{ key: 'climb', label: 'Steepest long climb', hint: '6 %, 1 in 12' } as Question] : []),
  ...(road.value || boat.value ? [{ key: 'hottest', label: boat.value ? 'Hottest air in the engine space' : 'Hottest day', hint: '38 °C, 100 F' } as Question] : []),
  ...(boat.value ? [{ key: 'sea', label: 'Warmest water', hint: '24 °C, 75 F' } as Question, { key: 'heel', label: 'Heels to', hint: '12 deg, or leave open' } as Question] : []),
])
const BREATHING = { '': 'as the power asks', natural: 'naturally aspirated', turbo: 'turbocharged', supercharged: 'supercharged' }
const QUESTIONS = computed(() => [...ENGINE.value, ...MACHINE.value])

async function start(): Promise<void> {
  troubles.value = Object.fromEntries(QUESTIONS.value.filter((q) => q.must && !facts[q.key]?.trim()).map((q) => [q.key, `${q.label} is needed.`]))
  if (Object.keys(troubles.value).length) return
  sending.value = true
  general.value = ''
  try {
    // An answer whose question is gone is not given.
    const open = new Set<string>(QUESTIONS.value.map((q) => q.key))
    const shut = (['boost', 'climb', 'hottest', 'waterline', 'heel', 'sea'] as const).filter((key) => !open.has(key))
    const made = await api.start({ ...facts, ...(boat.value ? {} : { sails: '' as const }), ...Object.fromEntries(shut.map((key) => [key, ''])) })
    await router.push({ name: 'bench', params: { id: made.id } })
  } catch (error) {
    if (!(error instanceof Problem)) general.value = 'The server is not reached. Nothing you typed is lost; try again.'
    else {
      for (const entry of error.problems) {
        const key = asked(entry.field)
        if (key) troubles.value[key] = entry.message + (entry.allowed ? ` Understood: ${entry.allowed}.` : '')
        else general.value = entry.message
      }
      if (!error.problems.length) general.value = error.message
    }
  } finally {
    sending.value = false
  }
}
</script>

<template>
  <div class="new">
    <TopBar />
    <main :aria-busy="busy">
      <h1>A new build</h1>
      <p class="mute">Type them as you say them; guesses are fine and are marked as such. The three with a dot are needed: what else you leave open is taken as usual for such a machine, and the bench says so.</p>
      <form class="card" novalidate @submit.prevent="start">
        <label class="wide">Name <input v-model="facts.name" class="input" maxlength="80" placeholder="What you call it" /></label>
        <h2 class="label wide">The engine</h2>
        <label>Fuel
          <Pick v-model="facts.fuel" label="Fuel" :options="optionsOf(words.words?.fuels)" />
        </label>
        <label v-if="ways.length">How it gets in
          <Pick v-model="facts.injection" label="How it gets in" :options="[{ value: '', label: 'as usual for such an engine' }, ...ways.map(([value, label]) => ({ value, label }))]" />
        </label>
        <label>Breathing
          <Pick v-model="facts.aspiration" label="Breathing" :options="optionsOf(BREATHING)" />
        </label>
        <label v-for="question in ENGINE" :key="question.key">
          <span>{{ question.label }}<span v-if="question.must" class="must" title="needed"> •</span></span>
          <input v-model="facts[question.key]" class="input" :name="question.key" :placeholder="question.hint" maxlength="200" autocomplete="off" :required="question.must" :aria-invalid="Boolean(troubles[question.key])" />
          <span v-if="troubles[question.key]" class="over trouble" role="alert">{{ troubles[question.key] }}</span>
        </label>
        <h2 class="label wide">The machine, and what it must do</h2>
        <label>Machine
          <Pick v-model="facts.kind" label="Machine" :options="optionsOf(words.words?.machines)" />
        </label>
        <label v-if="boat">Sails
          <Pick v-model="facts.sails" label="Sails" :options="[{ value: '', label: 'none, or not said' }, { value: 'yes', label: 'sails too, or motor-sails' }]" />
        </label>
        <label v-for="question in MACHINE" :key="question.key">
          <span>{{ question.label }}</span>
          <input v-model="facts[question.key]" class="input" :name="question.key" :placeholder="question.hint" maxlength="200" autocomplete="off" :aria-invalid="Boolean(troubles[question.key])" />
          <span v-if="troubles[question.key]" class="over trouble" role="alert">{{ troubles[question.key] }}</span>
        </label>
        <label>Units
          <Segments v-model="facts.units.system" label="Units" :options="optionsOf({ metric: 'metric', imperial: 'inches and pounds' })" />
        </label>
        <p v-if="general" class="over wide" role="alert">{{ general }}</p>
        <div class="wide"><button class="button main" type="submit" :disabled="sending">To the bench</button></div>
      </form>
    </main>
  </div>
</template>

<style scoped>
main {
  grid-area: page;
  width: 100%;
  max-width: 860px;
  margin: 0 auto;
  padding: 24px 16px 48px;
}
.new {
  display: grid;
  grid-template: 'bar' 52px 'page' 1fr / minmax(0, 1fr);
}
h1 {
  font: 600 25px/1.25 var(--words);
}
form {
  margin-top: 16px;
  padding: 18px;
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px 18px;
}
label {
  display: grid;
  gap: 4px;
  font-weight: 500;
  align-content: start;
}
.input {
  min-height: 40px;
  font-weight: 400;
}
.wide {
  grid-column: 1 / -1;
}
h2.label {
  padding-top: 6px;
  border-top: 1px solid var(--line);
}
.must {
  color: var(--brass);
}
.trouble {
  font-size: 13.5px;
  font-weight: 400;
}
@media (max-width: 720px) {
  form {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
@media (max-width: 480px) {
  form {
    grid-template-columns: 1fr;
  }
}
</style>
