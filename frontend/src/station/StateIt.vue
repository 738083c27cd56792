<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { factAt } from './places'
import { useBuild } from '../stores/build'
import { useVocabulary } from '../stores/vocabulary'

/** A fact nobody stated, and the one action that states it. */
const props = defineProps<{ fact: Schemas['UnstatedOut'] }>()
const build = useBuild()
const words = useVocabulary()
const to = computed(() => factAt(words, build.build?.id, props.fact.path))
</script>

<template>
  <RouterLink :to="to" class="textlink" :aria-label="`state it: ${fact.label}`">state it</RouterLink>
</template>
