<script setup lang="ts">
import { computed } from 'vue'
import { api } from '../../api/client'
import { percent } from '../../ui/format'
import OptionTable from '../../station/OptionTable.vue'
import { saveText } from '../../ui/save'
import { useNeedBands } from '../../station/useNeedBands'
import RestsOn from '../../station/RestsOn.vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'

/** What the wanted power asks of every part: to take to a catalogue or a scrapyard. */
const build = useBuild()
const words = useVocabulary()
const systems = computed(() => Object.entries(build.report?.systems ?? {}).filter(([, block]) => block.need.length))
const print = () => window.print()
const { band } = useNeedBands()
async function csv(): Promise<void> {
  const content = await build.whole('Not saved', () => api.needCsv(build.document))
  if (content !== undefined) saveText(content, 'text/csv', build.build?.name ?? '', '-need.csv')
}
/** The fullest row of the part, whatever drives it. */
const fitted = (system: string, part: string) => {
  const fills = (build.report?.rows ?? []).filter((r) => r.system === system && r.part === part && r.fill !== null).map((r) => r.fill ?? 0)
  if (!fills.length) return '—'
  const worst = Math.max(...fills)
  return `${worst > 1 ? 'short' : 'serves'}, ${percent(worst)}`
}
</script>

<template>
  <article v-if="build.report" class="sheet">
    <header>
      <div>
        <h1>Need sheet: {{ build.build?.name }}</h1>
        <p class="mute">For {{ words.show(build.report.wanted_w, 'power') }} and the duties {{ build.report.duties.map((d) => d.name.toLowerCase()).join(', ') }}. Revision {{ build.build?.revision }}.</p>
      </div>
      <span class="acts noprint"><button class="button" type="button" @click="csv">Save as CSV</button> <button class="button" type="button" @click="print">Print</button></span>
    </header>
    <section v-for="[id, block] in systems" :key="id" class="card">
      <h2 class="label head">{{ block.title }}</h2>
      <table>
        <thead><tr><th>Look for</th><th class="num">About</th><th class="num">90 of 100 cases</th><th class="num">What is fitted</th></tr></thead>
        <tbody>
          <tr v-for="need in block.need" :key="need.quantity">
            <td>{{ need.sentence }}<template v-if="need.shop?.sold"> Next sold: {{ need.shop.sold }}.</template><OptionTable :options="need.options" /><RestsOn v-if="need.rests_on" class="on" :rests="need.rests_on" /></td>
            <td class="num figure">{{ need.value === null ? '—' : words.show(need.value, need.unit) }}</td>
            <td class="num mute" data-band>{{ band(id, need.quantity) }}</td>
            <td class="num" :class="fitted(id, need.part).startsWith('short') ? 'over' : 'mute'">{{ fitted(id, need.part) }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <p class="mute">Figures follow from the facts given: {{ build.report.guesses }} of {{ build.report.stated }} are guesses. Not judged: {{ build.report.not_judged.map((n) => n.system).join(', ') }}. Local codes and licensed practice decide where they apply.</p>
  </article>
</template>

<style scoped>
.sheet {
  display: grid;
  gap: 12px;
  max-width: 860px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: start;
  gap: 12px;
}
h1 {
  font: 600 23px/1.25 var(--words);
}
.head {
  padding: 11px 14px 4px;
}
.on {
  display: block;
  margin-top: 4px;
}
.acts {
  white-space: nowrap;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 7px 14px;
  border-top: 1px solid var(--line);
  vertical-align: top;
}
th {
  font: 600 13px var(--labels);
  color: var(--mute);
}
.num {
  text-align: right;
  white-space: nowrap;
}
@media (max-width: 720px) {
  td,
  th {
    padding: 7px 8px;
  }
  .num {
    white-space: normal;
  }
}
</style>
