<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'
import { factAt } from './places'

/** A value nobody stated that something rests on, and the one action that states it. */
const props = defineProps<{ rests: Schemas['RestsOut'] }>()
const build = useBuild()
const words = useVocabulary()
const to = computed(() => factAt(words, build.build?.id, props.rests.path))
</script>

<template>
  <span class="rests">{{ rests.sentence }} <router-link :to="to" :aria-label="`set it: ${rests.sentence}`" @click.stop>set it</router-link></span>
</template>

<style scoped>
.rests {
  display: inline-block;
  border-left: 2px dashed var(--mute);
  padding-left: 8px;
  font: 500 14px/1.35 var(--labels);
  text-align: left;
}
a {
  white-space: nowrap;
  font-weight: 600;
}
</style>
