<script setup lang="ts">
import { computed } from 'vue'
import type { SystemBlock } from '../api/client'
import { useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import ChecksPanel from './ChecksPanel.vue'
import InsteadPanel from './InsteadPanel.vue'
import NeedList from './NeedList.vue'
import { verdict } from './verdict'
import SideBySide from './SideBySide.vue'
import WorkingTable from './WorkingTable.vue'

/** The shape of a station: verdict, fitted, instrument, checks, need, working. */
const props = defineProps<{ system: string }>()
const build = useBuild()
const words = useVocabulary()
const block = computed<SystemBlock | null>(() => build.report?.systems[props.system] ?? null)
const said = computed(() => (block.value ? verdict(block.value, build.report?.duties ?? []) : null))
const why = computed(() => build.report?.not_judged.find((n) => n.system.toLowerCase() === props.system)?.why)
/** The engine is what is swapped in: there is nothing to put in its place here. */
const changeable = computed(() => block.value !== null && props.system !== 'engine')
/** Where this is not worked for such a machine there is nothing to ask; what was stated all the same stays in reach. */
const worked = computed(() => build.report === null || block.value !== null)
const stated = computed(() => Object.entries(build.build?.facts ?? {}).some(([path, fact]) => path.startsWith(`${props.system}.`) && fact.evidence !== 'rule'))
defineSlots<{ fitted(props: { block: SystemBlock | null }): unknown; instrument(): unknown }>()
</script>

<template>
  <div class="station">
    <header class="verdict">
      <h1 v-if="said">{{ said.lead }} <span :class="{ over: said.short }">{{ said.strong }}</span>{{ said.tail }}</h1>
      <h1 v-else>Not judged{{ why ? `: ${why}` : '' }}.</h1>
      <p v-if="said" class="mute">{{ said.detail }}</p>
      <p v-else-if="!worked" class="mute">Nothing is asked for it here; the headline and the need sheet leave it out.</p>
    </header>
    <div v-if="worked || stated" class="fitted"><slot name="fitted" :block="block" /></div>
    <div v-if="worked" class="middle">
      <slot name="instrument" />
      <SideBySide v-if="words.words?.compared[system]" :system="system" />
      <InsteadPanel v-if="changeable" :system="system" />
      <WorkingTable v-if="block" :block="block" />
    </div>
    <div class="side">
      <ChecksPanel v-if="block" :block="block" :system="system" @pick="build.explainDuty" />
      <NeedList v-if="block" :needs="block.need" />
    </div>
  </div>
</template>

<style scoped>
.station {
  display: grid;
  grid-template: 'verdict verdict verdict' auto 'fitted middle side' auto / 288px minmax(0, 1fr) 278px;
  gap: 12px;
  align-items: start;
}
.verdict {
  grid-area: verdict;
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 16px;
}
h1 {
  font: 600 23px/1.25 var(--words);
}
.fitted,
.middle,
.side {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  min-width: 0;
}
.fitted {
  grid-area: fitted;
}
.middle {
  grid-area: middle;
}
.side {
  grid-area: side;
}
@media (max-width: 1080px) {
  .station {
    grid-template: 'verdict verdict' auto 'fitted middle' auto 'side side' auto / 288px minmax(0, 1fr);
  }
}
@media (max-width: 720px) {
  .station {
    grid-template: 'verdict' auto 'side' auto 'fitted' auto 'middle' auto / minmax(0, 1fr);
  }
}
</style>
