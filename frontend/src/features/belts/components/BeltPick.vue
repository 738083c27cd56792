<script setup lang="ts">
import Segments from '../../../ui/Segments.vue'
import { useBelt } from '../useBelt'

/** Which of several belts. */
defineProps<{ belts: readonly string[] }>()
const belt = useBelt()
</script>

<template>
  <Segments v-if="belts.length > 1" v-model="belt" label="Belt" :options="belts.map((label, value) => ({ value, label }))" />
</template>
