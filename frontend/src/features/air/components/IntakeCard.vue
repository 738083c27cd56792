<script setup lang="ts">
import { computed } from 'vue'
import DutyPick from '../../../station/DutyPick.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useVocabulary } from '../../../stores/vocabulary'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import NamedValues from '../../../ui/NamedValues.vue'
import Unseen from '../../../ui/Unseen.vue'
import { bars, whole, type IntakeView } from '../logic'
import { useHardest } from '../useHardest'

/** From outside to the valves: what each place takes, new and at service; what pressure and warmth cost; what would help most. */
const words = useVocabulary()
const { index } = useHardest()
const { data, waiting } = useInstrument('air/intake', computed(() => ({ duty: index.value })))
type Place = IntakeView['places'][number]
const drop = (v: number | null) => (v === null ? 'not stated' : words.show(v, 'pressure_small'))
const WIDTH = 560
const drawn = computed(() => (data.value ? bars(data.value.places, WIDTH) : []))
const COLUMNS: Column<Place>[] = [
  { key: 'name', title: 'On the way in', head: true, show: (p) => p.name },
  { key: 'bore', title: 'bore', right: true, mute: true, show: (p) => (p.bore === null ? '–' : words.show(p.bore, 'size')) },
  { key: 'speed', title: 'air', right: true, mute: true, show: (p) => (p.speed === null ? '–' : words.show(p.speed, 'speed_m_s')) },
  { key: 'takes', title: 'takes, new', right: true, show: (p) => drop(p.takes) },
  { key: 'service', title: 'at service', right: true, show: (p) => (p.takes === p.service ? '' : drop(p.service)) },
]
const helped = computed(() => data.value?.helped.filter((h) => h.gain > 0).map((h) => ({ label: `With ${h.name}`, shown: `${words.show(h.gain, 'power')} more` })) ?? [])
const name = (id: string) => data.value?.places.find((p) => p.id === id)?.name ?? ''
const throttled = computed(() => data.value?.places.some((p) => p.id === 'throttle') ?? false)
const begun = computed(() => data.value?.places.some((p) => p.takes !== null) ?? false)
</script>

<template>
  <section class="card pad" data-intake>
    <div class="cardhead">
      <h2 class="label">The way in</h2>
      <DutyPick v-model="index" />
    </div>
    <template v-if="data && begun">
      <p>It costs <strong>{{ words.show(data.pressure_cost + data.heat_cost, 'power') }}</strong> of {{ words.show(data.power, 'power') }}: {{ words.show(data.pressure_cost, 'power') }} by what it takes, {{ words.show(data.heat_cost, 'power') }} by air at {{ words.show(data.drawn, 'temperature') }} instead of {{ words.show(data.outside, 'temperature') }}.</p>
      <div class="drawing" tabindex="0"><svg :viewBox="`-4 -16 ${WIDTH + 70} 74`" role="img" :aria-label="`What the way in takes: ${words.show(data.total, 'pressure_small')} new, ${words.show(whole(data.places), 'pressure_small')} at service`">
        <g v-for="(b, i) in drawn" :key="b.id">
          <rect :x="b.from" y="14" :width="Math.max(b.service - b.from, 1)" height="22" class="service" />
          <rect :x="b.from" y="14" :width="Math.max(b.to - b.from, 1)" height="22" class="new" />
          <text :x="b.from + 2" :y="i % 2 ? 52 : 6">{{ name(b.id) }}</text>
        </g>
        <text :x="WIDTH + 6" y="30" class="strong">{{ words.show(whole(data.places), 'pressure_difference') }}</text>
      </svg></div>
      <DataTable :id="(p) => p.id" label="On the way in" :columns="COLUMNS" :rows="data.places" />
      <p class="mute">{{ words.show(data.flow, 'air_flow') }} of air, drawn {{ data.draws }}{{ data.draws_stated ? '' : ', taken so: state it' }}. At service {{ words.show(data.service, 'pressure_difference') }} of it stand ahead of the {{ throttled ? 'throttle' : 'engine' }}<template v-if="data.allowed !== null">, {{ words.show(data.allowed, 'pressure_difference') }} are allowed</template>.<template v-if="data.idle_angle !== null"> The throttle idles at {{ words.show(data.idle_angle, 'angle') }} from square across.</template></p>
      <h2 v-if="helped.length" class="label more">What would give back most</h2>
      <NamedValues :rows="helped" />
    </template>
    <Unseen v-else :waiting="waiting">Give the area of the filter's medium, pleats laid out flat, and the bore of the pipe behind it.</Unseen>
  </section>
</template>

<style scoped>
.drawing {
  --lettering: 13px;
}
.new {
  fill: var(--air);
}
.service {
  fill: color-mix(in oklab, var(--air) 35%, var(--glass));
}
.more {
  margin-top: 12px;
}
</style>
