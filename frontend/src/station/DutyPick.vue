<script setup lang="ts">
import { computed } from 'vue'
import { useBuild } from '../stores/build'
import Pick from '../ui/Pick.vue'

/** Picks the duty a drawing is of. */
const index = defineModel<number>({ required: true })
const build = useBuild()
const options = computed(() => (build.report?.duties ?? []).map((duty, i) => ({ value: i, label: duty.name })))
</script>

<template>
  <Pick v-model="index" label="Duty" :options="options" />
</template>
