<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Schemas } from '../../../api/client'
import { troubleOf, useReading, type Trouble } from '../../../station/useReading'
import { line, useBuild } from '../../../stores/build'

/** One thing to measure: what it is taken for now, how it is done, and where the reading goes. */
const props = defineProps<{ item: Schemas['RoundItem']; letter?: string; chance?: string; done?: string }>()
const emit = defineEmits<{ kept: [path: string, shown: string] }>()
const build = useBuild()
const text = ref('')
const summed = computed(() => ['length', 'height', 'size', 'distance'].includes(props.item.kind))
const reading = useReading(text, () => props.item.kind)
/** What was wrong with what was to be kept, until it is typed on. */
const refused = ref<Trouble | null>(null)
const trouble = computed(() => refused.value ?? reading.value.trouble)
watch(text, () => (refused.value = null), { flush: 'sync' })

async function keep(): Promise<void> {
  const value = text.value.trim()
  if (!value) return
  const problem = await build.enqueue([line(props.item.path, value, { action: 'measure', date: new Date().toISOString().slice(0, 10) })])
  if (problem) {
    refused.value = troubleOf(problem)
    return
  }
  emit('kept', props.item.path, build.build?.facts[props.item.path]?.shown ?? value)
  text.value = ''
}
</script>

<template>
  <li class="item" :class="{ done }" :data-path="item.path">
    <div class="top">
      <span class="name"><span v-if="letter" class="letter figure">{{ letter }}</span>{{ item.label }}</span>
      <span class="mute now">{{ item.shown || 'not given' }}{{ item.half ? ` ${item.half}` : '' }} · {{ item.evidence }}<template v-if="chance"> · <strong>{{ chance }}</strong></template></span>
    </div>
    <p class="mute how">{{ item.how }}</p>
    <div class="enter noprint">
      <input v-model="text" class="input" type="text" inputmode="text" maxlength="60" autocomplete="off" spellcheck="false" :placeholder="summed ? 'reading, or a sum: 310 + 96 mm' : 'reading'" :aria-label="`${item.label}, as measured`" @keydown.enter="keep" @blur="keep" />
      <span v-if="done" class="kept figure">{{ done }} kept</span>
    </div>
    <p v-if="trouble" class="over" role="alert">{{ trouble.message }} <template v-if="trouble.allowed">Understood: {{ trouble.allowed }}.</template></p>
    <p v-else-if="reading.understood" class="mute">{{ reading.understood }}</p>
    <span class="blank" aria-hidden="true" />
  </li>
</template>

<style scoped>
.item {
  border-top: 1px solid var(--line);
  padding: 9px 14px;
  list-style: none;
}
.top {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 2px 10px;
}
.name {
  font-weight: 600;
}
.letter {
  display: inline-block;
  min-width: 20px;
  color: var(--brass);
}
.now,
.how {
  font-size: 13.5px;
}
.enter {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-top: 6px;
}
.enter .input {
  max-width: 320px;
}
.kept {
  color: var(--holds);
  white-space: nowrap;
}
.blank {
  display: none;
}
@media print {
  .blank {
    display: block;
    width: 220px;
    height: 22px;
    border-bottom: 1px solid var(--ink);
  }
  .item {
    break-inside: avoid;
    padding: 5px 0;
  }
}
</style>
