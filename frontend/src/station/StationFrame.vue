<script setup lang="ts">
import { computed, ref } from 'vue'
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
const scope = computed(() => build.report?.scope[props.system])
const why = computed(() => scope.value?.why)
/** Judged, but nothing of it is stated yet while the rest of the build is begun. */
const idle = computed(() => scope.value?.state === 'judged' && !scope.value.started && !build.report?.nothing_fitted && block.value?.state === 'unknown')
const begin = computed(() => (scope.value?.begin ?? []).map((p) => words.within(p)).join(', '))
const SCOPES = { judged: 'judged', later: 'later', left_out: 'left out' }
/** Where a machine has no such thing there is nothing to choose. */
const mine = computed(() => build.document.scope?.[props.system as keyof typeof build.document.scope])
const choosable = computed(() => scope.value !== undefined && (scope.value.state === 'judged' || mine.value !== undefined))
const trouble = ref('')
async function put(event: Event): Promise<void> {
  const value = (event.target as HTMLSelectElement).value
  const problem = await build.edit(`scope.${props.system}`, value === 'judged' ? null : value)
  trouble.value = problem?.message ?? ''
}
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
      <h1 v-if="idle">{{ block?.title }} is not started.</h1>
      <h1 v-else-if="said">{{ said.lead }} <span :class="{ over: said.short }">{{ said.strong }}</span>{{ said.tail }}</h1>
      <h1 v-else>Not judged{{ why ? `: ${why}` : '' }}.</h1>
      <p v-if="idle" class="mute">These begin it: {{ begin }}. Until then it is left to the need sheet.</p>
      <p v-else-if="said" class="mute">{{ said.detail }}</p>
      <p v-else-if="!worked" class="mute">Nothing is asked for it here; the headline and the need sheet leave it out.</p>
      <label v-if="choosable" class="scope"><span class="hidden">{{ words.words?.systems[system] }} in this build</span>
        <select class="cardpick" :value="scope?.state" data-scope @change="put">
          <option v-for="(label, id) in SCOPES" :key="id" :value="id">{{ label }}</option>
        </select>
      </label>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
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
.scope {
  margin-left: auto;
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
