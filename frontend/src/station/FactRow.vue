<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Field } from '../api/client'
import { useBuild } from '../stores/build'
import QuantityField from './QuantityField.vue'

/** One fact: a quantity, a choice or words, edited in place. */
const props = defineProps<{ path: string; field: Field }>()
const build = useBuild()
const fact = computed(() => build.build?.facts[props.path])
const chosen = computed(() => (fact.value && fact.value.evidence !== 'rule' ? fact.value.text : undefined))
const unsaid = computed(() => (fact.value?.evidence === 'rule' ? `${fact.value.shown} (rule)` : chosen.value === undefined ? 'pick' : 'not said'))
const missing = computed(() => (build.report?.unknown ?? []).includes(props.path))
const trouble = ref('')

async function pick(event: Event): Promise<void> {
  const value = (event.target as HTMLInputElement | HTMLSelectElement).value
  const problem = await build.edit(props.path, value || null)
  trouble.value = problem?.message ?? ''
}
</script>

<template>
  <div class="fact" :class="{ missing }">
    <span class="name">{{ field.label }}<span v-if="missing" class="hidden"> (missing)</span></span>
    <select v-if="field.kind === 'choice'" class="pick figure" :class="{ unsaid: chosen === undefined, absent: fact === undefined }" :value="chosen ?? ''" :data-path="path" :aria-label="field.label" @change="pick">
      <option value="">{{ unsaid }}</option>
      <option v-for="(label, value) in field.choices" :key="value" :value="value">{{ label }}</option>
    </select>
    <input v-else-if="field.kind === 'text'" class="input words" type="text" maxlength="200" :value="fact?.text ?? ''" :data-path="path" :aria-label="field.label" @change="pick" />
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
  field-sizing: content;
  border: 0;
  border-bottom: 1px dotted transparent;
  background: var(--card);
  text-align: right;
  text-align-last: right;
  padding: 1px 0;
  cursor: pointer;
}
.pick:hover {
  border-bottom-color: var(--mute);
}
.unsaid {
  color: var(--mute);
}
.absent {
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
@media (max-width: 720px) {
  .pick {
    min-height: 44px;
  }
}
.trouble {
  flex: 1 1 100%;
  font-size: 13px;
  text-align: right;
}
</style>
