<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { SystemBlock } from '../api/client'
import { useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import { percent } from '../ui/format'
import { optionsOf } from '../ui/options'
import Segments from '../ui/Segments.vue'
import Well from '../ui/Well.vue'
import ChecksPanel from './ChecksPanel.vue'
import InsteadPanel from './InsteadPanel.vue'
import NeedList from './NeedList.vue'
import RestsOn from './RestsOn.vue'
import SideBySide from './SideBySide.vue'
import { useScope } from './useScope'
import { governing, verdict } from './verdict'
import WorkingTable from './WorkingTable.vue'
import { useNarrow } from '../ui/useNarrow'

/** The shape of every station: verdict with what it rests on, facts, drawing, checks, instead, needs, working.
 * On a phone the verdict stays and one of them is shown at a time. */
const props = withDefaults(defineProps<{ system: string; title?: string; detail?: string; drawn?: string }>(), { title: '', detail: '', drawn: 'Drawing' })
defineSlots<{ fitted(props: { block: SystemBlock | null }): unknown; instrument(): unknown }>()
const build = useBuild()
const words = useVocabulary()
const block = computed<SystemBlock | null>(() => build.report?.systems[props.system] ?? null)
const said = computed(() => (block.value ? verdict(block.value, build.report?.duties ?? []) : null))
const { scope, why, idle, begin, choosable, put, trouble, SCOPES } = useScope(() => props.system)
/** What decides first, with the value nobody stated that it rests on. */
const first = computed(() => (block.value ? governing(block.value) : undefined))
/** The engine is what is swapped in: there is nothing to put in its place here. */
const changeable = computed(() => block.value !== null && props.system !== 'engine')
/** Where this is not worked for such a machine there is nothing to ask; what was stated all the same stays in reach. */
const worked = computed(() => props.title !== '' || build.report === null || block.value !== null)
const stated = computed(() => Object.entries(build.build?.facts ?? {}).some(([path, fact]) => path.startsWith(`${props.system}.`) && fact.evidence !== 'rule'))

const narrow = useNarrow()
/** Where nothing can be drawn yet, the facts that are asked for come first. */
const panel = ref(block.value?.state === 'unknown' ? 'facts' : 'drawing')
const panels = computed(() => [
  ...(worked.value ? [{ value: 'drawing', label: props.drawn }] : []),
  { value: 'facts', label: 'Facts' },
  ...(block.value ? [{ value: 'checks', label: 'Checks' }] : []),
  ...(changeable.value ? [{ value: 'instead', label: 'Instead' }] : []),
  ...(block.value ? [{ value: 'working', label: 'Working' }] : []),
])
/** What was picked, or the first there is. */
const turned = computed({ get: () => panels.value.find((p) => p.value === panel.value)?.value ?? panels.value[0]?.value ?? 'facts', set: (id: string) => (panel.value = id) })
const shows = (id: string) => !narrow.value || turned.value === id
// What a link leads to must be in sight before it can be landed on.
const route = useRoute()
watch(() => route.hash, (hash) => {
  if (hash) panel.value = hash.startsWith('#step-') ? 'working' : hash.includes('.') ? 'facts' : 'checks'
}, { immediate: true })
</script>

<template>
  <div class="station" :class="{ unjudged: !block }">
    <header class="verdict">
      <h1 v-if="title">{{ title }}</h1>
      <h1 v-else-if="idle">{{ block?.title }} is not started.</h1>
      <h1 v-else-if="said">{{ said.lead }} <span :class="{ over: said.short }">{{ said.strong }}</span>{{ said.tail }}</h1>
      <h1 v-else>Not judged{{ why ? `: ${why}` : '' }}.</h1>
      <Segments v-if="narrow && panels.length > 1" v-model="turned" class="turn" label="Shown of this station" :options="panels" block />
    </header>
    <div class="detail">
      <div v-if="narrow && first && !idle" class="first">
        <span class="line"><span>{{ first.name }}</span><span class="figure" :class="{ over: first.state === 'short' }">{{ percent(first.fill) }}</span></span>
        <Well :fill="first.fill" :system="system" size="long" :label="first.name" :state="first.state" :low="first.fill_low" :high="first.fill_high" />
      </div>
      <p v-if="idle" class="mute">These begin it: {{ begin }}. Until then it is left to the need sheet.</p>
      <p v-else-if="said" class="mute">{{ detail || said.detail }}</p>
      <p v-else-if="!worked" class="mute">Nothing is asked for it here; the headline and the need sheet leave it out.</p>
      <RestsOn v-if="first?.rests_on" :rests="first.rests_on" />
      <Segments v-if="choosable && scope" v-show="shows('facts')" class="scope noprint" data-scope :label="`${words.words?.systems[system]} in this build`" :options="optionsOf(SCOPES)" :model-value="scope.state" @update:model-value="put" />
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    </div>
    <div v-if="worked || stated" v-show="shows('facts')" class="fitted"><slot name="fitted" :block="block" /></div>
    <div v-if="worked" class="middle">
      <div v-show="shows('drawing')" class="stack"><slot name="instrument" /></div>
      <div v-show="shows('instead')" class="stack">
        <SideBySide v-if="words.words?.compared[system]" :system="system" />
        <InsteadPanel v-if="changeable" :system="system" />
      </div>
      <WorkingTable v-if="block" v-show="shows('working')" :block="block" />
    </div>
    <div v-if="block" v-show="shows('checks')" class="side">
      <ChecksPanel :block="block" :system="system" @pick="build.explainDuty" />
      <NeedList :needs="block.need" />
    </div>
  </div>
</template>

<style scoped>
.station {
  display: grid;
  grid-template: 'verdict verdict verdict' auto 'detail detail detail' auto 'fitted middle side' auto / 288px minmax(0, 1fr) 278px;
  gap: 12px;
  align-items: start;
}
/* Without checks there is no third column. */
.unjudged {
  grid-template: 'verdict verdict' auto 'detail detail' auto 'fitted middle' auto / 288px minmax(0, 1fr);
}
.verdict {
  grid-area: verdict;
  margin-bottom: -10px;
}
.detail {
  grid-area: detail;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 16px;
}
.detail > p {
  flex: 1 1 420px;
}
.scope {
  margin-left: auto;
}
h1 {
  font: 600 23px/1.25 var(--words);
}
.fitted,
.middle,
.side,
.stack {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  min-width: 0;
}
.stack:empty {
  display: none;
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
.line {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
@media (max-width: 1080px) {
  .station {
    grid-template: 'verdict verdict' auto 'detail detail' auto 'fitted middle' auto 'side side' auto / 288px minmax(0, 1fr);
  }
}
@media (max-width: 720px) {
  .station {
    display: flex;
    flex-direction: column;
    align-items: stretch;
    gap: 10px;
  }
  /* Whatever is scrolled, the answer stays in sight. */
  .verdict {
    position: sticky;
    top: -12px;
    z-index: 6;
    background: var(--paper);
    margin: -12px -10px 0;
    padding: 10px 10px 8px;
    border-bottom: 1px solid var(--line);
  }
  h1 {
    font-size: 19px;
  }
  .turn {
    display: block;
    margin-top: 8px;
  }
  .detail > p,
  .first {
    flex: 1 1 100%;
  }
  .scope {
    margin: 6px 0 0;
  }
}
@media print {
  /* The answer, what it is drawn from and its checks before the facts. */
  .station {
    display: flex;
    flex-direction: column;
    align-items: stretch;
  }
  .side {
    order: 1;
  }
  .fitted {
    order: 2;
  }
}
</style>
