<script setup lang="ts">
import { computed, onBeforeUnmount } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { Fold } from '../../../ui/lazy'
import { optionsOf } from '../../../ui/options'
import Pick from '../../../ui/Pick.vue'
import Segments from '../../../ui/Segments.vue'
import { money } from '../logic'
import { useOrder } from '../useOrder'
import { useShop } from '../useShop'

/** Parts search: the cheapest set of a catalogue's parts with which the wanted power holds. */
const order = useOrder()
const words = useVocabulary()
const shop = useShop()
const { catalogue, name, kind, sure, trouble, progress, answer, off, places } = shop
onBeforeUnmount(shop.stop)
const SURE = [{ value: 'likely', label: 'at likely values' }, { value: 'surely', label: 'surely: in 95 of 100 draws' }]
const how = computed({ get: () => (sure.value ? 'surely' : 'likely'), set: (now) => (sure.value = now === 'surely') })
const kinds = computed(() => [{ value: '', label: 'as a column says' }, ...Object.entries(words.words?.part_kinds ?? {}).map(([value, k]) => ({ value, label: k.label }))])
const says = computed(() => [{ value: '', label: 'left out' }, ...optionsOf(catalogue.value?.says)])
const show = (amount: number) => money(order.order?.budget.sign ?? '', amount)
const more = (amount: number) => (amount === 0 ? 'the same money' : `${show(Math.abs(amount))} ${amount > 0 ? 'more' : 'less'}`)
const bought = computed(() => answer.value?.picks.filter((p) => p.id) ?? [])
const taken = (event: Event) => {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) void shop.open(file)
}
const toggle = (path: string) => (off.value = off.value.includes(path) ? off.value.filter((p) => p !== path) : [...off.value, path])
</script>

<template>
  <section class="card pad">
    <h2 class="label">Catalogue</h2>
    <p class="mute">A spreadsheet with a part a row: its kind, name, price and what is known of it. Every set is run on this build; the cheapest with which nothing gives out is found, none that is cheaper is left out.</p>
    <p class="do">
      <label class="button">A file of yours (CSV, XLSX)<input class="hidden" type="file" accept=".csv,.xlsx" aria-label="A catalogue from a file" @change="taken" /></label>
      <button class="button" type="button" @click="shop.sample">The catalogue that ships</button>
      <span v-if="name" class="mute">{{ name }}<template v-if="catalogue">: {{ catalogue.parts.length }} parts</template></span>
    </p>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    <label class="kind"><span class="mute">All of one kind</span><Pick v-model="kind" label="Kind of all parts" :options="kinds" @update:model-value="shop.read" /></label>
    <Fold v-if="catalogue" title="What its columns say">
      <div class="columns"><label v-for="(c, n) in catalogue.columns" :key="n"><span>{{ c.head }} <span class="mute">{{ c.example }}</span></span><Pick :label="`Column ${c.head} says`" :options="says" :model-value="c.says" @update:model-value="(v) => shop.map(n, String(v ?? ''))" /></label></div>
    </Fold>
    <Fold v-if="catalogue?.problems.length" :title="`${catalogue.problems.length} rows are left out`"><ul><li v-for="p in catalogue.problems.slice(0, 20)" :key="p.row">Row {{ p.row }}: {{ p.message }}</li></ul></Fold>
  </section>
  <section v-if="catalogue" class="card pad">
    <div class="cardhead"><h2 class="label">Search</h2><Segments v-model="how" label="It must hold" :options="SURE" /></div>
    <div class="places"><label v-for="p in places" :key="p.path" class="one"><input type="checkbox" :checked="!off.includes(p.path)" @change="toggle(p.path)" />{{ p.label }}</label></div>
    <p v-if="!places.length" class="mute">None of these parts goes into a place of this build that is filled.</p>
    <p class="do"><button class="button main" type="button" :disabled="!places.length || progress !== null" @click="shop.search">Find the cheapest set</button><template v-if="progress"><span class="mute" role="status">{{ progress.what }}: {{ progress.done }}{{ progress.of ? ` of ${progress.of}` : ' run' }}</span><button class="textlink" type="button" @click="shop.stop">stop</button></template></p>
  </section>
  <section v-if="answer" class="card pad">
    <h2 class="label">What it comes to</h2>
    <p class="said" :class="{ over: !answer.found }"><b>{{ answer.sentence }}</b></p>
    <p v-if="!answer.found && answer.gives.length">The nearest is {{ bought.length ? bought.map((p) => p.name).join(', ') : 'what is fitted' }}; then still:</p>
    <ul v-if="answer.gives.length"><li v-for="g in answer.gives" :key="g" class="over">{{ g }}</li></ul>
    <ul v-if="answer.found" class="picks"><li v-for="p in answer.picks" :key="p.place"><span class="mute">{{ p.place_label }}</span><span>{{ p.name }}</span><span class="figure">{{ p.price }}</span></li></ul>
    <p v-if="bought.length" class="do"><button class="button main" type="button" @click="shop.put">{{ answer.found ? 'Put these in' : 'Put the nearest in' }}</button></p>
    <Fold v-if="answer.swaps.length" title="One part more or less"><ul class="picks"><li v-for="s in answer.swaps" :key="`${s.place} ${s.name}`"><span class="mute">{{ s.place_label }}</span><span>{{ s.name }}, {{ more(s.more) }}: <span :class="{ over: s.fails.length }">{{ s.fails.length ? s.fails.join(' ') : 'holds' }}</span></span></li></ul></Fold>
    <Fold v-if="answer.left.length" :title="`${answer.left.length} that no part of the catalogue moves`"><ul><li v-for="l in answer.left" :key="l">{{ l }}</li></ul></Fold>
    <Fold v-if="answer.dropped.length" :title="`${answer.dropped.length} parts were not tried`"><ul><li v-for="d in answer.dropped" :key="d">{{ d }}</li></ul></Fold>
  </section>
</template>

<style scoped>
.do,
.places {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  margin-top: 8px;
}
label.button {
  position: relative;
}
label.button:focus-within {
  outline: 2px solid var(--focus);
}
.kind {
  display: block;
  max-width: 260px;
  margin-top: 8px;
}
.kind > :last-child,
.columns label > :last-child {
  display: block;
  width: 100%;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 8px 14px;
}
.one {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.said {
  font-size: 17px;
}
ul {
  margin: 6px 0;
  padding-left: 18px;
}
.picks {
  padding: 0;
}
.picks li {
  display: grid;
  grid-template-columns: 140px minmax(0, 1fr) auto;
  gap: 10px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
  list-style: none;
}
@media (max-width: 720px) {
  .one {
    min-height: 44px;
  }
  .picks li {
    grid-template-columns: 96px minmax(0, 1fr) auto;
  }
}
</style>
