<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import Dialog from '../../ui/Dialog.vue'
import Finder from '../../ui/Finder.vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { index, search, type Hit } from './find'

/** Find a fact, check or step by name and land on it. */
const open = defineModel<boolean>('open', { required: true })
const build = useBuild()
const words = useVocabulary()
const router = useRouter()
const text = ref('')
const all = computed(() => (words.words && build.report ? index(words.words, build.report) : []))
const hits = computed(() => search(all.value, text.value))
const keyOf = (hit: Hit) => `${hit.station}${hit.hash}`
const found = computed(() => hits.value.map((hit) => ({ value: keyOf(hit), label: hit.label, where: hit.where })))

function land(key: string): void {
  const hit = hits.value.find((h) => keyOf(h) === key)
  if (!hit) return
  open.value = false
  void router.push({ name: hit.station, params: { id: build.build?.id }, hash: hit.hash })
}
</script>

<template>
  <Dialog v-model:open="open" title="Find">
    <Finder v-model="text" label="Find" :found="found" placeholder="cap, bore, suction, conductance" @pick="land" />
    <p v-if="text.trim() && !hits.length" class="mute" role="status">Nothing of that name.</p>
  </Dialog>
</template>

<style scoped>
p {
  margin-top: 8px;
}
</style>
