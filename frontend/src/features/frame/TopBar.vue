<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, defineAsyncComponent, inject } from 'vue'
import { THEME } from '../../ui/theme'
import { useBuild } from '../../stores/build'
import { UNIT_CHOICES, useVocabulary } from '../../stores/vocabulary'
import BuildMenu from './BuildMenu.vue'

// Neither is there on the shelf, which is read first.
const Pick = defineAsyncComponent(() => import('../../ui/Pick.vue'))
const TakeOut = defineAsyncComponent(() => import('../../ui/TakeOut.vue'))

const emit = defineEmits<{ rail: []; help: []; find: [] }>()
const build = useBuild()
const words = useVocabulary()
const look = inject(THEME)
const subtitle = computed(() => build.build?.facts['engine.name']?.text ?? '')
const hottest = computed(() => {
  const all = build.report?.duties.map((d) => d.ambient_k) ?? []
  return all.length ? words.show(Math.max(...all), 'temperature') : ''
})
const narrow = useMediaQuery('(max-width: 720px)')
const units = computed(() => UNIT_CHOICES.map((unit, i) => ({ value: i, label: narrow.value ? unit.brief : unit.name })))
const saved = computed(() => {
  if (!build.build) return ''
  if (build.offline) return 'Not saved yet'
  if (build.saving) return 'Saving'
  if (build.aside.length) return `${build.aside.length} not taken`
  return `Saved · rev ${build.build.revision}`
})
</script>

<template>
  <header class="bar noprint">
    <button v-if="build.build" class="fold" type="button" aria-label="Stations" @click="emit('rail')">☰</button>
    <router-link class="brand" :class="{ whole: !build.build }" to="/" aria-label="Gauge Well, to the shelf">
      <svg viewBox="0 0 14 28" width="14" height="28" aria-hidden="true"><rect x="1" y="1" width="12" height="26" rx="6" fill="none" stroke="currentColor" stroke-width="2" /><rect x="4" y="13" width="6" height="11" rx="3" fill="currentColor" /></svg>
      <span>Gauge Well</span>
    </router-link>
    <template v-if="build.build">
      <BuildMenu />
      <span class="sub">{{ subtitle }}</span>
      <span class="right">
        <span v-if="hottest" class="ambient"><span class="tag">Worst ambient</span> {{ hottest }}</span>
        <Pick class="units" label="Units" :options="units" :model-value="words.chosenUnits" @update:model-value="(i) => build.showIn(Number(i))" />
        <button class="icon" type="button" :disabled="!build.undoable.length" aria-label="Undo" title="Undo (z)" @click="build.undo">↶</button>
        <button class="icon" type="button" :disabled="!build.redoable.length" aria-label="Redo" title="Redo (Z)" @click="build.redo">↷</button>
        <button class="icon" type="button" :aria-label="look?.dark.value ? 'Light theme' : 'Dark theme'" @click="look?.toggle()">{{ look?.dark.value ? '☀' : '☾' }}</button>
        <TakeOut class="icon" :name="build.build.name" />
        <button class="icon" type="button" aria-label="Find a fact, check or step" title="Find (f)" @click="emit('find')">⌕</button>
        <button class="icon help" type="button" aria-label="Keys" @click="emit('help')">?</button>
        <span class="tag saved" role="status">{{ saved }}</span>
      </span>
    </template>
  </header>
</template>

<style scoped>
.bar {
  grid-area: bar;
  background: var(--bar);
  color: var(--bar-ink);
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 0 16px;
  min-width: 0;
}
.brand {
  display: flex;
  align-items: center;
  gap: 12px;
  color: var(--bar-ink);
  text-decoration: none;
  font: 600 18px/1 var(--labels);
  letter-spacing: 0.14em;
  text-transform: uppercase;
  white-space: nowrap;
}
.brand svg {
  color: #d9a860;
}
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
.units :deep(.ant-select-selector) {
  background: var(--bar);
  color: var(--bar-ink);
  border-color: #4a5a58 !important;
  font: 500 14px var(--labels);
}
.units :deep(.ant-select-selection-item),
.units :deep(.ant-select-arrow) {
  color: inherit;
}
.units :deep(.ant-select-arrow) {
  color: var(--bar-mute);
}
.icon,
.fold {
  background: none;
  border: 0;
  color: var(--bar-ink);
  font-size: 17px;
  min-width: 28px;
  min-height: 32px;
  cursor: pointer;
}
.icon:disabled {
  color: #6d7c79;
}
.fold {
  display: none;
}
@media (max-width: 1100px) {
  .sub,
  .ambient .tag {
    display: none;
  }
}
@media (max-width: 720px) {
  .bar {
    gap: 4px;
    padding: 0 6px;
  }
  .fold {
    display: block;
  }
  .fold,
  .icon {
    min-width: 40px;
    min-height: 44px;
  }
  .brand:not(.whole) span,
  .ambient,
  .saved {
    display: none;
  }
  .right {
    gap: 0;
  }
  .units {
    max-width: 84px;
  }
  .fold,
  .icon {
    min-width: 34px;
  }
}
</style>
