<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, reactive } from 'vue'
import { chance } from '../../station/bands'
import NeedList from '../../station/NeedList.vue'
import { notStarted } from '../../station/scope'
import { useBuild } from '../../stores/build'
import { useOutlook } from '../../stores/outlook'
import { useVocabulary } from '../../stores/vocabulary'
import RestsOn from '../../station/RestsOn.vue'
import ClaimCard from './ClaimCard.vue'
import CostCard from './CostCard.vue'
import DutyTable from './DutyTable.vue'
import FirstAnswer from './FirstAnswer.vue'
import FixedRows from './FixedRows.vue'
import MeasureNext from './MeasureNext.vue'
import { shopping, split, told } from './logic'
import ReachChart from './ReachChart.vue'
import { useWhatIf } from './useWhatIf'
import StateFirst from './StateFirst.vue'
import UntoldRows from './UntoldRows.vue'
import WouldMove from './WouldMove.vue'

/** Only a build on which something was measured has it. */
const MeasuredLine = defineAsyncComponent(() => import('../../station/MeasuredLine.vue'))
const build = useBuild()
const words = useVocabulary()
const whatIf = useWhatIf()
const report = computed(() => build.report)
const wanted = computed(() => whatIf.wanted.value ?? report.value?.wanted_w ?? 0)
const rows = computed(() => split(report.value?.rows ?? [], wanted.value))
const opened = reactive(new Set<string>())
const bars = computed(() => told(rows.value.power, opened))
const headline = computed(() => {
  const said = report.value?.headline.sentence ?? ''
  const cut = report.value?.claim?.believable === false ? -1 : said.indexOf(': ')
  return cut > 0 ? [said.slice(0, cut + 1), said.slice(cut + 1)] : ['', said]
})
const dangers = computed(() => Object.values(report.value?.systems ?? {}).flatMap((s) => s.checks.filter((c) => c.danger && c.fill > 1)).map((c) => (c.state === 'assumed' ? `not stated: ${c.sentence}` : c.sentence)))
const needs = computed(() => Object.values(report.value?.systems ?? {}).flatMap((s) => s.need))
const toFind = computed(() => shopping(report.value?.systems ?? {}, words.words?.asked ?? []))
const idle = computed(() => Object.entries(report.value?.systems ?? {}).flatMap(([id, block]) => (notStarted(report.value, id) ? [{ id, title: block.title }] : [])))
const notJudged = computed(() => (report.value?.not_judged ?? []).map((n) => n.system).join(', '))
const needTo = computed(() => ({ name: 'need', params: { id: build.build?.id } }))
const outlook = useOutlook()
onMounted(() => outlook.ask(['bands', 'changes', 'measure']))
const sure = computed(() => {
  const share = report.value?.holds_probability
  return share === null || share === undefined ? '' : `${report.value?.unknown.length ? 'what is known holds' : 'holds'} in ${chance(share)} of cases within the tolerances`
})
const governedLine = computed(() => report.value?.governed === true && report.value.wanted_w === report.value.rated_w)
</script>

<template>
  <div v-if="report" class="bench">
    <header>
      <h1>{{ headline[0] }}<span :class="{ over: report.state === 'short' || report.claim?.believable === false }">{{ headline[1] }}</span></h1>
      <p v-if="report.headline.next" class="next">{{ report.headline.next }}</p>
      <MeasuredLine v-if="report.measured" />
      <p class="line figure">
        <span v-if="dangers.length" class="over">{{ dangers.length }} danger{{ dangers.length > 1 ? 's' : '' }}: {{ dangers[0] }}</span>
        <RestsOn v-if="report.rests_on" :rests="report.rests_on" />
        <span v-if="sure && !report.nothing_fitted">{{ sure }}</span>
        <span v-if="(report.clipped_share ?? 0) > 0.01" class="mute">heat shares held back by the energy balance in {{ chance(report.clipped_share ?? 0) }}</span>
        <span>{{ report.guesses }} of {{ report.stated }} facts are guesses</span>
        <span v-if="notJudged" class="mute">not judged yet: {{ notJudged }}</span>
        <router-link :to="needTo">what to buy: need sheet →</router-link>
      </p>
    </header>
    <div class="left">
      <FirstAnswer v-if="toFind.length" />
      <section v-if="report.wanted_w !== null" class="card pad">
        <div class="cardhead"><h2 class="label">{{ report.nothing_fitted ? 'What is known already' : 'At the power you want' }}</h2><span v-if="report.samples" class="mute legend">bar: likely · whisker: 90 of 100 cases</span></div>
        <ReachChart :rows="bars.told" :wanted="wanted" :draggable="!governedLine" :pending="whatIf.wanted.value !== null" @move="whatIf.move" @keep="whatIf.keep" @drop="whatIf.drop" />
        <UntoldRows :rest="bars.rest" @open="(system) => opened.add(system)" />
        <p v-if="governedLine" class="mute small">The governor holds this engine at {{ words.show(report.wanted_w, 'power') }}; the line stays there.</p>
        <p v-if="idle.length" class="small" data-not-started>Not started:
          <span v-for="(system, i) in idle" :key="system.id"><template v-if="i">, </template><router-link :to="{ name: system.id, params: { id: build.build?.id } }">{{ system.title.toLowerCase() }}</router-link></span>. Each is one line here until a part of it is stated.</p>
        <template v-if="rows.fixed.length">
          <h2 class="label second">Whatever the power</h2>
          <FixedRows :rows="rows.fixed" />
        </template>
      </section>
      <section v-if="report.duties.length" class="card pad">
        <h2 class="label">How full each system runs, by duty</h2>
        <DutyTable :report="report" />
      </section>
      <CostCard />
    </div>
    <div class="right">
      <ClaimCard v-if="report.claim && (report.nothing_fitted || !report.claim.believable)" :claim="report.claim" />
      <StateFirst v-if="report.nothing_fitted" />
      <WouldMove v-if="!report.nothing_fitted" />
      <MeasureNext v-if="!report.nothing_fitted" />
      <NeedList v-if="!toFind.length" :needs="needs" />
    </div>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template: 'head head' auto 'left right' auto / minmax(0, 1fr) 286px;
  gap: 12px 14px;
  align-items: start;
}
header {
  grid-area: head;
}
h1 {
  font: 600 24px/1.25 var(--words);
}
.next {
  font-size: 17px;
  color: var(--mute);
  margin-top: 2px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
  margin-top: 6px;
  font-size: 15px;
  font-weight: 500;
}
.left,
.right {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  min-width: 0;
}
.card.pad {
  padding: 12px 16px 14px;
}
.legend {
  font: 500 13px var(--labels);
}
.second {
  margin-top: 14px;
}
.small {
  font-size: 13.5px;
  margin-top: 6px;
}
@media (max-width: 720px) {
  .legend {
    margin-bottom: 14px;
  }
}
@media (max-width: 980px) {
  .bench {
    grid-template: 'head' auto 'left' auto 'right' auto / minmax(0, 1fr);
  }
}
</style>
