<script setup lang="ts">
import { computed } from 'vue'
import { said, short, type Order } from '../logic'
import { mondays, river, sides, smoothed, weekends, type Stretch } from '../river'
import { useOrder } from '../useOrder'
import RiverKey from './RiverKey.vue'

/** The work as water: done behind today, the bed ahead; locks to be proved, dams of what is late, a thread for what decides. */
const props = defineProps<{ given: Order }>()
const order = useOrder()
const WIDTH = 1064
const TODAY = 132
const RIGHT = 1010
const LANE = 76
const MID = 156
const AXIS = 304
const BED = 11

const found = computed(() => river(props.given, order.tasks))
const target = computed(() => props.given.first ?? props.given.end)
const span = computed(() => Math.max(target.value?.high_h ?? 24, ...found.value.stretches.filter((s) => !s.id.startsWith('road')).map((s) => s.to), 24) * 1.02)
const x = (h: number) => TODAY + ((RIGHT - TODAY) * Math.min(Math.max(h, 0), span.value)) / span.value
const y = (lane: number) => MID + LANE * lane
const shown = computed(() => found.value.stretches.filter((s) => !s.id.startsWith('road')))
const at = computed(() => new Map(shown.value.map((s) => [s.id, s])))
const from = (s: Stretch) => (s.share > 0 && s.from < 1 ? TODAY : x(s.from))
const to = (s: Stretch) => Math.max(x(s.to), from(s) + 10)
const ahead = computed(() => shown.value.filter((s) => s.to > s.from))
const behind = computed(() => {
  const done = shown.value.filter((s) => s.share > 0)
  const lanes = [...new Set(done.map((s) => s.lane))]
  return lanes.map((lane) => ({ lane, own: done.filter((s) => s.lane === lane) })).map(({ lane, own }) => ({ lane, label: own.at(-1)?.label ?? '', last: lastDone(own) }))
})
const STUB = 22 // letters that stand beside the water that is done
const cut = (words: string) => (words.length > STUB ? `${words.slice(0, STUB - 1)}…` : words)
const lastDone = (own: Stretch[]) => cut(short(own.flatMap((s) => s.tasks).filter((t) => t.state === 'done').sort((a, b) => a.done.localeCompare(b.done)).at(-1)?.title ?? ''))
const joins = computed(() => found.value.joins.flatMap(([a, b]) => {
  const [p, q] = [at.value.get(a), at.value.get(b)]
  if (!p || !q || p.to <= p.from || q.to <= q.from) return []
  const [x0, y0, x1, y1] = [to(p), y(p.lane), from(q), y(q.lane)]
  // What is entered before the one before is through bends from where it is entered.
  const start = Math.min(x0, x1 - 26)
  return [{ key: `${a}>${b}`, path: `M${start} ${y0}C${(start + x1) / 2} ${y0} ${(start + x1) / 2} ${y1} ${x1} ${y1}`, decides: Math.min(p.decides, q.decides) }]
}))
const HOT = 0.5 // share of runs from which the thread runs through
const wide = (words: string) => 6.4 * words.length
const names = computed(() => ahead.value.filter((s) => to(s) - from(s) > wide(s.label)).map((s) => ({ at: (from(s) + to(s)) / 2, width: wide(s.label), lane: s.lane, label: s.label })))
/** Labels stay ahead of today and within the drawing. */
const mid = (d: { at: number; label: string }) => Math.min(Math.max(x(d.at), TODAY + 4 + wide(short(d.label)) / 2), WIDTH - wide(short(d.label)) / 2)
const locks = computed(() => {
  const shut = [...found.value.locks].filter((l) => at.value.has(stageOf(l.id))).sort((p, q) => p.at - q.at)
  const placed = sides(shut.map((l) => ({ at: mid(l), width: wide(short(l.label)), lane: l.lane })), names.value)
  return shut.map((lock, n) => ({ ...lock, mid: mid(lock), side: placed[n] ?? 0 }))
})
const stageOf = (id: string) => {
  const task = order.byId.get(id)
  return task ? `${task.stage} ${task.branch}` : ''
}
/** What holds is told first; the rest where there is room. */
const dams = computed(() => {
  const near = [...found.value.dams].filter((d) => d.at <= span.value).sort((p, q) => Number(q.holds) - Number(p.holds) || p.at - q.at)
  const placed = sides(near.map((d) => ({ at: mid(d), width: wide(d.label), lane: 9 })), near.map(() => ({ at: -999, width: 0, lane: 9 })))
  return near.map((d, n) => ({ ...d, mid: mid(d), told: (placed[n] ?? 0) === 1 }))
})
const free = computed(() => weekends(props.given.today, span.value))
const marks = computed(() => mondays(props.given.today, span.value).filter((m) => x(m.at) > TODAY + 110 && x(m.at) < RIGHT - 30))
const hill = computed(() => {
  const when = target.value
  if (!when) return ''
  const shares = smoothed(when.shares)
  const most = Math.max(...shares)
  const points = shares.map((share, n) => `${x(((when.edges[n] ?? 0) + (when.edges[n + 1] ?? 0)) / 2)} ${AXIS - (34 * share) / most}`)
  return `M${x(when.edges[0] ?? 0)} ${AXIS}L${points.join('L')}L${x(when.edges.at(-1) ?? 0)} ${AXIS}Z`
})
const what = computed(() => (props.given.first ? 'first start' : 'the end'))
const told = computed(() => `${found.value.stretches.length} stretches of work, ${found.value.locks.length} locks to be proved, ${found.value.dams.length} things awaited. ${props.given.ends}`)
</script>

<template>
  <section class="card pad river">
    <div class="cardhead">
      <h2 class="label">The work, as water: today to the {{ what }}</h2>
      <RiverKey />
    </div>
    <div class="drawing" tabindex="0" role="region" aria-label="The work as water">
      <svg :viewBox="`0 0 ${WIDTH} 332`" role="img" :aria-label="told">
        <defs><pattern id="dam-hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><rect width="6" height="6" class="damfill" /><path d="M0 0V6" class="damline" /></pattern></defs>
        <rect v-for="[a, b] in free" :key="a" class="weekend" :x="x(a)" y="50" :width="x(b) - x(a)" :height="AXIS - 50" />
        <g v-for="lane in behind" :key="lane.lane">
          <path class="bank" :d="`M8 ${y(lane.lane)}H${TODAY}`" /><path class="water" :d="`M8 ${y(lane.lane)}H${TODAY}`" />
          <text class="strong" x="8" :y="y(lane.lane) - 20">{{ lane.label }}</text><text x="8" :y="y(lane.lane) + 30">{{ lane.last }}</text>
        </g>
        <path v-for="j in joins" :key="`b${j.key}`" class="bank thin" :d="j.path" /><path v-for="s in ahead" :key="`b${s.id}`" class="bank" :class="{ wide: s.wide }" :d="`M${from(s)} ${y(s.lane)}H${to(s)}`" />
        <path v-for="j in joins" :key="`w${j.key}`" class="bed thin" :d="j.path" /><path v-for="s in ahead" :key="`w${s.id}`" class="bed" :class="{ wide: s.wide }" :d="`M${from(s)} ${y(s.lane)}H${to(s)}`" />
        <path v-for="s in ahead.filter((s) => s.share > 0 && s.from < 1)" :key="`p${s.id}`" class="water" :d="`M${TODAY} ${y(s.lane)}h.1`" />
        <path v-for="s in ahead.filter((s) => s.drying)" :key="`d${s.id}`" class="dries" :d="`M${x(s.drying?.from ?? 0)} ${y(s.lane)}H${x(s.drying?.to ?? 0)}`" />
        <path v-for="j in joins.filter((j) => j.decides >= HOT)" :key="`t${j.key}`" class="thread" :d="j.path" /><path v-for="s in ahead.filter((s) => s.decides >= HOT)" :key="`t${s.id}`" class="thread" :d="`M${from(s)} ${y(s.lane)}H${to(s)}`" />
        <text v-for="n in names" :key="`n${n.lane} ${n.at}`" class="name" text-anchor="middle" :x="n.at" :y="y(n.lane) - 20">{{ n.label }}</text>
        <g v-for="d in dams" :key="d.id">
          <path class="lead" :class="{ late: d.holds }" :d="`M${x(d.at)} ${y(d.lane) - (d.holds ? BED + 8 : 4)}V${d.told ? 36 : 46}`" />
          <template v-if="d.holds"><rect :x="x(d.at) - 5" :y="y(d.lane) - BED - 6" width="10" :height="2 * BED + 12" fill="url(#dam-hatch)" /><path class="cap" :d="`M${x(d.at) - 9} ${y(d.lane) - BED - 7}h18`" /></template>
          <rect v-else class="parcel" :x="x(d.at) - 5" y="37" width="10" height="10" />
          <template v-if="d.told"><text text-anchor="middle" class="strong" :class="{ over: d.holds }" :x="d.mid" y="16">{{ d.label }}</text><text text-anchor="middle" :class="{ over: d.holds }" :x="d.mid" y="31">{{ d.late ? 'late' : said(d.day) }}</text></template>
        </g>
        <g v-for="l in locks" :key="l.id">
          <path class="chevron" :class="{ open: l.open }" :d="`M${x(l.at) + 5} ${y(l.lane) - BED - 3}l-8 ${BED + 3}l8 ${BED + 3}`" />
          <text v-if="l.side" class="strong" text-anchor="middle" :x="l.mid" :y="y(l.lane) + (l.side > 0 ? 31 : -20)">{{ short(l.label) }}</text>
        </g>
        <circle v-for="s in found.starts.slice(0, 6)" :key="s.id" class="start" :cx="TODAY + 7" :cy="y(s.lane)" r="6.5" />
        <path class="axis" :d="`M8 ${AXIS}H${WIDTH - 8}`" />
        <path class="now" :d="`M${TODAY} 50V${AXIS}`" /><text class="strong" text-anchor="middle" :x="TODAY" :y="AXIS + 18">today, {{ said(given.today) }}</text>
        <text v-for="m in marks" :key="m.at" text-anchor="middle" :x="x(m.at)" :y="AXIS + 18">{{ said(m.day) }}</text><path v-for="m in marks" :key="`m${m.at}`" class="axis" :d="`M${x(m.at)} ${AXIS}v5`" />
        <template v-if="target">
          <path class="hill" :d="hill" />
          <path class="whisker" :d="`M${x(target.low_h)} ${AXIS - 5}v10M${x(target.high_h)} ${AXIS - 5}v10M${x(target.low_h)} ${AXIS}H${x(target.high_h)}`" /><circle class="likely" :cx="x(target.likely_h)" :cy="AXIS" r="5" />
        </template>
      </svg>
    </div>
    <p v-if="target" class="mute">The {{ what }}: {{ said(target.low) }} to {{ said(target.high) }} in 80 of 100 cases, likely {{ said(target.likely) }}.<template v-if="given.lift_days"> The hoist is used on {{ given.lift_days }} days{{ given.hoist_rented ? `; rented from the first to the last it costs ${given.lift_held}` : '' }}.</template><template v-if="given.proved"> No shorter order of these hours exists.</template></p>
  </section>
</template>

<style scoped>
.river {
  --lettering: 13.5px;
  --least: 900px;
}
.weekend {
  fill: var(--glass);
}
path {
  fill: none;
}
.bank {
  stroke: var(--mute);
  stroke-width: 22;
  opacity: 0.6;
}
.bank.wide {
  stroke-width: 28;
}
.bank.thin {
  stroke-width: 16;
}
.bed {
  stroke: var(--paper);
  stroke-width: 19;
}
.bed.wide {
  stroke-width: 25;
}
.bed.thin {
  stroke-width: 13.5;
}
.water {
  stroke: var(--fit);
  stroke-width: 17;
}
.dries {
  stroke: var(--mute);
  stroke-width: 7;
  stroke-dasharray: 2 4;
}
.thread {
  stroke: var(--brass-line);
  stroke-width: 2.5;
}
.damfill {
  fill: var(--over-soft);
}
.damline {
  stroke: var(--over);
  stroke-width: 4;
}
.cap {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.lead {
  stroke: var(--mute);
  stroke-width: 1.2;
  stroke-dasharray: 2 3;
}
.lead.late {
  stroke: var(--over);
  stroke-dasharray: none;
}
.parcel {
  fill: var(--card);
  stroke: var(--mute);
  stroke-width: 1.5;
}
.chevron {
  stroke: var(--ink);
  stroke-width: 3;
}
.chevron.open {
  stroke: var(--brass-line);
}
.start {
  fill: var(--card);
  stroke: var(--brass-line);
  stroke-width: 3;
}
.now,
.whisker {
  stroke: var(--ink);
  stroke-width: 2;
}
.axis {
  stroke: var(--line);
  stroke-width: 1.5;
}
.hill {
  fill: color-mix(in srgb, var(--fit) 30%, transparent);
}
.likely {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2.5;
}
</style>
