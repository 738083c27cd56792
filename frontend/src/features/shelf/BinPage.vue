<script setup lang="ts">
import { onMounted, ref, shallowRef } from 'vue'
import { api, type InBin } from '../../api/client'
import { busy } from '../../api/busy'
import { useBuild } from '../../stores/build'
import TopBar from '../frame/TopBar.vue'
import Note from '../../ui/Note.vue'
import { said } from '../../ui/said'

/** Builds that were deleted, until they are gone for good. */
const builds = shallowRef<InBin[] | null>(null)
const trouble = ref('')
const day = (stamp: string) => stamp.slice(0, 10)

async function load(): Promise<void> {
  trouble.value = ''
  try {
    builds.value = (await api.bin()).builds
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : 'The bin did not load.'
  }
}
onMounted(() => {
  useBuild().leave()
  void load()
})
async function back(item: InBin): Promise<void> {
  trouble.value = ''
  try {
    await api.undelete(item.id)
    await load()
  } catch (error) {
    trouble.value = `${item.name} was not brought back: ${said(error)}`
  }
}
</script>

<template>
  <div class="bin">
    <TopBar />
    <main :aria-busy="busy">
      <h1>Bin</h1>
      <p class="mute">Deleted builds are kept for thirty days, with their history, then they are gone for good.</p>
      <Note v-if="trouble" bad>{{ trouble }}</Note>
      <ul v-if="builds?.length" class="card">
        <li v-for="item in builds" :key="item.id">
          <b>{{ item.name || 'No name' }}</b>
          <span class="mute">deleted {{ day(item.deleted_at) }}, kept until {{ day(item.kept_until) }}</span>
          <button class="button" type="button" :aria-label="`Bring ${item.name} back`" @click="back(item)">Bring back</button>
        </li>
      </ul>
      <p v-else-if="builds">The bin is empty.</p>
      <p class="foot"><router-link to="/">To the shelf</router-link></p>
    </main>
  </div>
</template>

<style scoped>
.bin {
  display: grid;
  grid-template: 'bar' 52px 'page' 1fr / minmax(0, 1fr);
}
main {
  grid-area: page;
  width: 100%;
  max-width: 760px;
  margin: 0 auto;
  padding: 24px 16px 48px;
}
h1 {
  font: 600 25px/1.25 var(--words);
}
ul {
  list-style: none;
  margin: 16px 0;
  padding: 4px 16px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  align-items: center;
  gap: 6px 16px;
  padding: 8px 0;
}
li + li {
  border-top: 1px solid var(--line);
}
.foot {
  margin-top: 20px;
}
@media (max-width: 560px) {
  li {
    grid-template-columns: 1fr;
  }
  .button {
    min-height: 44px;
  }
}
</style>
