<script setup lang="ts">
import { computed } from 'vue'
import { useBuild } from '../../../stores/build'
import Unseen from '../../../ui/Unseen.vue'

/** In the place of what cannot be drawn: why, where mounts hold nothing; else what is asked for. */
defineProps<{ waiting: boolean }>()
const build = useBuild()
/** Why stands over the page already. */
const loose = computed(() => build.report?.systems.mounts?.notices.some((n) => n.code === 'few_mounts') || build.report?.systems.mounts?.checks.some((c) => c.id === 'in_line'))
</script>

<template>
  <Unseen :waiting="waiting && !loose">{{ loose ? 'Nothing can be drawn until that is mended.' : 'Three mounts by their places begin it.' }}</Unseen>
</template>
