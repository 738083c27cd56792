<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useInstrument } from '../../../station/useInstrument'
import { useBuild } from '../../../stores/build'
import { useVocabulary } from '../../../stores/vocabulary'
import Slide from '../../../ui/Slide.vue'
import Unseen from '../../../ui/Unseen.vue'
import { tallest } from '../logic'

/** Water at the front, still and with its wave, against what must stay dry; depth and speed are dragged. */
const words = useVocabulary()
const build = useBuild()
const depth = ref<number | null>(null)
const speed = ref<number | null>(null)
watch(() => build.build?.revision, () => (depth.value = speed.value = null))
const options = computed(() => ({ ...(depth.value === null ? {} : { depth: depth.value / 100 }), ...(speed.value === null ? {} : { speed: speed.value / 36 }) }))
const { data, waiting } = useInstrument('air/water', options)
const atDepth = computed({ get: () => depth.value ?? Math.round(100 * (data.value?.depth ?? 0.5)), set: (v: number) => (depth.value = v) })
const atSpeed = computed({ get: () => speed.value ?? Math.round(36 * (data.value?.speed ?? 1.39)), set: (v: number) => (speed.value = v) })
const high = computed(() => (data.value ? tallest(data.value) : 1))
const y = (metres: number) => 220 - (210 * metres) / high.value
const stands = computed(() => (data.value ? data.value.depth + data.value.wave : 0))
const known = computed(() => data.value?.dry.filter((d) => d.height !== null).map((d, i) => ({ ...d, height: d.height ?? 0, x: 300 + 105 * i, wet: (d.height ?? 0) < stands.value, near: (d.height ?? 0) < stands.value + d.spare })) ?? [])
const h = (v: number) => words.show(v, 'height')
const said = computed(() => {
  const inlet = known.value.find((d) => d.id === 'inlet')
  if (!inlet) return 'The inlet\'s height is not stated: measure its lowest lip over the ground.'
  const left = inlet.height - stands.value
  return left < 0 ? `The inlet is ${h(-left)} under the wave.` : left < inlet.spare ? `The inlet is ${h(left)} over the wave; ${h(inlet.spare)} are kept.` : `The inlet stays ${h(left)} over the wave.`
})
const deepest = computed(() => {
  const d = data.value
  if (!d?.deepest) return null
  const i = d.speeds.reduce((best, v, k) => (Math.abs(v - d.speed) < Math.abs((d.speeds[best] ?? 0) - d.speed) ? k : best), 0)
  return d.deepest[i] ?? null
})
</script>

<template>
  <section class="card pad" data-water>
    <h2 class="label">Water at the front</h2>
    <template v-if="data">
      <p><strong>{{ said }}</strong> {{ data.asked ? '' : 'Nobody asks it to wade; try a depth.' }}</p>
      <div class="drawing" tabindex="0"><svg viewBox="0 -6 640 244" role="img" :aria-label="`Water ${h(data.depth)} deep stands ${h(stands)} at the front`">
        <path :d="`M0 ${y(data.depth)}H180C230 ${y(data.depth)} 236 ${y(stands)} 262 ${y(stands)}H640V220H0Z`" class="water" />
        <line x1="0" x2="640" y1="220" y2="220" class="ground" />
        <text x="6" :y="y(data.depth) - 6" class="strong">{{ h(data.depth) }} still</text>
        <text x="288" :y="y(stands) - 8" text-anchor="end">{{ h(data.wave) }} of wave at {{ words.show(data.speed, 'speed') }}</text>
        <g v-for="d in known" :key="d.id">
          <line :x1="d.x" :x2="d.x" y1="220" :y2="y(d.height)" class="post" />
          <circle :cx="d.x" :cy="y(d.height)" r="7" class="mark" :class="{ over: d.wet, near: d.near && !d.wet }" />
          <text :x="d.x + 11" :y="y(d.height) + 1" :class="{ over: d.near, strong: true }">{{ d.name }}</text>
          <text :x="d.x + 11" :y="y(d.height) + 16">{{ h(d.height) }}</text>
        </g>
      </svg></div>
      <Slide v-model="atDepth" label="Still water" :min="0" :max="150" :text="words.show(data.depth, 'height')" />
      <Slide v-model="atSpeed" label="at" :min="0" :max="150" :text="words.show(data.speed, 'speed')" />
      <p class="mute"><template v-if="deepest !== null">At that speed the inlet lets it into {{ h(deepest) }} of still water. </template>{{ words.show(data.locks, 'volume') }} of water in one cylinder lock it{{ data.ratio_stated ? '' : ', compression taken' }}. The wave is what meets a flat front; a splash goes higher. Brakes dry, vents up, fan off before deep water.</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
</template>

<style scoped>
.drawing {
  --lettering: 13px;
}
.water {
  fill: color-mix(in oklab, var(--air) 40%, var(--glass));
  stroke: var(--air);
}
.ground {
  stroke: var(--ink);
  stroke-width: 2;
}
.post {
  stroke: var(--mute);
  stroke-dasharray: 3 3;
}
.mark {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.mark.near {
  stroke: var(--over);
  stroke-dasharray: 3 2;
}
.mark.over {
  fill: var(--over);
  stroke: var(--over);
}
</style>
