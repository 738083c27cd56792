<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, Problem, type Starter } from '../../api/client'
import { busy } from '../../shared/busy'
import { useVocabulary } from '../../stores/vocabulary'
import TopBar from '../TopBar.vue'

/** Five facts, and on the bench: everything with an honest rule is filled and marked so. */
const words = useVocabulary()
const router = useRouter()
const facts = reactive<Required<Starter>>({
  name: '', kind: 'road_car', fuel: 'petrol', aspiration: '', power: '', speed: '', displacement: '', mass: '', task: '',
  units: { system: 'metric', power: 'kW' },
})
const troubles = ref<Record<string, string>>({})
const general = ref('')
const sending = ref(false)
const task = computed(() => words.words?.tasks[facts.kind] ?? { label: 'What must it do', hint: '' })
const FIELD: Record<string, string> = {
  'engine.rated_power': 'power', 'engine.rated_speed': 'speed', 'engine.displacement': 'displacement', 'machine.mass': 'mass', 'machine.trailer_mass': 'task',
  'duties.cruise.speed_share': 'task', 'duties.rated.ambient': 'task',
}
const QUESTIONS = computed(() => [
  { key: 'power' as const, label: 'Power', hint: '215 hp, 160 kW', must: true },
  { key: 'speed' as const, label: 'at engine speed', hint: '5600 rpm', must: true },
  { key: 'displacement' as const, label: 'Engine size', hint: '2.7 L, 350 cu in', must: true },
  { key: 'mass' as const, label: 'Weight of the machine', hint: '1450 kg, 3200 lb', must: false },
  { key: 'task' as const, label: task.value.label, hint: task.value.hint, must: false },
])

async function start(): Promise<void> {
  troubles.value = Object.fromEntries(QUESTIONS.value.filter((q) => q.must && !facts[q.key]?.trim()).map((q) => [q.key, `${q.label} is needed.`]))
  if (Object.keys(troubles.value).length) return
  sending.value = true
  general.value = ''
  try {
    const made = await api.start({ ...facts })
    await router.push({ name: 'bench', params: { id: made.id } })
  } catch (error) {
    if (!(error instanceof Problem)) general.value = 'The server is not reached. Nothing you typed is lost; try again.'
    else {
      for (const entry of error.problems) {
        const key = FIELD[entry.field]
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
      <p class="mute">Five facts are enough to start. Type them as you say them; guesses are fine and are marked as such.</p>
      <form class="card" novalidate @submit.prevent="start">
        <label class="wide">Name <input v-model="facts.name" class="input" maxlength="80" placeholder="What you call it" /></label>
        <label>Machine
          <select v-model="facts.kind" name="kind" class="input"><option v-for="(label, id) in words.words?.machines" :key="id" :value="id">{{ label }}</option></select>
        </label>
        <label>Fuel
          <select v-model="facts.fuel" name="fuel" class="input"><option v-for="(label, id) in words.words?.fuels" :key="id" :value="id">{{ label }}</option></select>
        </label>
        <label>Breathing
          <select v-model="facts.aspiration" name="aspiration" class="input"><option value="">as the power asks</option><option value="natural">naturally aspirated</option><option value="turbo">turbocharged</option><option value="supercharged">supercharged</option></select>
        </label>
        <label>Units
          <select v-model="facts.units.system" class="input"><option value="metric">metric</option><option value="imperial">inches and pounds</option></select>
        </label>
        <label v-for="question in QUESTIONS" :key="question.key">
          {{ question.label }}
          <input v-model="facts[question.key]" class="input" :name="question.key" :placeholder="question.hint" maxlength="200" autocomplete="off" :aria-invalid="Boolean(troubles[question.key])" />
          <span v-if="troubles[question.key]" class="over trouble" role="alert">{{ troubles[question.key] }}</span>
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
  max-width: 760px;
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
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 14px 18px;
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
.trouble {
  font-size: 13.5px;
  font-weight: 400;
}
@media (max-width: 560px) {
  form {
    grid-template-columns: 1fr;
  }
}
</style>
