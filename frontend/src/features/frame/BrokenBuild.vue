<script setup lang="ts">
import { computed } from 'vue'
import type { Build } from '../../api/client'
import { saveJson } from '../../ui/save'
import BuildHistory from './BuildHistory.vue'
import Fold from '../../ui/Fold.vue'

/** A build that does not stand today: what is wrong with it, its document as it was kept, and its history. */
const props = defineProps<{ build: Build }>()
const raw = computed(() => JSON.stringify(props.build.document, null, 2))
</script>

<template>
  <section class="broken">
    <h1>This build cannot be worked as it stands</h1>
    <p class="mute">Nothing of it is lost: it can be saved as a file, and an earlier state of it brought back.</p>
    <ul>
      <li v-for="problem in build.problems" :key="problem.field + problem.message">
        <b v-if="problem.label">{{ problem.label }}:</b> {{ problem.message }}
        <span v-if="problem.allowed" class="mute">Known here: {{ problem.allowed }}.</span>
      </li>
    </ul>
    <p><button class="button main" type="button" @click="saveJson(build.document, build.name)">Save as a file</button></p>
    <h2>History</h2>
    <BuildHistory />
    <Fold title="The document as it was kept"><pre tabindex="0">{{ raw }}</pre></Fold>
  </section>
</template>

<style scoped>
.broken {
  display: grid;
  gap: 14px;
  max-width: 900px;
}
h1 {
  font: 600 22px/1.25 var(--words);
}
h2 {
  font: 600 17px/1.25 var(--words);
}
pre {
  overflow: auto;
  max-height: 60vh;
  font-size: 13px;
}
</style>
