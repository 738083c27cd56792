<script setup lang="ts">
import Select from 'ant-design-vue/es/select'
import { computed, ref } from 'vue'
import type { Field } from '../api/client'
import { useBuild } from '../stores/build'
import QuantityField from './QuantityField.vue'

/** One fact: a quantity, a choice or words, edited in place. */
const props = defineProps<{ path: string; field: Field }>()
const build = useBuild()
const fact = computed(() => build.build?.facts[props.path])
const chosen = computed(() => (fact.value && fact.value.evidence !== 'rule' ? fact.value.text : undefined))
const options = computed(() => Object.entries(props.field.choices ?? {}).map(([value, label]) => ({ value, label })))
const missing = computed(() => (build.report?.unknown ?? []).includes(props.path))
const trouble = ref('')

async function pick(value: unknown): Promise<void> {
  const problem = await build.edit(props.path, typeof value === 'string' ? value : null)
  trouble.value = problem?.message ?? ''
}
</script>

<template>
  <div class="fact" :class="{ missing }">
    <span class="name">{{ field.label }}<span v-if="missing" class="hidden"> (missing)</span></span>
    <Select v-if="field.kind === 'choice'" class="pick" size="small" :value="chosen" :options="options" :bordered="false"
      allow-clear :placeholder="fact?.shown ?? 'pick'" :aria-label="field.label" :dropdown-match-select-width="false" placement="bottomRight" @change="pick" />
    <input v-else-if="field.kind === 'text'" class="input words" type="text" maxlength="200" :value="fact?.text ?? ''" :aria-label="field.label" @change="pick(($event.target as HTMLInputElement).value)" />
    <QuantityField v-else :path="path" :field="field" :fact="fact" />
    <span v-if="trouble" class="over trouble" role="alert">{{ trouble }}</span>
  </div>
</template>

<style scoped>
.fact {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 2px 8px;
  padding: 3px 0;
  min-height: 29px;
}
.name {
  color: var(--ink);
}
.missing .name {
  color: var(--over);
  font-weight: 600;
}
.missing .name::after {
  content: ' ?';
}
.pick {
  margin-left: auto;
  max-width: 190px;
  text-align: right;
}
.pick :deep(.ant-select-selector) {
  padding: 0 18px 0 0 !important;
  font: 600 16px/1.25 var(--labels);
}
.pick :deep(.ant-select-selection-placeholder) {
  color: var(--mute);
  position: static;
  padding-inline-end: 0;
}
.words {
  max-width: 65%;
  text-align: right;
  border-color: transparent;
  padding: 1px 4px;
}
.words:hover,
.words:focus {
  border-color: var(--line);
}
.trouble {
  flex: 1 1 100%;
  font-size: 13px;
  text-align: right;
}
</style>
