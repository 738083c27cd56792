<script setup lang="ts">
import { computed } from 'vue'
import { STEPS, useOutlook } from '../stores/outlook'
import { ProgressLine } from '../ui/lazy'
import Waiting from '../ui/Waiting.vue'

/** How far the changes are that are run on the build: on their way, at work and stoppable, or stopped. */
defineProps<{ rows?: number }>()
const outlook = useOutlook()
const at = computed(() => (outlook.progress && outlook.progress.what in STEPS ? outlook.progress : null))
</script>

<template>
  <ProgressLine v-if="at" :done="at.done" :of="at.of" :label="STEPS[at.what] ?? ''" stoppable @stop="outlook.stop" />
  <Waiting v-else-if="!outlook.singles && !outlook.failed && !outlook.stopped" class="none" label="Each change is run on this build" :rows="rows" />
  <p v-if="outlook.stopped" class="mute none">Stopped. <button class="textlink" type="button" @click="outlook.again">Go on</button></p>
</template>

<style scoped>
.none {
  padding: 9px 14px;
  border-top: 1px solid var(--line);
  font-size: 14px;
}
</style>
