<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Row } from '../../api/client'
import { percent } from '../../ui/format'
import Well from '../../ui/Well.vue'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { measuredHere } from './logic'

/** Rows that power does not decide: loads carried against needed, and gates. */
const props = defineProps<{ rows: Row[] }>()
const FEW = 7
const all = ref(false)
/** Fullest first; those over the brim are never folded away. */
const shown = computed(() => (all.value ? props.rows : props.rows.filter((row, i) => i < FEW || (row.fill ?? 0) > 1)))
const build = useBuild()
const words = useVocabulary()
const router = useRouter()
const duty = (row: Row) => build.report?.duties.find((d) => d.id === row.duty)?.name.toLowerCase() ?? ''
const label = (row: Row) => (row.duty ? `${row.label}, ${duty(row)}` : row.label)
const detail = (row: Row) => {
  if (row.kind === 'gate' || row.carries_w === null || row.needs_w === null) return row.sentence
  return `carries ${words.show(row.carries_w, 'power')}, needs ${words.show(row.needs_w, 'power')} · ${row.sentence}`
}
const open = (row: Row) => void router.push({ name: row.system, params: { id: build.build?.id }, hash: `#${row.check}` })
</script>

<template>
  <div>
    <button v-for="row in shown" :key="row.system + row.part + row.kind + row.check" class="row" type="button" @click="open(row)">
      <span class="name">{{ label(row) }}</span>
      <Well :fill="row.fill" :system="row.system" size="long" :label="label(row)" :state="row.state" :low="row.fill_low" :high="row.fill_high" />
      <span class="figure" :class="{ over: row.state === 'short' }">{{ percent(row.fill) }}{{ row.state === 'assumed' ? ' ?' : '' }}</span>
      <span class="mute detail">{{ detail(row) }}<template v-if="row.state === 'assumed'"> Not stated: {{ row.rests_on?.sentence }}.</template><template v-if="measuredHere(build.report, row)"> Measured here.</template></span>
    </button>
    <button v-if="shown.length < rows.length || all" class="textlink more" type="button" @click="all = !all">{{ all ? 'the fullest only' : `${rows.length - shown.length} more, all under ${percent(rows[shown.length]?.fill)}` }}</button>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 168px 150px 56px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  width: 100%;
  padding: 5px 0;
  background: none;
  border: 0;
  text-align: left;
  cursor: pointer;
}
.row:hover {
  background: var(--glass);
}
.name {
  text-align: right;
  font-weight: 500;
  line-height: 1.2;
}
.detail {
  font-size: 13.5px;
}
.more {
  margin: 6px 0 0 178px;
  font-size: 14px;
}
.well {
  height: 15px;
}
@media (max-width: 720px) {
  .row {
    grid-template-columns: minmax(0, 1fr) 100px 50px;
    min-height: 44px;
  }
  .name {
    text-align: left;
  }
  .detail {
    grid-column: 1 / -1;
  }
}
</style>
