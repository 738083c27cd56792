<script setup lang="ts">
import FactPanel from '../../station/FactPanel.vue'
import PartList from '../../station/PartList.vue'
import StationViews from '../../station/StationViews.vue'
import CutsCard from './components/CutsCard.vue'
import GasCard from './components/GasCard.vue'
import HeatCard from './components/HeatCard.vue'
import PipeBench from './components/PipeBench.vue'
import SizesCard from './components/SizesCard.vue'

const VIEWS = [
  { id: 'pipe', label: 'The pipe', shows: PipeBench },
  { id: 'sizes', label: 'Sizes and ways', shows: SizesCard },
  { id: 'heat', label: 'Heat and room', shows: HeatCard },
  { id: 'gas', label: 'Gas in the cabin', shows: GasCard },
  { id: 'cuts', label: 'Cut list', shows: CutsCard },
]
</script>

<template>
  <StationViews system="exhaust" :views="VIEWS" label="Drawings of the exhaust">
    <template #facts>
      <PartList place="exhaust.pieces" title="Piece by piece" empty="From flange to tip: tube, flex, catalyst, silencer. Stated so, they take the place of the one tube." />
      <PartList place="exhaust.neighbours" title="Beside the pipe" empty="A loom, a hose, a fuel line, the floor: how far along, how near. Its heat is worked, not ruled." />
      <FactPanel section="installation" title="Gaps" :only="['Round the exhaust']" />
    </template>
  </StationViews>
</template>
