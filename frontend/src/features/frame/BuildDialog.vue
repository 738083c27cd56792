<script setup lang="ts">
import { defineAsyncComponent, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../../api/client'
import { line, useBuild } from '../../stores/build'
import Dialog from '../../ui/Dialog.vue'
import { saveJson } from '../../ui/save'

/** What can be done with the whole of a build. */
const open = defineModel<boolean>('open', { required: true })
const BuildHistory = defineAsyncComponent(() => import('./BuildHistory.vue'))
const build = useBuild()
const router = useRouter()
const history = ref(false)
const name = ref(build.build?.name ?? '')
build.failed = ''

async function rename(): Promise<void> {
  open.value = false
  if (name.value.trim() && name.value !== build.build?.name) await build.send([line('name', name.value.trim())])
}
async function copy(): Promise<void> {
  const own = build.build
  if (!own) return
  const made = await build.whole('Not copied', () => api.copy(own.id))
  if (!made) return
  open.value = false
  await router.push({ name: 'bench', params: { id: made.id } })
}
async function remove(): Promise<void> {
  const own = build.build
  if (!own) return
  const gone = await build.whole('Not deleted', async () => {
    await api.remove(own.id, own.revision)
    return true
  })
  if (gone) await router.push({ name: 'shelf', query: { removed: own.id, name: own.name } })
  if (gone || build.conflict) open.value = false
}
</script>

<template>
  <Dialog v-model:open="open" title="This build">
    <form class="line" @submit.prevent="rename">
      <input v-model="name" class="input" maxlength="80" aria-label="Name of the build" />
      <button class="button main" type="submit">Rename</button>
    </form>
    <p class="line">
      <button class="button" type="button" @click="copy">Copy</button>
      <button class="button" type="button" @click="saveJson(build.document, build.build?.name ?? '')">Save as a file</button>
      <button class="button" type="button" @click="history = true">History</button>
      <button class="button over" type="button" @click="remove">Delete</button>
    </p>
    <p v-if="build.failed" class="over" role="alert">{{ build.failed }}</p>
    <BuildHistory v-if="history" @back="open = false" />
  </Dialog>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 12px 0;
}
.line .input {
  flex: 1;
}
</style>
