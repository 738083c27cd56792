<script setup lang="ts">
import Unseen from '../../../ui/Unseen.vue'

/** In the place of what is not worked yet: what begins it. */
defineProps<{ waiting: boolean }>()
</script>

<template>
  <Unseen :waiting="waiting">Five tapes begin it: engine length and height, and the length, width and height of its space.</Unseen>
</template>
