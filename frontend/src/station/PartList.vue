<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import type { Edit } from '../api/client'
import { line, useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import { useSorting } from '../ui/useSorting'
import PartCard from './PartCard.vue'
import { inPlace } from './parts'

/** A place that several parts fill in order: each opened to be stated, dragged or stepped along, taken out; one more added at the end. */
const props = defineProps<{ place: string; title: string; empty: string }>()
const build = useBuild()
const words = useVocabulary()
const trouble = ref('')
const role = computed(() => words.words?.places[props.place])
const parts = computed(() => inPlace(build.document, props.place))
/** What was added last stands open, to be stated. */
const opened = ref<string | null>(null)

async function send(path: string, action: Edit['action'], more: Partial<Edit> = {}): Promise<void> {
  const problem = await build.enqueue([line(path, null, { action, ...more })])
  trouble.value = problem?.message ?? ''
}
async function add(): Promise<void> {
  await send(props.place, 'add')
  opened.value = parts.value.at(-1)?.id ?? null
}
const move = (from: number, to: number) => {
  const part = parts.value[from]
  if (part && to >= 0 && to < parts.value.length) void send(`parts.${part.id}`, 'move', { index: to })
}
const list = useTemplateRef<HTMLElement>('list')
useSorting(list, '.handle', move)
/** Stepped by keys, the handle keeps the focus. */
function step(at: number, by: number, event: KeyboardEvent): void {
  event.preventDefault()
  move(at, at + by)
}
</script>

<template>
  <section class="card pad">
    <div class="cardhead">
      <h2 class="label">{{ title }}</h2>
      <button class="button" type="button" @click="add">Add a {{ role?.label.toLowerCase() }}</button>
    </div>
    <p v-if="!parts.length" class="mute">{{ empty }}</p>
    <div v-show="parts.length" ref="list">
      <PartCard v-for="(part, i) in parts" :key="part.id" :part="part" :number="i + 1" :open="opened === part.id" @update:open="(now) => (opened = now ? part.id : null)">
        <template #handle>
          <button v-if="parts.length > 1" class="handle" type="button" :aria-label="`Move ${i + 1}: arrow keys, or drag`" title="Drag, or arrow keys" @keydown.up="step(i, -1, $event)" @keydown.down="step(i, 1, $event)">≡</button>
        </template>
      </PartCard>
    </div>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.handle {
  background: none;
  border: 0;
  padding: 0 6px;
  cursor: grab;
  touch-action: none;
  font-size: 18px;
  line-height: 1;
  color: var(--mute);
}
@media (max-width: 720px) {
  .handle {
    min-width: 44px;
    min-height: 44px;
  }
}
</style>
