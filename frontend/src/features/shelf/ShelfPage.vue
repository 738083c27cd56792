<script setup lang="ts">
import Checkbox from 'ant-design-vue/es/checkbox'
import { computed, defineAsyncComponent, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, type Card } from '../../api/client'
import { busy } from '../../api/busy'
import TopBar from '../frame/TopBar.vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import Note from '../../ui/Note.vue'
import Waiting from '../../ui/Waiting.vue'
import BuildCard from './BuildCard.vue'
import { said } from '../../ui/said'

const OpenSheet = defineAsyncComponent(() => import('./OpenSheet.vue'))
const build = useBuild()
const words = useVocabulary()
const cards = ref<Card[] | null>(null)
const more = ref('')
const count = ref(0)
const trouble = ref('')
const removed = ref<{ id: string; name: string } | null>(null)
const route = useRoute()
const router = useRouter()
const picked = ref<string[]>([])
const pick = (id: string, on: boolean) => (picked.value = on ? [...picked.value, id] : picked.value.filter((p) => p !== id))
const opening = ref(false)

/** Edits of builds that were deleted meanwhile: nowhere else would they be seen. */
const stray = computed(() => (cards.value && !more.value ? build.asideOf(new Set(cards.value.map((c) => c.id))) : []))

async function load(after = ''): Promise<void> {
  trouble.value = ''
  try {
    const page = await api.shelf(after)
    cards.value = after ? [...(cards.value ?? []), ...page.builds] : page.builds
    more.value = page.more
    count.value = page.count
  } catch (error) {
    trouble.value = error instanceof Error ? error.message : 'The shelf did not load.'
  }
}
onMounted(() => {
  build.leave()
  if (typeof route.query.removed === 'string') {
    removed.value = { id: route.query.removed, name: String(route.query.name ?? 'The build') }
    void router.replace({ name: 'shelf' })
  }
  void load()
})

async function bringBack(): Promise<void> {
  const gone = removed.value
  if (!gone) return
  try {
    await api.undelete(gone.id)
    removed.value = null
  } catch (error) {
    trouble.value = `${gone.name} was not brought back: ${said(error)}`
    return
  }
  await load()
}
</script>

<template>
  <div class="shelf">
    <TopBar />
    <main :aria-busy="busy">
      <div class="lead">
        <div>
          <h1>What can your swap carry, and what gives out first?</h1>
          <p class="mute">State an engine, a machine and what is fitted. Gauge Well sizes what must support it and shows its working.</p>
        </div>
        <div class="actions">
          <router-link class="button main" to="/new">New build</router-link>
          <router-link v-if="picked.length === 2" class="button" :to="{ name: 'beside', params: { a: picked[0], b: picked[1] } }">Side by side</router-link>
          <button class="button" type="button" @click="opening = true">Open a sheet</button>
        </div>
      </div>
      <Note v-if="removed">{{ removed.name }} was taken off the shelf into the bin. <button class="textlink" type="button" @click="bringBack">Bring it back</button></Note>
      <Note v-if="trouble" bad>{{ trouble }} <button class="textlink" type="button" @click="load()">Try again</button></Note>
      <Note v-if="stray.length">
        <p>Not taken, of builds that are not on the shelf (see the bin):</p>
        <p v-for="item in stray" :key="item.id">
          <span v-for="edit in item.edits" :key="edit.path"><b>{{ words.label(edit.path) }}</b> “{{ edit.text ?? 'taken out' }}” </span>
          {{ item.why }} <button class="textlink" type="button" @click="build.settleAside(item.id, false)">Drop it</button>
        </p>
      </Note>
      <div v-if="cards" class="cards">
        <div v-for="card in cards" :key="card.id" class="held">
          <BuildCard :card="card" />
          <Checkbox class="pick mute" :checked="picked.includes(card.id)" :disabled="picked.length === 2 && !picked.includes(card.id)" :aria-label="`Side by side: ${card.name}`" @update:checked="(on) => pick(card.id, on)">side by side</Checkbox>
        </div>
      </div>
      <div v-else-if="!trouble" class="cards">
        <div v-for="n in 4" :key="n" class="card pad"><Waiting label="The shelf is loading" :height="220" /></div>
      </div>
      <p v-if="cards && !cards.length" class="mute">The shelf is empty.</p>
      <OpenSheet v-if="opening" v-model:open="opening" />
      <p class="foot">
        <button v-if="more" class="button" type="button" @click="load(more)">More: {{ cards?.length }} of {{ count }} shown</button>
        <router-link to="/bin">Bin</router-link>
        <a href="/api/export" download>Save all as files</a>
      </p>
    </main>
  </div>
</template>

<style scoped>
.shelf {
  display: grid;
  grid-template: 'bar' 52px 'page' 1fr / minmax(0, 1fr);
  min-height: 100vh;
}
main {
  grid-area: page;
  max-width: 1180px;
  width: 100%;
  margin: 0 auto;
  padding: 24px 16px 48px;
}
.lead {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: end;
  gap: 16px;
  margin-bottom: 20px;
}
h1 {
  font: 600 25px/1.25 var(--words);
}
.actions {
  display: flex;
  gap: 8px;
}
.button {
  text-decoration: none;
}
.foot {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px 22px;
  margin-top: 20px;
}
.foot a {
  line-height: 44px;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 14px;
}
@media (max-width: 720px) {
  .cards {
    grid-template-columns: 1fr;
  }
}
.held {
  position: relative;
  display: grid;
}
.pick {
  position: absolute;
  top: 12px;
  right: 14px;
  font-size: 13.5px;
  align-items: center;
  cursor: pointer;
}
@media (max-width: 720px) {
  .pick {
    min-height: 44px;
  }
}
</style>
