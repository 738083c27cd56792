<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { useVocabulary } from '../../stores/vocabulary'

/** Sizes of pipe as tiles: bore to scale, what each costs and weighs, the kept one framed. */
const props = defineProps<{ options: Schemas['OptionOut'][]; detail: string }>()
const words = useVocabulary()
const SCALE = 300 // px to a metre
const pipes = computed(() => (props.detail.startsWith('two') ? 2 : 1))
const size = (option: Schemas['OptionOut']) => Math.max((option.values[0]?.value ?? 0) * SCALE, 6)
</script>

<template>
  <ul class="tiles">
    <li v-for="(option, i) in options" :key="i" :class="{ kept: option.marked }" :aria-current="option.marked || undefined">
      <span class="bores" aria-hidden="true"><i v-for="n in pipes" :key="n" :style="{ width: `${size(option)}px`, height: `${size(option)}px` }" /></span>
      <span class="said"><strong v-if="option.values[0]">{{ pipes > 1 ? 'two of ' : '' }}{{ words.show(option.values[0].value, option.values[0].unit) }}</strong><span v-for="value in option.values.slice(1)" :key="value.label">{{ value.label === 'back pressure' ? '' : `${value.label} ` }}{{ words.show(value.value, value.unit) }}</span></span>
    </li>
  </ul>
</template>

<style scoped>
.tiles {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(132px, 1fr));
  gap: 8px;
}
li {
  display: flex;
  align-items: center;
  gap: 10px;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 8px 10px;
}
.kept {
  border: 2px solid var(--ink);
  padding: 7px 9px;
}
.bores {
  display: flex;
  flex: none;
  gap: 2px;
}
i {
  display: block;
  border: 2.5px solid var(--exhaust);
  border-radius: 50%;
}
.said {
  display: grid;
  font: 500 14px/1.35 var(--labels);
}
strong {
  font-weight: 650;
}
</style>
