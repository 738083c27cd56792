<script setup lang="ts">
import { shallowRef } from 'vue'
import BestCard from './BestCard.vue'
import WindowMap from './WindowMap.vue'

/** The map of where it goes in, with the best place that was sought. */
const best = shallowRef<number[] | null>(null)
</script>

<template>
  <WindowMap :best="best" />
  <BestCard @found="(moved) => (best = moved)" />
</template>
