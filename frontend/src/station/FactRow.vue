<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Field } from '../api/client'
import { useBuild } from '../stores/build'
import QuantityField from './QuantityField.vue'
import Pick from '../ui/Pick.vue'
import { optionsOf } from '../ui/options'

/** One fact: a quantity, a choice or words, edited in place. */
const props = defineProps<{ path: string; field: Field }>()
const build = useBuild()
const fact = computed(() => build.build?.facts[props.path])
const chosen = computed(() => (fact.value && fact.value.evidence !== 'rule' ? fact.value.text : undefined))
const unsaid = computed(() => (fact.value?.evidence === 'rule' ? `${fact.value.shown} (rule)` : chosen.value === undefined ? 'pick' : 'not said'))
const missing = computed(() => (build.report?.unknown ?? []).includes(props.path))
const trouble = ref('')

const choices = computed(() => [{ value: '', label: unsaid.value }, ...optionsOf(props.field.choices)])
async function put(value: string | number | undefined): Promise<void> {
  const problem = await build.edit(props.path, value ? String(value) : null)
  trouble.value = problem?.message ?? ''
}
</script>

<template>
  <div class="fact" :class="{ missing }">
    <span class="name">{{ field.label }}<span v-if="missing" class="hidden"> (missing)</span></span>
    <Pick v-if="field.kind === 'choice'" class="pick" :class="{ unsaid: chosen === undefined, absent: fact === undefined }" quiet :label="field.label" :path="path" :options="choices" :model-value="chosen ?? ''" @update:model-value="put" />
    <input v-else-if="field.kind === 'text'" class="input words" type="text" maxlength="200" :value="fact?.text ?? ''" :data-path="path" :aria-label="field.label" @change="put(($event.target as HTMLInputElement).value)" />
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
  max-width: 200px;
}
.pick.unsaid :deep(.ant-select-selection-item) {
  color: var(--mute);
}
.pick.absent :deep(.ant-select-selection-item) {
  color: var(--brass);
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
