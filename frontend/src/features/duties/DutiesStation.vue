<script setup lang="ts">
import { computed } from 'vue'
import FactPanel from '../../station/FactPanel.vue'
import StationFrame from '../../station/StationFrame.vue'
import { line, useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import MenuButton from '../../ui/MenuButton.vue'
import { optionsOf } from '../../ui/options'
import DutyCard from './DutyCard.vue'

/** The machine, and what it must do: the duties everything is judged in. */
const build = useBuild()
const words = useVocabulary()
const duties = computed(() => ((build.document.duties as { id: string; kind?: string }[] | undefined) ?? []))
const kinds = computed(() => optionsOf(words.words?.duty_kinds).map((o) => ({ id: String(o.value), label: o.label })))

async function add(kind: string): Promise<void> {
  let number = 1
  while (duties.value.some((d) => d.id === `${kind}_${number}`)) number += 1
  await build.send([line(`duties.${kind}_${number}`, kind)])
}
</script>

<template>
  <StationFrame system="duties" title="What the machine is, and what it must do" drawn="Duties">
    <template #fitted><FactPanel section="machine" title="Machine" /></template>
    <template #instrument>
      <div class="duties">
        <DutyCard v-for="duty in duties" :id="duty.id" :key="duty.id" :kind="duty.kind ?? ''" />
        <div class="card add"><MenuButton label="Add another duty" :acts="kinds" @act="add" /></div>
      </div>
    </template>
  </StationFrame>
</template>

<style scoped>
.duties {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  gap: 12px;
  align-items: start;
}
.add {
  padding: 12px 14px;
}
</style>
