<script setup lang="ts">
import { computed, inject } from 'vue'
import { useBuild } from '../../stores/build'
import { UNIT_CHOICES, useVocabulary } from '../../stores/vocabulary'
import type { Act } from '../../ui/acts'
import LateMenu from '../../ui/LateMenu.vue'
import TakeOut from '../../ui/TakeOut.vue'
import { THEME } from '../../ui/theme'
import BuildMenu from './BuildMenu.vue'
import { useNarrow } from '../../ui/useNarrow'

/** In the bar: the build's name, its worst ambient, units, undo, and what is at hand everywhere. On a phone what is
 * seldom asked for stands in one menu. */
const emit = defineEmits<{ help: []; find: [] }>()
const build = useBuild()
const words = useVocabulary()
const look = inject(THEME)
const subtitle = computed(() => build.build?.facts['engine.name']?.text ?? '')
const hottest = computed(() => {
  const all = build.report?.duties.map((d) => d.ambient_k) ?? []
  return all.length ? words.show(Math.max(...all), 'temperature') : ''
})
const narrow = useNarrow()
const units = UNIT_CHOICES.map((unit, i) => ({ id: String(i), label: unit.name }))
const chosen = computed(() => UNIT_CHOICES[words.chosenUnits]?.[narrow.value ? 'brief' : 'name'] ?? '')
const theme = computed(() => (look?.dark.value ? 'Light theme' : 'Dark theme'))
const saved = computed(() => {
  if (!build.build) return ''
  if (build.offline) return 'Not saved yet'
  if (build.saving) return 'Saving'
  if (build.aside.length) return `${build.aside.length} not taken`
  return `Saved · rev ${build.build.revision}`
})
/** Beside what the page shows to be taken away. */
const more = computed<Act[]>(() => (narrow.value ? [{ id: 'theme', label: theme.value }, { id: 'help', label: 'Keys and signs' }] : []))
const does: Record<string, () => void> = { theme: () => look?.toggle(), help: () => emit('help') }
</script>

<template>
  <template v-if="build.build">
    <BuildMenu />
    <span class="sub">{{ subtitle }}</span>
    <span class="right">
      <span v-if="hottest" class="ambient"><span class="tag">Worst ambient</span> {{ hottest }}</span>
      <span class="units"><LateMenu :label="`Units: ${chosen}`" :acts="units" @act="(i) => build.showIn(Number(i))">{{ chosen }} ▾</LateMenu></span>
      <button class="icon" type="button" :disabled="!build.undoable.length" aria-label="Undo" title="Undo (z)" @click="build.undo">↶</button>
      <button class="icon" type="button" :disabled="!build.redoable.length" aria-label="Redo" title="Redo (Z)" @click="build.redo">↷</button>
      <button class="icon" type="button" aria-label="Find a fact, check or step" title="Find (f)" @click="emit('find')">⌕</button>
      <button v-if="!narrow" class="icon" type="button" :aria-label="theme" @click="look?.toggle()">{{ look?.dark.value ? '☀' : '☾' }}</button>
      <span class="out"><TakeOut :name="build.build.name" :more="more" @more="(id) => does[id]?.()" /></span>
      <button v-if="!narrow" class="icon help" type="button" aria-label="Keys" @click="emit('help')">?</button>
      <span class="tag saved" role="status">{{ saved }}</span>
    </span>
  </template>
</template>

<style scoped>
.sub,
.tag {
  font: 500 13px/1 var(--labels);
  letter-spacing: 0.06em;
  text-transform: uppercase;
  color: var(--bar-mute);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.sub {
  flex: 0 1 auto;
}
.right {
  margin-left: auto;
  display: flex;
  align-items: center;
  gap: 10px;
  flex: none;
}
.units :deep(button) {
  font: 600 15px var(--labels);
  white-space: nowrap;
}
.icon,
.units :deep(button),
.out :deep(button) {
  background: none;
  border: 0;
  color: var(--bar-ink);
  min-width: 28px;
  min-height: 32px;
  cursor: pointer;
}
.icon,
.out :deep(button) {
  font-size: 17px;
}
.out {
  min-width: 28px;
}
.icon:disabled {
  color: var(--bar-dim);
}
@media (max-width: 1100px) {
  .sub,
  .ambient .tag {
    display: none;
  }
}
@media (max-width: 720px) {
  .icon,
  .units :deep(button),
  .out :deep(button) {
    min-width: 40px;
    min-height: 44px;
  }
  .sub,
  .ambient,
  .saved {
    display: none;
  }
  .right {
    gap: 0;
  }
}
</style>
