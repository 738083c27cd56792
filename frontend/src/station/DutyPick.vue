<script setup lang="ts">
import { useBuild } from '../stores/build'

/** Picks the duty a drawing is of. */
const index = defineModel<number>({ required: true })
const build = useBuild()
</script>

<template>
  <select v-model="index" class="cardpick" aria-label="Duty"><option v-for="(duty, i) in build.report?.duties ?? []" :key="duty.id" :value="i">{{ duty.name }}</option></select>
</template>
