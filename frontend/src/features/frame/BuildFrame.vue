<script setup lang="ts">
import Modal from 'ant-design-vue/es/modal'
import { onKeyStroke } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { busy } from '../../api/busy'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import BrokenBuild from './BrokenBuild.vue'
import ConflictDialog from './ConflictDialog.vue'
import FactDialog from '../fact/FactDialog.vue'
import FindDialog from './FindDialog.vue'
import KeysHelp from './KeysHelp.vue'
import KeptNotes from './KeptNotes.vue'
import StationRail from './StationRail.vue'
import { STATIONS } from '../stations'
import TopBar from './TopBar.vue'
import { useLanding } from './useLanding'

const props = defineProps<{ id: string }>()
const build = useBuild()
const router = useRouter()
const railOpen = ref(false)
const help = ref(false)
const find = ref(false)
const words = useVocabulary()
useLanding()
watch(() => props.id, (id) => void build.open(id), { immediate: true })
watch(() => build.build?.name, (name) => (document.title = name ? `${name} · Gauge Well` : 'Gauge Well'))

const typing = (event: KeyboardEvent) => {
  const target = event.target as HTMLElement
  return target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || event.ctrlKey || event.metaKey || event.altKey
}
const pages = computed(() => ['bench', ...STATIONS.map((s) => s.id)])
onKeyStroke((event) => {
  if (typing(event)) return
  const here = pages.value.indexOf(String(router.currentRoute.value.name))
  const go = (index: number) => {
    const name = pages.value[(index + pages.value.length) % pages.value.length]
    if (name) void router.push({ name, params: { id: props.id } })
  }
  if (/^[0-9]$/.test(event.key) && Number(event.key) < pages.value.length) go(Number(event.key))
  else if (event.key === ',') go(here - 1)
  else if (event.key === '.') go(here + 1)
  else if (event.key === 'z') void build.undo()
  else if (event.key === 'Z') void build.redo()
  else if (event.key === '?') help.value = true
  else if (event.key === 'u') build.showIn(words.chosenUnits + 1)
  else if (event.key === 'w') document.querySelector<HTMLElement>('[data-working]')?.focus()
  else if (event.key === 'i') document.querySelector<HTMLElement>('[data-instead], [data-panel=changes]')?.focus()
  else if (event.key === 'f') {
    event.preventDefault()
    find.value = true
  }
})
onBeforeUnmount(() => (document.title = 'Gauge Well'))
</script>

<template>
  <div class="frame">
    <TopBar @rail="railOpen = !railOpen" @help="help = true" @find="find = true" />
    <StationRail :id="id" :open="railOpen" @close="railOpen = false" />
    <main class="page" :aria-busy="busy" :data-revision="build.build?.revision">
      <KeptNotes />
      <router-view v-if="build.build?.id === id && build.build.report" />
      <BrokenBuild v-else-if="build.build?.id === id" :build="build.build" />
      <div v-else-if="build.trouble" class="gone">
        <h1>This build is not shown</h1>
        <p role="alert">{{ build.trouble }} <button class="textlink" type="button" @click="build.open(id)">Try again</button></p>
        <router-link to="/">Back to the shelf</router-link>
      </div>
    </main>
    <ConflictDialog />
    <FactDialog />
    <FindDialog v-model:open="find" />
    <Modal v-model:open="help" title="Keys and signs" :footer="null"><KeysHelp /></Modal>
  </div>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template: 'bar bar' 52px 'rail page' minmax(0, 1fr) / 148px minmax(0, 1fr);
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
}
</style>
