<script setup lang="ts">
import { ref } from 'vue'
import type { View } from '../../../api/client'
import { useInstrument } from '../../../station/useInstrument'
import { useNamed } from '../../../station/useNamed'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'

/** Where each foot comes to in the machine, for the jig: with the slots that take up what is not known. */
type Foot = View<'mounts/feet'>['feet'][number]
const words = useVocabulary()
const { named } = useNamed()
const { data, waiting } = useInstrument('mounts/feet', ref({}))
const off = (value: number, half: number) => `${words.show(value, 'length')}${half > 5e-4 ? ` ± ${words.show(half, 'size')}` : ''}`
const COLUMNS: Column<Foot>[] = [
  { key: 'name', title: 'Foot', head: true, show: (f) => named(f.id, f.name) },
  { key: 'ahead', title: 'Ahead of the axle line', right: true, show: (f) => off(f.ahead, f.ahead_off) },
  { key: 'left', title: 'Left of the middle', right: true, show: (f) => off(f.left, f.left_off) },
  { key: 'over', title: 'Over the floor', right: true, show: (f) => off(f.over, f.over_off) },
  { key: 'slot', title: 'Slot along × across', right: true, mute: true, show: (f) => `${words.show(f.slot_along, 'size')} × ${words.show(f.slot_across, 'size')}` },
  { key: 'shims', title: 'Shims', right: true, mute: true, show: (f) => words.show(f.shims, 'size') },
]
</script>

<template>
  <section class="card pad" data-feet>
    <h2 class="label">Where each foot stands in the machine</h2>
    <template v-if="data">
      <DataTable :id="(f) => f.id" label="Feet" :columns="COLUMNS" :rows="data.feet" />
      <p class="mute">From the engine’s place in Fit and its tilt: for a jig, or for the beds of a boat. Slots and shims take up what the measures leave open, both ways at 95 %, a millimetre for the tape’s hook.</p>
    </template>
    <Unseen v-else :waiting="waiting">Fit has no place for the engine yet: pulley to the panel, or crank over the floor, there puts the feet into the machine.</Unseen>
  </section>
</template>
