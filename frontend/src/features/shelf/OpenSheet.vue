<script setup lang="ts">
import Upload from 'ant-design-vue/es/upload'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, Problem } from '../../api/client'
import Dialog from '../../ui/Dialog.vue'
import ProgressLine from '../../ui/ProgressLine.vue'
import { readFile } from '../../ui/readFile'

/** A build sheet opened from a file, pressed for or dropped here; it is read, sized and stands on the shelf. */
const open = defineModel<boolean>('open', { required: true })
const router = useRouter()
const trouble = ref('')
const read = ref<{ done: number; of: number } | null>(null)

/** What is wrong, with the field it is wrong in. */
function refused(error: unknown): string {
  if (error instanceof Problem && error.problems.length) return error.problems.map((p) => `${p.label || p.field}${p.read ? ` “${p.read}”` : ''}: ${p.message}${p.allowed ? ` Understood: ${p.allowed}.` : ''}`).join(' ')
  return error instanceof Error ? error.message : 'not taken'
}
async function take(file: File): Promise<void> {
  trouble.value = ''
  try {
    const text = await readFile(file, (done, of) => (read.value = { done, of }))
    const made = await api.create(JSON.parse(text))
    await router.push({ name: 'bench', params: { id: made.id } })
  } catch (error) {
    trouble.value = error instanceof SyntaxError ? `${file.name} is not a build sheet: it is not well-formed JSON.` : `${file.name}: ${refused(error)}`
  }
  read.value = null
}
/** Never sent as it is: the page reads it. */
function mine(file: File): boolean {
  void take(file)
  return false
}
const kilo = (bytes: number) => Math.ceil(bytes / 1000)
</script>

<template>
  <Dialog v-model:open="open" title="Open a sheet">
    <Upload.Dragger name="sheet" class="take" accept=".json,application/json" :show-upload-list="false" :before-upload="mine as never" :disabled="read !== null">
      <p class="drop">Drop a build sheet here, or press to pick one</p>
      <p class="mute">A file saved from a build's menu, or written by hand.</p>
    </Upload.Dragger>
    <ProgressLine v-if="read" :done="kilo(read.done)" :of="kilo(read.of)" :label="read.done < read.of ? 'Read, kB' : 'Read; now it is sized. kB'" />
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </Dialog>
</template>

<style scoped>
.drop {
  font-weight: 600;
}
</style>
