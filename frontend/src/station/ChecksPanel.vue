<script setup lang="ts">
import { computed } from 'vue'
import type { Check, SystemBlock } from '../api/client'
import { useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import { chance } from './bands'
import CostLine from './CostLine.vue'
import { percent } from '../ui/format'
import { folded } from './notices'
import RestsOn from './RestsOn.vue'
import Well from '../ui/Well.vue'

/** Checks as wells, fullest first; those that cannot be judged say what is missing. */
const props = defineProps<{ block: SystemBlock; system: string }>()
const emit = defineEmits<{ pick: [duty: string] }>()
const build = useBuild()
const names = computed(() => Object.fromEntries((build.report?.duties ?? []).map((d) => [d.id, d.name])))
const notices = computed(() => folded(props.block.notices, names.value))
const sorted = computed(() => [...props.block.checks].sort((a, b) => b.fill - a.fill))
const checks = computed(() => sorted.value.filter((c) => c.class !== 'cost'))
const costs = computed(() => sorted.value.filter((c) => c.class === 'cost'))
const title = (check: Check) => (check.duty ? `${check.name}, ${(names.value[check.duty] ?? check.duty).toLowerCase()}` : check.name)
const unsure = (check: Check) => check.class === 'limit' && check.holds_probability !== null && check.holds_probability !== undefined && check.holds_probability > 0 && check.holds_probability < 1
const words = useVocabulary()
/** What a check that goes by readings was without them. */
const was = (check: Check) => build.report?.measured?.checks.find((m) => m.system === props.system && m.check === check.id && m.duty === check.duty)
</script>

<template>
  <section class="card">
    <h2 class="label head">Checks</h2>
    <div v-for="unknown in block.unknown" :key="unknown.check" class="check" tabindex="-1" :data-check="unknown.check">
      <div class="line">
        <span class="name">{{ unknown.name }}</span><span class="figure">not known</span>
      </div>
      <Well :fill="null" :system="system" size="long" :label="unknown.name" />
      <p class="mute">Missing: {{ unknown.missing.map(words.within).join(', ') }}.</p>
    </div>
    <div v-for="check in checks" :key="check.id + check.duty" class="whole">
    <component :is="check.duty ? 'button' : 'div'" class="check" :type="check.duty ? 'button' : undefined" :tabindex="check.duty ? undefined : -1" :data-check="check.id" @click="check.duty && emit('pick', check.duty)">
      <div class="line">
        <span class="name">{{ title(check) }}</span>
        <span class="figure" :class="{ over: check.state === 'short' }">{{ percent(check.fill) }}{{ check.state === 'assumed' ? ' ?' : '' }}</span>
      </div>
      <Well :fill="check.fill" :system="system" size="long" :label="`${check.name}, ${names[check.duty] ?? 'always'}`" :state="check.state" :low="check.fill_low" :high="check.fill_high" />
      <p v-if="was(check)" class="here">measured here; {{ percent(was(check)?.fill) }} by the facts alone</p>
      <p class="mute">{{ check.sentence }}<template v-if="unsure(check)"> Holds in {{ chance(check.holds_probability ?? 1) }} of cases within the tolerances.</template></p>
    </component>
    <p v-if="check.rests_on" class="on"><span class="mute">{{ check.state === 'assumed' ? 'Short only by what nobody stated:' : 'Holds by what nobody stated:' }}</span> <RestsOn :rests="check.rests_on" /></p>
    </div>
    <template v-if="costs.length">
      <h2 class="label head costs">What it costs</h2>
      <component :is="check.duty ? 'button' : 'div'" v-for="check in costs" :key="check.id + check.duty" class="check" :type="check.duty ? 'button' : undefined" :tabindex="check.duty ? undefined : -1" :data-check="check.id" @click="check.duty && emit('pick', check.duty)">
        <div class="line"><span class="name">{{ title(check) }}</span></div>
        <CostLine :check="check" />
        <p v-if="was(check)" class="here">measured here</p>
        <p class="mute">{{ check.sentence }}</p>
      </component>
    </template>
    <p v-for="notice in notices" :key="notice.key" class="check notice">{{ notice.sentence }}<template v-if="notice.also.length"> The same on {{ notice.also.join(', ') }}.</template></p>
  </section>
</template>

<style scoped>
.here {
  font: 600 13px var(--labels);
  color: var(--cooling);
}
.head {
  padding: 11px 14px;
}
.costs {
  border-top: 1px solid var(--line);
  background: var(--glass);
}
.check {
  display: block;
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  border-top: 1px solid var(--line);
  padding: 9px 14px;
}
button.check {
  cursor: pointer;
}
button.check:hover {
  background: var(--glass);
}
.on {
  padding: 0 14px 10px;
  font-size: 13.5px;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  margin-bottom: 5px;
}
.name {
  font-weight: 600;
}
.check p {
  font-size: 13.5px;
  margin-top: 4px;
}
.notice {
  font-size: 13.5px;
  border-left: 3px solid var(--brass-line);
}
.well.long {
  height: 12px;
}
</style>
