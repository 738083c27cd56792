<script setup lang="ts">
import JamCard from './JamCard.vue'
import TimePanel from './TimePanel.vue'

/** A duty through time, and the fan in a jam. */
</script>

<template>
  <TimePanel />
  <JamCard />
</template>
