<script setup lang="ts">
import { computed } from 'vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import Note from '../../ui/Note.vue'

/** What became of what was typed, where it is not simply kept: waiting, not taken, or beside somebody else's change. */
const build = useBuild()
const words = useVocabulary()
const others = computed(() => {
  const facts = build.build?.facts ?? {}
  return build.elsewhere.map((path) => `${words.label(path)}: ${facts[path]?.shown ?? 'taken out'}`).join(' · ')
})
</script>

<template>
  <Note v-if="build.offline" bad>{{ build.offline }} What you typed is kept in this browser and sent when it answers.</Note>
  <Note v-if="build.failed" bad closable @close="build.failed = ''">{{ build.failed }}</Note>
  <Note v-if="build.elsewhere.length" closable @close="build.elsewhere = []">Also changed in another window: {{ others }}</Note>
  <Note v-if="build.aside.length" bad>
    <p>Not taken, and kept in this browser:</p>
    <ul>
      <li v-for="item in build.aside" :key="item.id">
        <span v-for="edit in item.edits" :key="edit.path" class="edit"><b>{{ words.label(edit.path) }}</b> “{{ edit.text ?? 'taken out' }}”</span>
        <span>{{ item.why }}</span>
        <button class="textlink" type="button" @click="build.settleAside(item.id, true)">Try again</button>
        <button class="textlink" type="button" @click="build.settleAside(item.id, false)">Drop it</button>
      </li>
    </ul>
  </Note>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  padding: 3px 0;
}
@media (max-width: 720px) {
  .textlink {
    min-height: 44px;
  }
}
</style>
