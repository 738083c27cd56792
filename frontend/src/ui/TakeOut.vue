<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import type { Act } from './acts'
import LateMenu from './LateMenu.vue'
import { copyTable, saveDrawing, saveTable, shownIn, type Shown } from './takeout'

/** What the page shows, taken away: drawings as SVG, tables copied or saved, the whole printed. */
const props = withDefaults(defineProps<{ name: string; more?: Act[] }>(), { more: () => [] })
const emit = defineEmits<{ more: [id: string] }>()
const found = shallowRef<Shown[]>([])
const look = () => (found.value = shownIn(document.querySelector('main') ?? document))
const acts = computed<Act[]>(() => [
  ...found.value.flatMap(({ kind, name }, i): Act[] => (kind === 'drawing' ? [{ id: `svg ${i}`, label: `${name}: save as SVG` }] : [{ id: `tsv ${i}`, label: `${name}: copy table` }, { id: `csv ${i}`, label: `${name}: save as CSV` }])),
  { id: 'print', label: 'Print this page' },
  ...props.more,
])

async function act(id: string): Promise<void> {
  const [how, at] = id.split(' ')
  const shown = found.value[Number(at)]
  if (props.more.some((a) => a.id === id)) emit('more', id)
  else if (how === 'print') window.print()
  else if (!shown) return
  else if (how === 'svg') saveDrawing(shown, props.name)
  else if (how === 'csv') saveTable(shown, props.name)
  else {
    const { default: message } = await import('ant-design-vue/es/message')
    await copyTable(shown).then(() => message.success(`${shown.name} copied`), () => message.error('This browser does not let the page copy: save it as CSV.'))
  }
}
</script>

<template>
  <LateMenu label="Save, copy or print what is shown" :acts="acts" @opening="look" @act="act">⤓</LateMenu>
</template>
