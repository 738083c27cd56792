<script setup lang="ts">
import message from 'ant-design-vue/es/message'
import { computed, shallowRef } from 'vue'
import type { Act } from './acts'
import MenuButton from './MenuButton.vue'
import { copyTable, saveDrawing, saveTable, shownIn, type Shown } from './takeout'

/** What the page shows, taken away: drawings as SVG, tables copied or saved, the whole printed. */
const props = defineProps<{ name: string }>()
const found = shallowRef<Shown[]>([])
const look = () => (found.value = shownIn(document.querySelector('main') ?? document))
const acts = computed<Act[]>(() => [
  ...found.value.flatMap(({ kind, name }, i): Act[] => (kind === 'drawing' ? [{ id: `svg ${i}`, label: `${name}: save as SVG` }] : [{ id: `tsv ${i}`, label: `${name}: copy table` }, { id: `csv ${i}`, label: `${name}: save as CSV` }])),
  { id: 'print', label: 'Print this page' },
])

async function act(id: string): Promise<void> {
  const [how, at] = id.split(' ')
  const shown = found.value[Number(at)]
  if (how === 'print') window.print()
  else if (!shown) return
  else if (how === 'svg') saveDrawing(shown, props.name)
  else if (how === 'csv') saveTable(shown, props.name)
  else await copyTable(shown).then(() => message.success(`${shown.name} copied`), () => message.error('This browser does not let the page copy: save it as CSV.'))
}
</script>

<template>
  <MenuButton quiet label="Save, copy or print what is shown" :acts="acts" @opening="look" @act="act">⤓</MenuButton>
</template>
