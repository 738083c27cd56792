<script setup lang="ts">
import Modal from 'ant-design-vue/es/modal'
import { computed } from 'vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'

/** Somebody else changed the build first: both versions, and a plain choice. */
const build = useBuild()
const words = useVocabulary()
const lines = computed(() => {
  const found = build.conflict
  if (!found) return []
  return found.edits.map((edit) => ({
    path: edit.path,
    label: words.label(edit.path),
    mine: edit.text ?? 'taken out',
    theirs: found.current.facts[edit.path]?.shown ?? 'not given',
  }))
})
</script>

<template>
  <Modal :open="build.conflict !== null" title="This build was changed elsewhere" :closable="false" :mask-closable="false">
    <p>The same was changed in another window since this page read it (now revision {{ build.conflict?.current.revision }}).</p>
    <table v-if="lines.length">
      <thead><tr><th>Fact</th><th>Yours</th><th>There now</th></tr></thead>
      <tbody>
        <tr v-for="line in lines" :key="line.path"><td>{{ line.label }}</td><td>{{ line.mine }}</td><td>{{ line.theirs }}</td></tr>
      </tbody>
    </table>
    <template #footer>
      <button class="button" type="button" @click="build.settleConflict(false)">Take what is there</button>
      <button v-if="lines.length" class="button main" type="button" @click="build.settleConflict(true)">Put mine on top</button>
    </template>
  </Modal>
</template>

<style scoped>
table {
  margin-top: 10px;
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  border-top: 1px solid var(--line);
  padding: 5px 8px 5px 0;
}
.button {
  margin-left: 8px;
}
</style>
