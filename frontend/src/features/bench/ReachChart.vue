<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Row } from '../../api/client'
import { useBuild } from '../../stores/build'
import { useVocabulary } from '../../stores/vocabulary'
import { measuredHere, nudge } from './logic'
import ReachBar from './ReachBar.vue'
import { useReach } from './useReach'

/** A row for each part that can be changed: bars against power, with the wanted line that is dragged. */
const props = defineProps<{ rows: Row[]; wanted: number; draggable: boolean; pending: boolean }>()
const emit = defineEmits<{ move: [watts: number]; keep: []; drop: [] }>()
const build = useBuild()
const words = useVocabulary()
const router = useRouter()
const track = ref<HTMLElement | null>(null)
const frozen = ref<number | null>(null)
const { top, shownTop, marks, share, asked, value, reach, short, band, numberAt } = useReach(props, track, frozen)
const duty = (row: Row) => build.report?.duties.find((d) => d.id === row.duty)?.name ?? ''

function at(event: PointerEvent): void {
  const box = track.value?.getBoundingClientRect()
  if (!box) return
  emit('move', Math.min(Math.max((event.clientX - box.left) / box.width, 0.02), 1) * top.value)
}
function grab(event: PointerEvent): void {
  if (!props.draggable) return
  ;(event.target as HTMLElement).setPointerCapture(event.pointerId)
  frozen.value = top.value
}
function key(event: KeyboardEvent): void {
  const next = nudge(props.wanted, event.key, event.shiftKey)
  if (next === null || !props.draggable) return
  event.preventDefault()
  emit('move', next)
}
const open = (row: Row) => void router.push({ name: row.system, params: { id: build.build?.id }, hash: `#${row.check}` })
</script>

<template>
  <div class="chart">
    <div class="axis">
      <span />
      <div ref="track" class="scale">
        <span v-for="mark in marks" :key="mark" class="tick figure" :style="{ left: `${(100 * mark) / shownTop}%` }">{{ mark }}</span>
        <span class="unit figure" :class="{ away: share(wanted) > 0.62 }">{{ words.unit('power') }}</span>
        <button class="want" type="button" role="slider" :class="{ fixed: !draggable }" :style="{ left: `${100 * share(wanted)}%` }" aria-label="Wanted power"
          :aria-valuenow="Math.round(words.value(wanted, 'power'))" :aria-valuemin="1" :aria-valuemax="Math.round(shownTop)" :aria-valuetext="words.show(wanted, 'power')" :disabled="!draggable"
          @pointerdown="grab" @pointermove="frozen !== null && at($event)" @pointerup="frozen = null" @keydown="key" @keydown.enter.prevent="emit('keep')" @keydown.esc="emit('drop')">
          <svg viewBox="0 0 16 18" width="16" height="18" aria-hidden="true"><path d="M0 0h16v11l-8 7-8-7z" fill="currentColor" /></svg>
          <span class="figure">want {{ words.number(wanted, 'power') }}</span>
        </button>
      </div>
    </div>
    <div class="rows">
      <span class="wantline" :style="{ '--at': share(wanted) }" />
      <button v-for="row in rows" :key="row.system + row.part + row.kind" class="row" type="button" :title="row.sentence" @click="open(row)">
        <span class="name">{{ row.label }}<small v-if="duty(row)" class="mute">{{ duty(row).toLowerCase() }}{{ measuredHere(build.report, row) ? ', measured here' : '' }}</small></span>
        <ReachBar :row="row" :reach="reach(row)" :asked="share(asked(row))" :short="short(row)" :band="band(row)" :number="numberAt(row)" :said="value(row)" />
      </button>
    </div>
    <p v-if="pending" class="pending" role="status">
      A what-if: {{ words.show(wanted, 'power') }} is not kept.
      <button class="button main" type="button" @click="emit('keep')">Set it</button>
      <button class="button" type="button" @click="emit('drop')">Back</button>
    </p>
  </div>
</template>

<style scoped>
.axis,
.row {
  display: grid;
  grid-template-columns: 168px minmax(0, 1fr);
  gap: 10px;
}
.chart {
  padding-right: 8px;
}
.scale {
  position: relative;
  height: 46px;
}
.unit.away {
  right: auto;
  left: 0;
  top: 2px;
}
.tick {
  position: absolute;
  bottom: 2px;
  transform: translateX(-50%);
  font-size: 13px;
  color: var(--mute);
}
.unit {
  position: absolute;
  right: 0;
  top: 2px;
  font-size: 13px;
  color: var(--mute);
}
.want {
  position: absolute;
  top: 0;
  transform: translateX(-8px);
  display: flex;
  gap: 6px;
  align-items: center;
  background: none;
  border: 0;
  padding: 0;
  min-height: 26px;
  color: var(--brass);
  cursor: ew-resize;
  touch-action: none;
  z-index: 3;
  white-space: nowrap;
}
.want.fixed {
  cursor: default;
}
.rows {
  position: relative;
}
.wantline {
  position: absolute;
  left: calc(178px + (100% - 178px) * var(--at));
  top: -2px;
  bottom: -2px;
  width: 2px;
  background: var(--brass-line);
  z-index: 2;
  pointer-events: none;
}
.row {
  width: 100%;
  background: none;
  border: 0;
  padding: 4px 0;
  cursor: pointer;
  text-align: left;
  align-items: center;
}
.row:hover {
  background: var(--glass);
}
.name {
  font-weight: 500;
  text-align: right;
  line-height: 1.15;
}
.name small {
  display: block;
  font-size: 12px;
  font-weight: 400;
}
.pending {
  margin-top: 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
@media (max-width: 720px) {
  .axis,
  .row {
    grid-template-columns: 104px minmax(0, 1fr);
  }
  .wantline {
    left: calc(114px + (100% - 114px) * var(--at));
  }
  .row {
    min-height: 44px;
  }
  .want {
    min-height: 44px;
    top: -14px;
  }
}
</style>
