<script setup lang="ts">
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useLatest } from '../../api/useLatest'
import { useBuild } from '../../stores/build'
import ViewTabs from '../../ui/ViewTabs.vue'
import Waiting from '../../ui/Waiting.vue'
import BookView from './components/BookView.vue'
import DrivesView from './components/DrivesView.vue'
import TakenView from './components/TakenView.vue'
import { useReadings } from './useReadings'

/** Readings and drives: does the log bear it out, and what does that teach. */
const build = useBuild()
const readings = useReadings()
const route = useRoute()
const router = useRouter()
const { ask } = useLatest(readings.load, 0, readings.refused)
watch(() => [build.build?.id, build.build?.revision], () => void ask(), { immediate: true })

const VIEWS = [{ id: 'taken', label: 'Readings', shows: TakenView }, { id: 'drives', label: 'Drives', shows: DrivesView }, { id: 'book', label: 'Logbook, mend list', shows: BookView }]
const view = computed({
  get: () => VIEWS.find((v) => v.id === route.params.view)?.id ?? 'taken',
  set: (id: string) => void router.replace({ params: { ...route.params, view: id } }),
})
const shown = computed(() => VIEWS.find((v) => v.id === view.value)?.shows)
</script>

<template>
  <article class="read">
    <p v-if="readings.trouble" class="over noprint" role="alert">{{ readings.trouble }} <button class="textlink" type="button" @click="ask()">Try again</button></p>
    <ViewTabs v-if="readings.found" v-model="view" :tabs="VIEWS" label="Readings"><component :is="shown" @drives="view = 'drives'" @taken="view = 'taken'" /></ViewTabs>
    <Waiting v-else-if="!readings.trouble" label="Readings are being held against the model" :height="480" />
  </article>
</template>

<style scoped>
.read {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  max-width: 1120px;
}
</style>
