<script setup lang="ts">
import { computed } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import { clip, path, withCrankcase, type TiltedPan, type Point } from '../logic'

/** The pan from the side, to scale, in engine axes: its oil under the acceleration, the level at rest, the pickup. */
const props = defineProps<{ data: TiltedPan }>()
const words = useVocabulary()
const MM = 1000
const flip = ([x, z]: Point): Point => [MM * x, -MM * z]
const whole = computed(() => withCrankcase(props.data.outline, props.data.crankcase))
const box = computed(() => {
  const points = whole.value.map(flip)
  const xs = points.map((p) => p[0])
  const ys = points.map((p) => p[1])
  const [left, top] = [Math.min(...xs), Math.min(...ys)]
  return { left, top, width: Math.max(...xs) - left, height: Math.max(...ys) - top }
})
const unit = computed(() => box.value.width / 270) // what one drawn pixel is, so that type keeps its size
const under = (normal: number[], height: number) => clip(whole.value, normal[0] ?? 0, normal[2] ?? 1, height - (normal[1] ?? 0) * props.data.pickup[1])
const oil = computed(() => path(under(props.data.normal, props.data.height).map(flip)))
const rest = computed(() => under(props.data.rest_normal, props.data.rest_height).map(flip))
const level = computed(() => {
  // The surface's ends: the two highest corners of what the clip left.
  const line = rest.value.filter(([x, y]) => Math.abs((props.data.rest_normal[0] * x) / MM - (props.data.rest_normal[2] * y) / MM - (props.data.rest_height - props.data.rest_normal[1] * props.data.pickup[1])) < 1e-6)
  return line.length >= 2 ? { from: line[0] as Point, to: line[line.length - 1] as Point } : null
})
const foot = computed(() => flip([props.data.pickup[0], props.data.pickup[2]]))
const tip = computed<Point>(() => [foot.value[0] + MM * props.data.head * props.data.normal[0], foot.value[1] - MM * props.data.head * props.data.normal[2]])
const said = computed(() => (props.data.head >= 0 ? `${words.show(props.data.head, 'size')} over the pickup` : `${words.show(-props.data.head, 'size')} short: draws air`))
const rightward = computed(() => foot.value[0] < box.value.left + 0.55 * box.value.width) // where there is room to write
const depth = computed(() => -Math.min(...props.data.outline.map((p) => p[1])))
const length = computed(() => Math.max(...props.data.outline.map((p) => p[0])) - Math.min(...props.data.outline.map((p) => p[0])))
const rail = computed(() => -MM * Math.max(...props.data.outline.map((p) => p[1])))
</script>

<template>
  <svg :viewBox="`${box.left - 14 * unit} ${box.top - 30 * unit} ${box.width + 92 * unit} ${box.height + 66 * unit}`" role="img" :aria-label="`Pan from the side: ${said}`" :style="{ '--u': `${unit}px` }">
    <path :d="oil" class="oil" />
    <path :d="path(whole.map(flip))" class="case" />
    <path :d="`M${data.outline.map(flip).map((p) => p.join(' ')).join('L')}`" class="pan" />
    <line :x1="box.left" :x2="box.left + box.width" :y1="rail" :y2="rail" class="rail" />
    <line v-if="level" :x1="level.from[0]" :y1="level.from[1]" :x2="level.to[0]" :y2="level.to[1]" class="level" />
    <g v-if="data.sweep" class="sweep"><line :x1="box.left" :x2="box.left + box.width" :y1="rail - MM * (data.sweep.height - data.sweep.radius)" :y2="rail - MM * (data.sweep.height - data.sweep.radius)" /><text :x="box.left + box.width + 8 * unit" :y="rail - MM * (data.sweep.height - data.sweep.radius) + 5 * unit">big ends</text></g>
    <rect :x="foot[0] - 4 * unit" :y="box.top" :width="8 * unit" :height="foot[1] - box.top - 6 * unit" class="pipe" />
    <path :d="`M${foot[0] - 22 * unit} ${foot[1]}h${44 * unit}l${-8 * unit} ${-12 * unit}h${-28 * unit}z`" class="foot" />
    <line :x1="foot[0] + 30 * unit" :y1="foot[1]" :x2="tip[0] + 30 * unit" :y2="tip[1]" :class="['head', { over: data.head < 0 }]" />
    <text :x="foot[0] + (rightward ? 10 : -10) * unit" :y="box.top + 18 * unit" :text-anchor="rightward ? 'start' : 'end'" :class="['said', { over: data.head < 0 }]">{{ said }}</text>
    <text :x="box.left + box.width / 2" :y="box.top - 10 * unit" text-anchor="middle">{{ words.show(length, 'size') }} · front of the engine →</text>
    <text :x="box.left + box.width + 8 * unit" :y="rail + MM * depth * 0.55">{{ words.show(depth, 'size') }}</text>
    <text :x="box.left + box.width + 8 * unit" :y="rail + 5 * unit">rail</text>
    <text :x="foot[0]" :y="box.top + box.height + 22 * unit" text-anchor="middle">{{ words.show(data.pickup[2] - data.floor, 'size') }} to the floor</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-height: 330px;
}
.oil {
  fill: var(--oil);
  opacity: 0.55;
}
.case {
  fill: none;
  stroke: var(--line);
  stroke-width: calc(1.5 * var(--u));
  stroke-dasharray: calc(4 * var(--u)) calc(4 * var(--u));
}
.pan {
  fill: none;
  stroke: var(--ink);
  stroke-width: calc(2.5 * var(--u));
}
.rail {
  stroke: var(--mute);
  stroke-width: var(--u);
}
.level {
  stroke: var(--oil);
  stroke-width: calc(1.5 * var(--u));
  stroke-dasharray: calc(6 * var(--u)) calc(4 * var(--u));
}
.sweep line {
  stroke: var(--mute);
  stroke-width: calc(1.5 * var(--u));
  stroke-dasharray: calc(2 * var(--u)) calc(3 * var(--u));
}
.pipe {
  fill: var(--mute);
}
.foot {
  fill: var(--ink);
}
.head {
  stroke: var(--ink);
  stroke-width: calc(1.5 * var(--u));
}
.head.over {
  stroke: var(--over);
}
text {
  font: 500 calc(13.5 * var(--u)) var(--labels);
  fill: var(--mute);
}
.said {
  font-weight: 600;
  fill: var(--ink);
}
.said.over {
  fill: var(--over);
}
</style>
