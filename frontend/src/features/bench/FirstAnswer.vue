<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { factAt } from '../../station/places'
import RestsOn from '../../station/RestsOn.vue'
import { useNeedBands } from '../../station/useNeedBands'
import Well from '../../ui/Well.vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { shopping } from './logic'
import PipeTiles from './PipeTiles.vue'

/** With parts not given: the size of each, its band, the next size sold and what it rests on. */
const build = useBuild()
const words = useVocabulary()
const { row, band } = useNeedBands()
type Item = ReturnType<typeof shopping>[number]
const items = computed(() => (build.report ? shopping(build.report.systems, words.words?.asked ?? []) : []))
const plain = computed(() => items.value.filter((i) => !i.need.options.length))
const choices = computed(() => items.value.filter((i) => i.need.options.length))
const share = (item: Item, value: number | null | undefined) => (item.shop.size && typeof value === 'number' ? value / item.shop.size : null)
const low = (item: Item) => share(item, row(item.system, item.need.quantity)?.low ?? item.need.low)
const high = (item: Item) => share(item, row(item.system, item.need.quantity)?.high ?? item.need.high)
const own = (need: Schemas['NeedOut']) => (typeof need.low === 'number' && typeof need.high === 'number' ? `${words.number(need.low, need.unit)} to ${words.show(need.high, need.unit)}` : '')
const to = (shop: Item['shop']) => factAt(words, build.build?.id, shop.fact)
</script>

<template>
  <section class="card pad" data-panel="first">
    <div class="cardhead"><h2 class="label">What to look for</h2><span class="mute legend">level: need · dark tick: next size sold · whisker: 90 of 100 cases</span></div>
    <table class="first">
      <thead><tr><th scope="col">Part</th><th scope="col">At least</th><th scope="col">Next size sold</th><th scope="col">Rests on</th><th scope="col"><span class="hidden">One that is there</span></th></tr></thead>
      <tbody>
        <tr v-for="item in plain" :key="item.system + item.need.quantity">
          <th scope="row">{{ item.shop.name }}<span class="mute">{{ item.shop.detail }}</span></th>
          <td class="least"><span class="figure">{{ item.need.value === null ? '—' : words.show(item.need.value, item.need.unit) }}</span><span class="mute">{{ band(item.system, item.need.quantity) || own(item.need) }}</span></td>
          <td class="sold"><Well v-if="item.shop.size" :fill="share(item, item.need.value)" :system="item.system" size="long" :label="`${item.shop.name}, of the next size sold`" :low="low(item)" :high="high(item)" /><span>{{ item.shop.sold }}</span></td>
          <td><RestsOn v-if="item.need.rests_on" :rests="item.need.rests_on" /><span v-else class="mute">usual figures</span></td>
          <td class="have"><router-link :to="to(item.shop)">I have one: compare</router-link></td>
        </tr>
      </tbody>
    </table>
    <div v-for="item in choices" :key="item.need.quantity" class="choice">
      <div class="cardhead"><span><strong>{{ item.shop.name }}</strong> <span class="mute">a choice of power against weight; the next size over the kept one gains under 1 %</span></span><router-link :to="to(item.shop)">I have one: compare</router-link></div>
      <PipeTiles :options="item.need.options" :detail="item.shop.detail" />
      <RestsOn v-if="item.need.rests_on" :rests="item.need.rests_on" />
    </div>
  </section>
</template>

<style scoped>
.legend {
  font: 500 13px var(--labels);
}
.first {
  width: 100%;
  border-collapse: collapse;
  margin-top: 6px;
}
.first th,
.first td {
  text-align: left;
  vertical-align: top;
  padding: 8px 14px 8px 0;
  border-bottom: 1px solid var(--line);
}
.first .have {
  padding-right: 0;
}
.first tr:last-child th,
.first tr:last-child td {
  border-bottom: 0;
}
.first thead th {
  font: 500 13px var(--labels);
  color: var(--mute);
  padding-bottom: 3px;
}
tbody th {
  font-weight: 600;
  width: 146px;
}
tbody th .mute,
.least .mute {
  display: block;
  font-weight: 400;
  font-size: 13.5px;
}
.least {
  width: 118px;
}
.least .figure {
  font-size: 18px;
}
.sold {
  width: 170px;
}
.sold span:last-child {
  display: block;
  font: 600 14px/1.4 var(--labels);
}
.have {
  white-space: nowrap;
  width: 1px;
  text-align: right;
  font-weight: 500;
}
.choice {
  border-top: 1px solid var(--line);
  padding-top: 10px;
  display: grid;
  gap: 8px;
}
@media (max-width: 720px) {
  .first thead {
    display: none;
  }
  .first tr {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    border-bottom: 1px solid var(--line);
    padding: 8px 0;
    gap: 4px 12px;
  }
  .first th,
  .first td {
    width: auto;
    border: 0;
    padding: 0;
  }
  .have a {
    display: inline-flex;
    min-height: 44px;
    align-items: center;
  }
}
</style>
