<script setup lang="ts">
import { computed, ref } from 'vue'
import { line, useBuild } from '../../../stores/build'
import { optionsOf } from '../../../ui/options'
import Pick from '../../../ui/Pick.vue'
import { stated } from '../../../ui/typed'
import { workOf } from '../logic'
import { useOrder } from '../useOrder'

/** Decisions about the work, hours and hands there are, the limit: what is not stated stands as usual, and is named so. */
const order = useOrder()
const build = useBuild()
const trouble = ref<Record<string, string>>({})
const work = computed(() => workOf(build.document) as Record<string, string | number | undefined>)
const HANDS = [1, 2, 3, 4].map((n) => ({ value: String(n), label: n === 1 ? 'one' : `${n}` }))
const FIELDS = computed(() => [
  { name: 'weekday', label: 'Working hours of a weekday', usual: `${order.order?.weekday_h ?? 2} h` },
  { name: 'weekend', label: 'Of a day of the weekend', usual: `${order.order?.weekend_h ?? 8} h` },
  { name: 'limit', label: 'Most it may cost', usual: '' },
  { name: 'rate', label: 'An hour of your own is worth', usual: '0' },
])
async function set(name: string, text: string | null): Promise<void> {
  const problem = await build.enqueue([line(`work.${name}`, text)])
  trouble.value[name] = problem ? (problem.problems[0]?.message ?? problem.message) : ''
}
</script>

<template>
  <section class="card pad">
    <h2 class="label">Hours, hands, limit</h2>
    <div class="grid">
      <label v-for="f in FIELDS" :key="f.name"><span class="mute">{{ f.label }}</span><input class="input" maxlength="20" :placeholder="f.usual" :value="work[f.name] ?? ''" :aria-label="f.label" @change="set(f.name, stated($event))" /><span v-if="trouble[f.name]" class="over" role="alert">{{ trouble[f.name] }}</span></label>
      <label><span class="mute">People who usually work on it</span><Pick label="People who usually work on it" :options="HANDS" :model-value="String(work.hands ?? 1)" @update:model-value="(v) => set('hands', String(v))" /></label>
      <label><span class="mute">No work before</span><input class="input" type="date" :value="work.start ?? ''" aria-label="No work before" @change="set('start', stated($event))" /></label>
    </div>
  </section>
  <section class="card pad">
    <h2 class="label">Decisions that make the order</h2>
    <p class="mute">Each adds, drops or turns tasks. What nobody decided stands as is usual.</p>
    <div class="grid">
      <label v-for="c in order.order?.choices ?? []" :key="c.name"><span class="mute">{{ c.label }}</span><Pick :label="c.label" :options="optionsOf(c.sides)" :model-value="c.value" @update:model-value="(v) => set(c.name, String(v))" /><span v-if="!c.stated" class="mute note">{{ c.note || 'usual' }}: nobody decided</span><button v-else class="textlink note" type="button" :aria-label="`as is usual: ${c.label}`" @click="set(c.name, null)">as is usual</button></label>
    </div>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 10px 16px;
  margin-top: 8px;
}
label,
label > :nth-child(2) {
  display: block;
  width: 100%;
}
.note {
  display: block;
  font-size: 13.5px;
}
</style>
