<script setup lang="ts">
import { computed, ref } from 'vue'
import { chance } from '../../station/bands'
import { factAt } from '../../station/places'
import { ProgressLine } from '../../ui/lazy'
import { useBuild } from '../../stores/build'
import { useOutlook } from '../../stores/outlook'
import { useVocabulary } from '../../stores/vocabulary'

/** Facts whose measuring is most likely to change the verdict, with how it is done. */
const build = useBuild()
const outlook = useOutlook()
const words = useVocabulary()
const FEW = 4
const all = ref(false)
const telling = computed(() => outlook.next ?? [])
const shown = computed(() => (all.value ? telling.value : telling.value.slice(0, FEW)))
const to = (path: string) => factAt(words, build.build?.id, path)
const said = (item: (typeof telling.value)[number]) => (item.alone >= 0.005 ? chance(item.alone) : item.spread_w ? `± ${words.show(item.spread_w, 'power')}` : 'with others')
const what = (item: (typeof telling.value)[number]) => (item.alone >= 0.005 ? 'Chance that measuring this one changes the verdict' : item.spread_w ? 'What it alone gives the reach' : 'Decides only where others are off too')
</script>

<template>
  <section v-if="telling.length || outlook.progress?.what === 'measure'" class="card" :class="{ stale: outlook.stale }" data-panel="measure">
    <div class="head">
      <h2 class="label">Measure next</h2>
      <router-link :to="{ name: 'round', params: { id: build.build?.id } }">measuring round</router-link>
    </div>
    <router-link v-for="item in shown" :key="item.path" class="item" :to="to(item.path)">
      <span class="top"><span class="name">{{ item.label }}</span><span class="figure say" :title="what(item)">{{ said(item) }}</span></span>
      <span class="mute">{{ item.shown }}, {{ item.evidence }}. {{ item.sentence }}</span>
      <span class="mute how">{{ item.how }}</span>
    </router-link>
    <p v-if="telling.length" class="mute model">Percent: the chance that measuring this one alone changes the verdict; ranked by what it does with all the rest in doubt. {{ outlook.model?.sentence }}</p>
    <button v-if="telling.length > FEW" class="textlink more" type="button" @click="all = !all">{{ all ? 'fewer' : `all ${telling.length}` }}</button>
    <ProgressLine v-if="outlook.progress?.what === 'measure'" :done="outlook.progress.done" :of="outlook.progress.of" label="Facts worked" stoppable @stop="outlook.stop" />
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  padding: 11px 14px;
  font-size: 14px;
}
.item {
  display: block;
  border-top: 1px solid var(--line);
  padding: 8px 14px;
  color: inherit;
  text-decoration: none;
  font-size: 13.5px;
}
.item:hover {
  background: var(--glass);
}
.top {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  font-size: 15px;
}
.name {
  font-weight: 600;
}
.say {
  color: var(--cooling);
  white-space: nowrap;
}
.how {
  display: block;
}
.model {
  border-top: 1px solid var(--line);
  padding: 8px 14px;
  font-size: 13px;
}
.more {
  margin: 0 14px 10px;
}
.stale {
  opacity: 0.65;
}
</style>
