<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Step, SystemBlock } from '../api/client'
import { useBuild } from '../stores/build'
import DataTable from '../ui/DataTable.vue'
import Pick from '../ui/Pick.vue'
import type { Column } from '../ui/grid'

/** The chain of steps behind a duty's numbers, foldable; each step opens to its inputs. */
const props = defineProps<{ block: SystemBlock }>()
const build = useBuild()
const open = ref(true)
const opened = ref<string[]>([])
const turn = (symbol: string) => (opened.value = opened.value.includes(symbol) ? [] : [symbol])
const duty = computed(() => Object.keys(props.block.working)[0] ?? '')
const steps = computed(() => props.block.working[duty.value] ?? [])
const duties = computed(() => build.report?.duties ?? [])
const pretty = (formula: string) => formula.replaceAll(' ** ', '^').replaceAll(' * ', ' × ').replaceAll(' / ', ' ÷ ').replaceAll(' - ', ' − ')
const COLUMNS: Column<Step>[] = [
  { key: 'name', title: 'Step', head: true },
  { key: 'formula', title: 'Formula', show: (s) => `${s.solved ? 'solved: 0 = ' : ''}${pretty(s.formula)}` },
  { key: 'shown', title: 'Value', show: (s) => s.shown },
  { key: 'source', title: 'Source', show: (s) => s.source, mute: true },
]
const number = (value: number | null) => (value === null ? '—' : Math.abs(value) >= 1e5 || (value !== 0 && Math.abs(value) < 1e-3) ? value.toExponential(3) : value.toPrecision(5).replace(/\.?0+$/, ''))
</script>

<template>
  <section v-if="steps.length || duties.length" class="card working">
    <div class="head">
      <h2 class="label">Working</h2>
      <Pick v-if="duties.length > 1" label="Duty explained" :options="duties.map((d) => ({ value: d.id, label: d.name }))" :model-value="duty" @update:model-value="(id) => build.explainDuty(String(id))" />
      <button class="textlink" type="button" data-working :aria-expanded="open" @click="open = !open">{{ open ? 'fold' : `${steps.length} steps` }}</button>
    </div>
    <DataTable v-if="open" :id="(s) => s.symbol" class="steps" label="Steps of the working" :columns="COLUMNS" :rows="steps" :opened="opened">
      <template #cell="{ column, row }">
        <button v-if="column.head" class="plain" type="button" :data-step="`step-${row.symbol}`" :aria-expanded="opened.includes(row.symbol)" @click="turn(row.symbol)">{{ row.name }}</button>
        <template v-else>{{ column.show?.(row) }}</template>
      </template>
      <template #more="{ row }">
        <p class="inputs">
          <span v-for="(value, name) in row.inputs" :key="name"><b>{{ name }}</b> = {{ number(value) }}</span>
          <span class="mute">SI units: W, Pa, K, m, s, kg; N in rev/min</span>
        </p>
      </template>
    </DataTable>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  padding: 10px 14px;
}
.head > :last-child {
  margin-left: auto;
}
.steps {
  padding: 0 14px 12px;
}
.steps :deep(td) {
  font-weight: 400;
  font-family: var(--words);
  font-size: 14px;
}
.plain {
  background: none;
  border: 0;
  padding: 0;
  text-align: left;
  cursor: pointer;
  font-weight: 500;
}
.inputs span {
  margin-right: 14px;
  font: 500 14px/1.5 var(--labels);
}
</style>
