<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SystemBlock } from '../api/client'
import { useBuild } from '../stores/build'

/** The chain of steps behind a duty's numbers, foldable; each step opens to its inputs. */
const props = defineProps<{ block: SystemBlock }>()
const build = useBuild()
const open = ref(true)
const opened = ref<string | null>(null)
const duty = computed(() => Object.keys(props.block.working)[0] ?? '')
const steps = computed(() => props.block.working[duty.value] ?? [])
const duties = computed(() => build.report?.duties ?? [])
const pretty = (formula: string) => formula.replaceAll(' ** ', '^').replaceAll(' * ', ' × ').replaceAll(' / ', ' ÷ ').replaceAll(' - ', ' − ')
const number = (value: number | null) => (value === null ? '—' : Math.abs(value) >= 1e5 || (value !== 0 && Math.abs(value) < 1e-3) ? value.toExponential(3) : value.toPrecision(5).replace(/\.?0+$/, ''))
</script>

<template>
  <section v-if="steps.length || duties.length" class="card working">
    <div class="head">
      <h2 class="label">Working</h2>
      <span class="tabs" role="group" aria-label="Duty explained">
        <button v-for="d in duties" :key="d.id" type="button" class="tab" :aria-pressed="d.id === duty" @click="build.explainDuty(d.id)">{{ d.name }}</button>
      </span>
      <button class="textlink" type="button" data-working :aria-expanded="open" @click="open = !open">{{ open ? 'fold' : `${steps.length} steps` }}</button>
    </div>
    <div v-if="open" class="scroll">
      <table>
        <thead class="hidden">
          <tr><th>Step</th><th>Formula</th><th>Value</th><th>Source</th></tr>
        </thead>
        <tbody v-for="step in steps" :key="step.symbol">
          <tr>
            <td><button class="plain" type="button" :data-step="`step-${step.symbol}`" :aria-expanded="opened === step.symbol" @click="opened = opened === step.symbol ? null : step.symbol">{{ step.name }}</button></td>
            <td class="formula">{{ step.solved ? 'solved: 0 = ' : '' }}{{ pretty(step.formula) }}</td>
            <td class="figure">{{ step.shown }}</td>
            <td class="mute">{{ step.source }}</td>
          </tr>
          <tr v-if="opened === step.symbol" class="inputs">
            <td colspan="4">
              <span v-for="(value, name) in step.inputs" :key="name"><b>{{ name }}</b> = {{ number(value) }}</span>
              <span class="mute">SI units: W, Pa, K, m, s, kg; N in rev/min</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
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
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  flex: 1;
}
.tab {
  border: 1px solid var(--line);
  background: none;
  border-radius: 3px;
  padding: 2px 8px;
  font-size: 13px;
  cursor: pointer;
}
.tab[aria-pressed='true'] {
  background: var(--ink);
  color: var(--paper);
}
.scroll {
  overflow-x: auto;
  padding: 0 14px 12px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
td {
  border-top: 1px solid var(--line);
  padding: 4px 12px 4px 0;
  vertical-align: top;
  font-size: 14px;
}
.formula {
  font-size: 13.5px;
}
.figure {
  white-space: nowrap;
}
.plain {
  background: none;
  border: 0;
  padding: 0;
  text-align: left;
  cursor: pointer;
  font-weight: 500;
}
.inputs td {
  border-top: 0;
  padding-bottom: 8px;
}
.inputs span {
  margin-right: 14px;
  font: 500 14px/1.5 var(--labels);
}
@media (max-width: 720px) {
  .tab {
    min-height: 44px;
  }
}
</style>
