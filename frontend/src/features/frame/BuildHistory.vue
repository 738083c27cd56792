<script setup lang="ts">
import Pagination from 'ant-design-vue/es/pagination'
import Timeline from 'ant-design-vue/es/timeline'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { api, type Schemas } from '../../api/client'
import { saveJson } from '../../ui/save'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { noteWords } from '../../ui/noteWords'
import { said } from '../../ui/said'

/** What was kept of the build, newest first: looked at as a file, named, brought back. */
const emit = defineEmits<{ back: [] }>()
const build = useBuild()
const words = useVocabulary()
const history = shallowRef<Schemas['Revisions'] | null>(null)
const trouble = ref('')
const PAGE = 8
const page = ref(1)
const shown = computed(() => (history.value?.revisions ?? []).slice((page.value - 1) * PAGE, page.value * PAGE))
const naming = ref<number | null>(null)
const name = ref('')

async function doing(what: string, work: (id: string) => Promise<void>): Promise<void> {
  if (!build.build) return
  trouble.value = ''
  try {
    await work(build.build.id)
  } catch (error) {
    trouble.value = `${what}: ${said(error)}`
  }
}
const load = () => doing('The history did not load', async (id) => void (history.value = await api.revisions(id)))
onMounted(load)

async function back(revision: number): Promise<void> {
  if (await build.bringBack(revision)) emit('back')
  else if (build.failed) [trouble.value, build.failed] = [build.failed, '']
}
const told = (note: string) => noteWords(note, words.label)
const when = (stamp: string) => new Date(stamp).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' })
const save = (revision: number) => doing('Not saved', async (id) => saveJson((await api.revision(id, revision)).document, `${build.build?.name ?? ''}-${revision}`))
function begin(revision: number, now: string): void {
  naming.value = revision
  name.value = now
}
const keepName = (revision: number) => doing('Not named', async (id) => {
  history.value = await api.nameRevision(id, revision, name.value)
  naming.value = null
})
</script>

<template>
  <p v-if="trouble" class="over" role="alert">{{ trouble }} <button class="textlink" type="button" @click="load">Try again</button></p>
  <Timeline v-if="history" class="history">
    <Timeline.Item v-for="item in shown" :key="item.revision" :color="item.revision === build.build?.revision ? 'var(--brass-line)' : 'var(--mute)'">
      <div class="entry">
      <span class="figure">{{ item.revision }}</span>
      <form v-if="naming === item.revision" class="naming" @submit.prevent="keepName(item.revision)">
        <input v-model="name" class="input" maxlength="80" :aria-label="`Name of revision ${item.revision}`" />
        <button class="button" type="submit">Name it</button>
      </form>
      <span v-else><b v-if="item.name">{{ item.name }}. </b>{{ told(item.note) }} <time class="mute" :datetime="item.created_at">{{ when(item.created_at) }}</time><span v-if="item.verdict" class="mute said">{{ item.verdict }}</span></span>
      <span class="do">
        <button class="textlink" type="button" :aria-label="`name revision ${item.revision}`" @click="begin(item.revision, item.name)">name</button>
        <button class="textlink" type="button" :aria-label="`save revision ${item.revision} as a file`" @click="save(item.revision)">file</button>
        <button v-if="item.revision !== build.build?.revision" class="textlink" type="button" @click="back(item.revision)">bring back</button>
      </span>
      </div>
    </Timeline.Item>
  </Timeline>
  <Pagination v-if="history && history.revisions.length > PAGE" v-model:current="page" size="small" :page-size="PAGE" :total="history.revisions.length" :show-size-changer="false" />
  <p v-if="history" class="mute rule">{{ history.rule }}</p>
</template>

<style scoped>
.history {
  margin-top: 14px;
}
.history :deep(.ant-timeline-item) {
  padding-bottom: 10px;
}
.entry {
  display: grid;
  grid-template-columns: 28px 1fr auto;
  gap: 8px;
}
.said {
  display: block;
  font-size: 13.5px;
}
.naming,
.do {
  display: flex;
  gap: 10px;
}
.naming .input {
  flex: 1;
  min-width: 0;
}
.rule {
  font-size: 13.5px;
}
</style>
