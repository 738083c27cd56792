<script setup lang="ts">
import { computed } from 'vue'
import FactPanel from '../../station/FactPanel.vue'
import { line, useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import DutyCard from './DutyCard.vue'

/** The machine, and what it must do: the duties everything is judged in. */
const build = useBuild()
const words = useVocabulary()
const duties = computed(() => ((build.document.duties as { id: string; kind?: string }[] | undefined) ?? []))

async function add(event: Event): Promise<void> {
  const select = event.target as HTMLSelectElement
  const kind = select.value
  select.value = ''
  if (!kind) return
  let number = 1
  while (duties.value.some((d) => d.id === `${kind}_${number}`)) number += 1
  await build.send([line(`duties.${kind}_${number}`, kind)])
}
</script>

<template>
  <div class="machine">
    <h1>What the machine is, and what it must do</h1>
    <FactPanel section="machine" title="Machine" />
    <div class="duties">
      <DutyCard v-for="duty in duties" :id="duty.id" :key="duty.id" :kind="duty.kind ?? ''" />
      <div class="card add">
        <span class="label">Another duty</span>
        <select class="input" aria-label="Kind of the new duty" @change="add">
          <option value="">pick its kind</option>
          <option v-for="(label, value) in words.words?.duty_kinds" :key="value" :value="value">{{ label }}</option>
        </select>
      </div>
    </div>
  </div>
</template>

<style scoped>
.machine {
  display: grid;
  grid-template: 'head head' auto 'a b' auto / 290px minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
h1 {
  grid-area: head;
  font: 600 23px/1.25 var(--words);
}
.duties {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  gap: 12px;
  align-items: start;
}
.add {
  padding: 12px 14px;
  display: grid;
  gap: 8px;
}
@media (max-width: 720px) {
  .machine {
    grid-template: 'head' auto 'a' auto 'b' auto / minmax(0, 1fr);
  }
}
</style>
