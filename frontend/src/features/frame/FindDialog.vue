<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { index, search, type Hit } from './find'
import Dialog from '../../ui/Dialog.vue'

/** Find a fact, check or step by name and land on it. */
const open = defineModel<boolean>('open', { required: true })
const build = useBuild()
const words = useVocabulary()
const router = useRouter()
const text = ref('')
const at = ref(0)
const input = ref<HTMLInputElement | null>(null)
const hits = computed(() => (open.value && words.words && build.report ? search(index(words.words, build.report), text.value) : []))
watch(text, () => (at.value = 0))
onMounted(async () => {
  await nextTick()
  setTimeout(() => input.value?.focus(), 60) // the dialog takes the focus for itself first
})
function land(hit: Hit | undefined): void {
  if (!hit) return
  open.value = false
  void router.push({ name: hit.station, params: { id: build.build?.id }, hash: hit.hash })
}
</script>

<template>
  <Dialog v-model:open="open" title="Find">
    <input ref="input" v-model="text" class="input" type="text" role="combobox" aria-label="Find" aria-controls="find-hits" :aria-expanded="hits.length > 0" aria-autocomplete="list"
      :aria-activedescendant="hits.length ? `find-hit-${at}` : undefined" autocomplete="off" placeholder="cap, bore, suction, conductance"
      @keydown.down.prevent="at = Math.min(at + 1, hits.length - 1)" @keydown.up.prevent="at = Math.max(at - 1, 0)" @keydown.enter.prevent="land(hits[at])" />
    <ul id="find-hits" role="listbox" aria-label="Found">
      <li v-for="(hit, i) in hits" :id="`find-hit-${i}`" :key="hit.station + hit.hash" role="option" :aria-selected="i === at" @click="land(hit)">
        <span>{{ hit.label }}</span><span class="mute">{{ hit.where }}</span>
      </li>
    </ul>
    <p v-if="text.trim() && !hits.length" class="mute" role="status">Nothing of that name.</p>
  </Dialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 6px 8px;
  border-top: 1px solid var(--line);
  cursor: pointer;
}
li:hover,
li[aria-selected='true'] {
  background: var(--glass);
}
p {
  margin-top: 8px;
}
</style>
