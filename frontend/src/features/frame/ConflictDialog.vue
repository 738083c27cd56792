<script setup lang="ts">
import { computed } from 'vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import DataTable from '../../ui/DataTable.vue'
import Dialog from '../../ui/Dialog.vue'
import type { Column } from '../../ui/grid'

/** Somebody else changed the build first: both versions, and a plain choice. */
const build = useBuild()
const words = useVocabulary()
const COLUMNS: Column<{ path: string; label: string; mine: string; theirs: string }>[] = [
  { key: 'label', title: 'Fact', head: true, show: (l) => l.label },
  { key: 'mine', title: 'Yours', show: (l) => l.mine },
  { key: 'theirs', title: 'There now', show: (l) => l.theirs },
]
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
  <Dialog :open="build.conflict !== null" title="This build was changed elsewhere" fixed>
    <p>The same was changed in another window since this page read it (now revision {{ build.conflict?.current.revision }}).</p>
    <DataTable v-if="lines.length" :id="(l) => l.path" label="Yours and what is there now" :columns="COLUMNS" :rows="lines" />
    <template #footer>
      <button class="button" type="button" @click="build.settleConflict(false)">Take what is there</button>
      <button v-if="lines.length" class="button main" type="button" @click="build.settleConflict(true)">Put mine on top</button>
    </template>
  </Dialog>
</template>

<style scoped>
.button {
  margin-left: 8px;
}
</style>
