<script setup lang="ts">
import { ref } from 'vue'
import { floor } from '../../../api/floor'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import { saveBytes } from '../../../ui/save'
import { useStart } from '../useStart'
import TwoColumns from '../../../ui/TwoColumns.vue'
import { said } from '../../../ui/said'

/** Running in, and alarms and cuts ready to be typed into a controller. */
const start = useStart()
const build = useBuild()
const words = useVocabulary()
const unsaved = ref('')
async function save(): Promise<void> {
  unsaved.value = ''
  try {
    const text = await floor.thresholds(build.document)
    if (text) saveBytes(new Blob([text as unknown as string]), `${build.build?.name ?? ''} alarms`, '.csv')
  } catch (error) {
    unsaved.value = `Not saved: ${said(error)}`
  }
}
</script>

<template>
  <TwoColumns share="1.2fr">
    <template #left>
    <section class="card pad">
      <div class="cardhead"><h2 class="label">Alarms and cuts, to be typed in</h2><button class="textlink noprint" type="button" @click="save">as CSV</button></div>
      <p v-if="unsaved" class="over" role="alert">{{ unsaved }}</p>
      <div class="scroll" tabindex="0" role="region" aria-label="Alarms and cuts">
        <table>
          <thead><tr><th scope="col">Quantity</th><th scope="col">Over</th><th scope="col">Alarm</th><th scope="col">Cut</th><th scope="col">After</th></tr></thead>
          <tbody><tr v-for="t in start.plan?.thresholds" :key="t.id"><th scope="row">{{ t.label }} {{ t.under ? 'under' : 'over' }}<span class="mute">{{ t.why }}</span></th><td class="figure">{{ t.above_speed ? words.show(t.above_speed, 'speed_rpm') : '' }}</td><td class="figure">{{ words.show(t.alarm, t.kind) }}</td><td class="figure">{{ t.cut === null ? '' : words.show(t.cut, t.kind) }}</td><td class="figure">{{ t.delay ? `${t.delay} s` : 'at once' }}</td></tr></tbody>
        </table>
      </div>
      <p class="mute">An alarm is heard and seen from the seat; a cut takes fuel or spark. Not on a machine that must not stop by itself: a boat off a lee shore, an aircraft.</p>
    </section>
    </template>
    <template #right>
      <section class="card pad"><h2 class="label">Running in</h2><ol><li v-for="p in start.plan?.run_in" :key="p.id"><b>{{ p.label }}</b><span>{{ p.do }}</span></li></ol></section>
      <section class="card pad"><h2 class="label">Done again</h2><ol><li v-for="p in start.plan?.again" :key="p.id"><b>{{ p.label }}</b><span>{{ p.do }}</span></li></ol></section>
    </template>
  </TwoColumns>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
  margin: 6px 0;
}
th,
td {
  border-bottom: 1px solid var(--line);
  padding: 6px 6px;
  text-align: right;
  font-weight: 500;
  white-space: nowrap;
}
th:first-child {
  text-align: left;
  white-space: normal;
}
th .mute {
  display: block;
  font: 500 13px var(--labels);
}
thead th {
  font: 600 13px var(--labels);
  color: var(--mute);
}
ol {
  margin: 4px 0 0;
  padding: 0;
}
li {
  list-style: none;
  padding: 6px 0;
}
li span {
  display: block;
}
</style>
