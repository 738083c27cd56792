<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { stated } from '../../../ui/typed'
import Segments from '../../../ui/Segments.vue'
import { useStart } from '../useStart'
import { withUnit } from '../../../ui/withUnit'

/** Where it is started, and the air of the day; what nobody said is said to be so. */
const start = useStart()
const words = useVocabulary()
const SHORT: Record<string, string> = { dry: 'Stand, dry', hose: 'Stand, hose-fed', machine: 'In the machine' }
const places = computed(() => (start.plan?.places ?? []).map((p) => ({ value: p.id, label: SHORT[p.id] ?? p.label })))
const place = computed({ get: () => start.place, set: (id: string | number) => void start.set('place', String(id)) })
const air = (event: Event) => {
  const text = stated(event)
  void start.set('air', text === null ? null : withUnit(text, words.kinds.temperature))
}
</script>

<template>
  <div class="place noprint">
    <Segments v-model="place" label="Where it is started" :options="places" />
    <label>Air of the day <input class="input" :value="start.record.air" :placeholder="`${words.show(start.plan?.air, 'temperature')}, nobody said`" inputmode="decimal" maxlength="40" @change="air" /></label>
  </div>
</template>

<style scoped>
.place {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
  margin-bottom: 12px;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
  font: 600 14px var(--labels);
  color: var(--mute);
}
.input {
  width: 170px;
}
</style>
