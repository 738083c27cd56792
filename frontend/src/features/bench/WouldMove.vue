<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Change } from '../../api/client'
import { foldSizes } from '../../station/changes'
import ChangeCard from '../../station/ChangeCard.vue'
import OutlookState from '../../station/OutlookState.vue'
import { STEPS, useOutlook } from '../../stores/outlook'
import { byMoney } from './logic'
import Segments from '../../ui/Segments.vue'

/** Changes that would move the build, each run on it: single ones, then pairs that do more together. */
const outlook = useOutlook()
const FEW = 5
const all = ref(false)
const ORDERS = [{ value: 'gain', label: 'by gain' }, { value: 'money', label: 'by money' }]
const by = ref('gain')
const money = computed(() => by.value === 'money')
const worth = computed(() => (outlook.singles ?? []).filter((c) => c.matters))
const priced = computed(() => worth.value.some((c) => c.price_total !== null))
const sorted = computed<Change[]>(() => (money.value ? byMoney(worth.value) : worth.value))
const lines = computed(() => foldSizes(sorted.value))
const shown = computed(() => (all.value ? sorted.value.map((change) => ({ change, others: [] })) : lines.value.filter((l) => !l.change.rejected).slice(0, FEW)))
const pairs = computed(() => (outlook.pairs ?? []).filter((c) => c.matters).slice(0, all.value ? 10 : 2))
const working = computed(() => (outlook.progress?.what ?? '') in STEPS)
</script>

<template>
  <section class="card" :class="{ stale: outlook.stale }" data-panel="changes" tabindex="-1" :aria-busy="working">
    <div class="head">
      <h2 class="label">What would move it</h2>
      <Segments v-if="priced" v-model="by" label="In the order of" :options="ORDERS" />
    </div>
    <template v-for="item in shown" :key="item.change.id">
      <ChangeCard :change="item.change" prices />
      <p v-if="item.others.length" class="sizes"><button class="textlink" type="button" @click="all = true">other sizes: {{ item.others.map((c) => c.label).join('; ') }}</button></p>
    </template>
    <p v-if="outlook.singles && !worth.length" class="mute none">Nothing tried here moves the build as a whole.</p>
    <p v-if="outlook.verdict" class="verdict">{{ outlook.verdict }}</p>
    <ChangeCard v-if="outlook.three" :change="outlook.three" />
    <template v-if="pairs.length">
      <h3 class="label pair">Two together</h3>
      <ChangeCard v-for="change in pairs" :key="change.id" :change="change" />
    </template>
    <button v-if="outlook.singles && (worth.length > FEW || lines.length < worth.length)" class="textlink more" type="button" @click="all = !all">{{ all ? 'fewer' : `all ${worth.length}, with those that break something` }}</button>
    <OutlookState :rows="8" />
    <p v-if="outlook.failed" class="mute none">That could not be worked; it is tried again with the next edit.</p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  padding: 11px 14px;
}
.sizes {
  padding: 0 14px 8px;
  font-size: 13px;
}
.pair {
  padding: 9px 14px 7px;
  border-top: 1px solid var(--line);
  background: var(--glass);
}
.verdict {
  padding: 9px 14px;
  border-top: 1px solid var(--line);
  font-weight: 600;
  font-size: 14px;
}
.none {
  padding: 9px 14px;
  border-top: 1px solid var(--line);
  font-size: 14px;
}
.more {
  margin: 8px 14px 10px;
}
.stale {
  opacity: 0.65;
}
</style>
