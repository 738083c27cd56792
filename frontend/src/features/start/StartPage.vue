<script setup lang="ts">
import { useIntervalFn, useWakeLock } from '@vueuse/core'
import { computed, onBeforeUnmount, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useLatest } from '../../api/useLatest'
import { useBuild } from '../../stores/build'
import ViewTabs from '../../ui/ViewTabs.vue'
import Waiting from '../../ui/Waiting.vue'
import AlarmsView from './components/AlarmsView.vue'
import FaultsView from './components/FaultsView.vue'
import FillView from './components/FillView.vue'
import GoView from './components/GoView.vue'
import RecordView from './components/RecordView.vue'
import { useStart } from './useStart'

/** First start: what is proved before, live clocks, what each gauge should read, when to stop, why it does not. */
const build = useBuild()
const start = useStart()
const route = useRoute()
const router = useRouter()
const { ask } = useLatest(start.load, 0, start.refused)
const { ask: askFaults } = useLatest(start.loadFaults, 0, start.faultsRefused)
const { ask: listen } = useLatest(start.listen, 0, () => {}, true)
watch(() => [build.build?.id, build.build?.revision], () => void ask().then(() => askFaults()), { immediate: true })

useIntervalFn(() => (start.at = Date.now()), 200)
useIntervalFn(() => void listen(), 4000)
/** A screen that goes dark hides the clock; where the browser lets it, it stays on while something runs. */
const awake = useWakeLock()
watch(() => start.run?.id, (id) => void (id ? awake.request('screen') : awake.release()).catch(() => {}), { immediate: true })
onBeforeUnmount(() => void awake.release().catch(() => {}))

const VIEWS = [{ id: 'go', label: 'Start', shows: GoView }, { id: 'faults', label: 'What is wrong', shows: FaultsView }, { id: 'fill', label: 'Fill and bleed', shows: FillView }, { id: 'alarms', label: 'Run-in, alarms', shows: AlarmsView }, { id: 'record', label: 'Record', shows: RecordView }]
const view = computed({
  get: () => VIEWS.find((v) => v.id === route.params.view)?.id ?? 'go',
  set: (id: string) => void router.replace({ params: { ...route.params, view: id } }),
})
const shown = computed(() => VIEWS.find((v) => v.id === view.value)?.shows)
</script>

<template>
  <article class="first">
    <p v-if="start.trouble" class="over noprint" role="alert">{{ start.trouble }} <template v-if="start.plan">What stands here is from before; clocks and readings are kept.</template><button v-else class="textlink" type="button" @click="ask()">Try again</button></p>
    <template v-if="start.plan">
      <ViewTabs v-model="view" class="noprint" :tabs="VIEWS" label="First start"><component :is="shown" @wrong="view = 'faults'" @go="view = 'go'" /></ViewTabs>
      <section class="paper"><RecordView /></section>
    </template>
    <Waiting v-else-if="!start.trouble" label="What each gauge should read is being worked" :height="480" />
  </article>
</template>

<style scoped>
.first {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  max-width: 1060px;
}
.paper {
  display: none;
}
@media print {
  .paper {
    display: block;
  }
}
</style>
