<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import ClaimTable from './ClaimTable.vue'
import SolvePanel from './SolvePanel.vue'
import TolerancePanel from './TolerancePanel.vue'
import SidePanel from '../../ui/SidePanel.vue'
import PhotoStrip from '../../station/PhotoStrip.vue'
import { partsOf } from '../../station/parts'

/** One fact in full: who says what, how sure it is, and at which values the wanted power holds. */
const build = useBuild()
const words = useVocabulary()
const path = computed(() => build.asked)
/** A part on the yard has the facts of its kind. */
const field = computed(() => {
  const [first, id, name] = (path.value ?? '').split('.')
  if (first !== 'parts') return path.value ? words.field(path.value) : undefined
  const kind = partsOf(build.document).find((part) => part.id === id)?.kind ?? ''
  return words.words?.part_kinds[kind]?.fields.find((f) => f.name === name)
})
const fact = computed(() => (path.value ? build.build?.facts[path.value] : undefined))
const open = computed({ get: () => path.value !== null && field.value !== undefined, set: (value) => !value && (build.asked = null) })
// The focus may be on nothing while it is worked: Esc closes all the same.
useEventListener(document, 'keydown', (event) => {
  if (event.key === 'Escape' && open.value) open.value = false
})
</script>

<template>
  <SidePanel v-model:open="open" :title="field?.label ?? ''">
    <template v-if="path && field">
      <ClaimTable :path="path" :field="field" :fact="fact" />
      <TolerancePanel v-if="fact" :path="path" :fact="fact" />
      <SolvePanel :path="path" />
      <PhotoStrip :key="path" :subject="`facts.${path}`" :name="field.label" />
    </template>
  </SidePanel>
</template>
