<script setup lang="ts">
import { computed, ref } from 'vue'
import PartList from '../../../station/PartList.vue'
import { useInstrument } from '../../../station/useInstrument'
import { inPlace } from '../../../station/parts'
import { useBuild } from '../../../stores/build'
import PresetList from './PresetList.vue'

/** The pulleys in their order; a usual layout to begin from where there are none. */
const build = useBuild()
const none = computed(() => inPlace(build.document, 'belts.pulleys').length === 0)
const { data } = useInstrument('belts/presets', ref({}))
</script>

<template>
  <PresetList v-if="none && data" :presets="data" />
  <PartList place="belts.pulleys" title="Pulleys, counter-clockwise" empty="The crank first, then each as the belt meets it counter-clockwise, seen from the front. Two tapes from the crank’s centre place it." />
</template>
