<script setup lang="ts">
import { computed, defineAsyncComponent, onBeforeUnmount, ref, watch } from 'vue'
import { busy } from '../../api/busy'
import { useBuild } from '../../stores/build'
import BuildBar from './BuildBar.vue'
import KeptNotes from './KeptNotes.vue'
import StationRail from './StationRail.vue'
import Waiting from '../../ui/Waiting.vue'
import { useKeys } from './useKeys'
import TopBar from './TopBar.vue'
import { useLanding } from './useLanding'

// Over the page now and then: read when they are first asked for.
const BrokenBuild = defineAsyncComponent(() => import('./BrokenBuild.vue'))
const ConflictDialog = defineAsyncComponent(() => import('./ConflictDialog.vue'))
const FactDialog = defineAsyncComponent(() => import('../fact/FactDialog.vue'))
const FindDialog = defineAsyncComponent(() => import('./FindDialog.vue'))
const KeysHelp = defineAsyncComponent(() => import('./KeysHelp.vue'))

const props = defineProps<{ id: string }>()
const build = useBuild()
const railOpen = ref(false)
const help = ref(false)
/** Of an aircraft every page says whose word it is. */
const flies = computed(() => build.build?.facts['machine.kind']?.text === 'aircraft')
const find = ref(false)
useLanding()
watch(() => props.id, (id) => void build.open(id), { immediate: true })
watch(() => build.build?.name, (name) => (document.title = name ? `${name} · Gauge Well` : 'Gauge Well'))

useKeys(() => props.id, { help, find })
onBeforeUnmount(() => (document.title = 'Gauge Well'))
</script>

<template>
  <div class="frame">
    <TopBar build @rail="railOpen = !railOpen"><BuildBar @help="help = true" @find="find = true" /></TopBar>
    <StationRail :id="id" v-model:open="railOpen" />
    <main class="page" :aria-busy="busy" :data-revision="build.build?.revision">
      <KeptNotes />
      <p v-if="flies" class="advisory" role="note">Advisory arithmetic only: the airworthiness authority and licensed people decide on this aircraft, its weight, its balance and every change to it.</p>
      <router-view v-if="build.build?.id === id && build.build.report" />
      <BrokenBuild v-else-if="build.build?.id === id" :build="build.build" />
      <div v-else-if="build.trouble" class="gone">
        <h1>This build is not shown</h1>
        <p role="alert">{{ build.trouble }} <button class="textlink" type="button" @click="build.open(id)">Try again</button></p>
        <router-link to="/">Back to the shelf</router-link>
      </div>
      <Waiting v-else label="The build is on its way" :height="480" />
    </main>
    <ConflictDialog v-if="build.conflict" />
    <FactDialog v-if="build.asked" />
    <FindDialog v-if="find" v-model:open="find" />
    <KeysHelp v-if="help" v-model:open="help" />
  </div>
</template>

<style scoped>
.advisory {
  margin: 0 0 10px;
  padding: 6px 10px;
  border-left: 3px solid var(--brass-line);
  background: var(--glass);
  font-weight: 600;
}
.frame {
  display: grid;
  grid-template: 'bar bar' 52px 'rail page' minmax(0, 1fr) / 168px minmax(0, 1fr);
  height: 100vh;
  height: 100dvh;
}
.page {
  grid-area: page;
  position: relative; /* holds what only screen readers see; outside, it would lengthen the window */
  overflow: auto;
  padding: 16px 16px 32px;
}
.gone {
  padding: 32px;
  display: grid;
  gap: 10px;
}
@media (max-width: 720px) {
  .frame {
    grid-template: 'bar' 52px 'page' minmax(0, 1fr) / minmax(0, 1fr);
  }
  .page {
    padding: 12px 10px 32px;
  }
}
@media print {
  .frame {
    display: block;
    height: auto;
  }
  .page {
    overflow: visible;
  }
}
</style>
