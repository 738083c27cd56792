<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { floor } from '../../api/floor'
import { useLatest } from '../../api/useLatest'
import { useBuild } from '../../stores/build'
import { Fold } from '../../ui/lazy'
import MenuButton from '../../ui/MenuButton.vue'
import { saveBytes } from '../../ui/save'
import ViewTabs from '../../ui/ViewTabs.vue'
import Waiting from '../../ui/Waiting.vue'
import ListView from './components/ListView.vue'
import NowView from './components/NowView.vue'
import OptionsView from './components/OptionsView.vue'
import PlanView from './components/PlanView.vue'
import PrintSheet from './components/PrintSheet.vue'
import ShopView from './components/ShopView.vue'
import ThingsView from './components/ThingsView.vue'
import { hours } from './logic'
import { usePhotographs } from '../../stores/photographs'
import { useOrder } from './useOrder'
import { dayOf } from '../../ui/day'
import { said } from '../../ui/said'

/** Order of work: what now, what must go in first, when it ends, what it will cost. */
const build = useBuild()
const order = useOrder()
const photos = usePhotographs()
watch(() => build.build?.id, () => void photos.load(), { immediate: true })
const route = useRoute()
const router = useRouter()
const { ask } = useLatest(order.load, 0, order.refused)
watch(() => [build.build?.id, build.build?.revision], () => void ask(), { immediate: true })

const VIEWS = [{ id: 'now', label: 'Now', shows: NowView }, { id: 'tasks', label: 'All tasks', shows: ListView }, { id: 'things', label: 'Parts and money', shows: ThingsView }, { id: 'search', label: 'Parts search', shows: ShopView }, { id: 'options', label: 'Go or no-go', shows: OptionsView }, { id: 'plan', label: 'Hours and decisions', shows: PlanView }]
const view = computed({
  get: () => VIEWS.find((v) => v.id === route.params.view)?.id ?? 'now',
  set: (id: string) => void router.replace({ params: { ...route.params, view: id } }),
})
const shown = computed(() => VIEWS.find((v) => v.id === view.value)?.shows)
const own = computed(() => order.order)
const open = computed(() => order.tasks.filter((t) => t.state !== 'done'))
const due = computed(() => open.value.filter((t) => t.covers && t.state === 'ready' && !photos.countOf(`tasks.${t.id}`)).length)
const told = computed(() => (own.value ? [
  `${order.tasks.length - open.value.length} of ${order.tasks.length} tasks done, ${hours(open.value.reduce((n, t) => n + t.hours.likely, 0))} left`,
  ...(own.value.behind_h > 0 ? [`${hours(own.value.behind_h)} of them wait behind what is not there`] : []),
  `${open.value.filter((t) => t.hold).length} locks shut`,
  ...(due.value ? [`${due.value === 1 ? 'a photograph' : `${due.value} photographs`} due before it is covered`] : []),
] : []))
/** Where what nobody stated is stated. */
const toState = (path: string) => (path === 'work.tasks' ? 'tasks' : path.startsWith('parts') || path.startsWith('work.buys') ? 'things' : 'plan')
const ACTS = [{ id: 'print', label: 'Print' }, { id: '.csv', label: 'Tasks as CSV' }, { id: '/things.csv', label: 'Parts and money as CSV' }, { id: '.ics', label: 'Calendar (ICS)' }]
const unsaved = ref('')
async function out(id: string): Promise<void> {
  unsaved.value = ''
  if (id === 'print') return window.print()
  try {
    const content = await floor.orderFile(id as '.csv', build.document, dayOf(new Date()))
    const name = build.build?.name ?? ''
    if (content) saveBytes(content, id === '/things.csv' ? `${name} things` : `${name} order`, id.slice(id.indexOf('.')))
  } catch (error) {
    unsaved.value = `Not saved: ${said(error)}`
  }
}
</script>

<template>
  <article class="order">
    <template v-if="own">
      <header>
        <div>
          <h1>{{ own.headline }} <span v-if="own.holds" class="over">{{ own.holds }}</span></h1>
          <p class="ends">{{ own.ends }}</p>
          <p class="told"><span v-for="line in told" :key="line">{{ line }}</span></p>
        </div>
        <MenuButton class="noprint" label="Take out" :acts="ACTS" @act="out" />
      </header>
      <Fold v-if="own.rests.length" class="rests noprint" :title="`The dates rest on ${own.rests.length === 1 ? 'one thing' : `${own.rests.length} things`} nobody stated`">
        <ul><li v-for="r in own.rests" :key="r.path">{{ r.sentence }} <button class="textlink" type="button" :aria-label="`state it: ${r.sentence}`" @click="view = toState(r.path)">state it</button></li></ul>
      </Fold>
      <p v-if="unsaved" class="over" role="alert">{{ unsaved }}</p>
      <p v-if="order.trouble" class="over" role="alert">{{ order.trouble }} What stands here is from before.</p>
      <ViewTabs v-model="view" class="noprint" :tabs="VIEWS" label="Order of work"><component :is="shown" /></ViewTabs>
      <PrintSheet />
    </template>
    <p v-else-if="order.trouble" class="over" role="alert">{{ order.trouble }} <button class="textlink" type="button" @click="ask()">Try again</button></p>
    <Waiting v-else label="The order of work is being made" :height="480" />
  </article>
</template>

<style scoped>
.order {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: start;
  gap: 12px;
}
h1 {
  font: 600 23px/1.25 var(--words);
}
header :deep(button) {
  white-space: nowrap;
}
.ends {
  font-size: 17px;
  color: var(--mute);
}
.told {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
  font: 600 15px/1.4 var(--labels);
}
.rests ul {
  margin: 0 0 6px;
  padding-left: 18px;
}
</style>
