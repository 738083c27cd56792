<script setup lang="ts">
/** One of several drawings of a station, picked by click, tap or arrow keys. */
const props = defineProps<{ tabs: { id: string; label: string }[]; label: string }>()
const picked = defineModel<string>({ required: true })

function step(by: number) {
  const at = props.tabs.findIndex((t) => t.id === picked.value)
  const next = props.tabs[(at + by + props.tabs.length) % props.tabs.length]
  if (!next) return
  picked.value = next.id
  document.getElementById(`tab-${next.id}`)?.focus()
}
</script>

<template>
  <div class="tabs" role="tablist" :aria-label="label" @keydown.right.prevent="step(1)" @keydown.left.prevent="step(-1)">
    <button
      v-for="tab in tabs" :id="`tab-${tab.id}`" :key="tab.id" type="button" role="tab" class="tab"
      :aria-selected="tab.id === picked" :tabindex="tab.id === picked ? 0 : -1" @click="picked = tab.id"
    >{{ tab.label }}</button>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  overflow-x: auto;
  gap: 0 2px;
  border-bottom: 1px solid var(--line);
}
.tab {
  white-space: nowrap;
  min-height: 34px;
  padding: 4px 11px;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  color: var(--mute);
  font: 600 15px/1.3 var(--labels);
  cursor: pointer;
}
.tab[aria-selected='true'] {
  color: var(--ink);
  border-bottom-color: var(--brass);
}
@media (max-width: 720px) {
  .tab {
    min-height: 44px;
  }
}
</style>
