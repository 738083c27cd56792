<script setup lang="ts">
import Modal from 'ant-design-vue/es/modal'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Revision } from '../api/client'
import { useBuild } from '../stores/build'

/** The build's name, and what can be done with the whole of it. */
const build = useBuild()
const router = useRouter()
const open = ref(false)
const history = ref<Revision[] | null>(null)
const name = ref('')

function show(): void {
  name.value = build.build?.name ?? ''
  history.value = null
  open.value = true
}
async function rename(): Promise<void> {
  if (name.value.trim() && name.value !== build.build?.name) await build.edit('name', name.value.trim())
  open.value = false
}
async function copy(): Promise<void> {
  if (!build.build) return
  const made = await api.copy(build.build.id)
  open.value = false
  await router.push({ name: 'bench', params: { id: made.id } })
}
async function remove(): Promise<void> {
  const current = build.build
  if (!current) return
  await api.remove(current.id)
  open.value = false
  await router.push({ name: 'shelf', query: { removed: current.id, name: current.name } })
}
async function revisions(): Promise<void> {
  if (build.build) history.value = (await api.revisions(build.build.id)).revisions
}
async function back(revision: number): Promise<void> {
  await build.bringBack(revision)
  open.value = false
}
function download(): void {
  const blob = new Blob([JSON.stringify(build.document, null, 2)], { type: 'application/json' })
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = `${(build.build?.name ?? 'build').replace(/[^\w-]+/g, '-').toLowerCase()}.json`
  link.click()
  URL.revokeObjectURL(link.href)
}
</script>

<template>
  <button class="name" type="button" title="Rename, copy, history" @click="show">{{ build.build?.name }}</button>
  <Modal v-model:open="open" title="This build" :footer="null">
    <form class="line" @submit.prevent="rename">
      <input v-model="name" class="input" maxlength="80" aria-label="Name of the build" />
      <button class="button main" type="submit">Rename</button>
    </form>
    <p class="line">
      <button class="button" type="button" @click="copy">Copy</button>
      <button class="button" type="button" @click="download">Save as a file</button>
      <button class="button" type="button" @click="revisions">History</button>
      <button class="button over" type="button" @click="remove">Delete</button>
    </p>
    <ol v-if="history" class="history">
      <li v-for="item in history" :key="item.revision">
        <span class="figure">{{ item.revision }}</span>
        <span>{{ item.note }}</span>
        <button v-if="item.revision !== build.build?.revision" class="textlink" type="button" @click="back(item.revision)">bring back</button>
      </li>
    </ol>
  </Modal>
</template>

<style scoped>
.name {
  background: none;
  border: 0;
  color: inherit;
  font-weight: 500;
  font-size: 16px;
  cursor: pointer;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  min-width: 60px;
  min-height: 32px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 12px 0;
}
.line .input {
  flex: 1;
}
.history {
  list-style: none;
  padding: 0;
  max-height: 300px;
  overflow: auto;
}
.history li {
  display: grid;
  grid-template-columns: 36px 1fr auto;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding: 5px 0;
}
</style>
