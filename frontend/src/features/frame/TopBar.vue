<script setup lang="ts">
/** The bar over every page; what belongs to a build stands in its slot. */
const props = defineProps<{ build?: boolean }>()
const emit = defineEmits<{ rail: [] }>()
</script>

<template>
  <header class="bar noprint">
    <button v-if="props.build" class="fold" type="button" aria-label="Stations" @click="emit('rail')">☰</button>
    <router-link class="brand" :class="{ whole: !props.build }" to="/" aria-label="Gauge Well, to the shelf">
      <svg viewBox="0 0 14 28" width="14" height="28" aria-hidden="true"><rect x="1" y="1" width="12" height="26" rx="6" fill="none" stroke="currentColor" stroke-width="2" /><rect x="4" y="13" width="6" height="11" rx="3" fill="currentColor" /></svg>
      <span>Gauge Well</span>
    </router-link>
    <slot />
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
  color: var(--bar-brass);
}
.fold {
  display: none;
  background: none;
  border: 0;
  color: var(--bar-ink);
  font-size: 17px;
  cursor: pointer;
}
@media (max-width: 720px) {
  .bar {
    gap: 4px;
    padding: 0 6px;
  }
  .fold {
    display: block;
    min-width: 44px;
    min-height: 44px;
  }
  .brand:not(.whole) span {
    display: none;
  }
}
</style>
