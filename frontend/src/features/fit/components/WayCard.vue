<script setup lang="ts">
import type { Sought } from '../../../api/client'
import { useSearch } from '../../../station/useSearch'
import { useVocabulary } from '../../../stores/vocabulary'
import CautionNote from '../../../ui/CautionNote.vue'
import ProgressLine from '../../../ui/ProgressLine.vue'

/** In and out: from above or below, with the gearbox or after; what must be off first. */
type Way = Sought<'fit/way'>['ways'][number]
const words = useVocabulary()
const { found, progress, failed, stale, ask, stop } = useSearch('fit/way')
const title = (w: Way) => `From ${w.side}, ${w.gearbox ? 'gearbox on' : 'engine alone'}`
/** To the centimetre: nobody lifts by less. */
const round = (m: number) => words.show(Math.round(100 * Math.abs(m)) / 100, 'length')
const leg = (l: Way['legs'][number]) => [
  Math.abs(l.ahead) > 0.01 ? `${round(l.ahead)} ${l.ahead > 0 ? 'forward' : 'back'}` : '',
  Math.abs(l.left) > 0.01 ? `${round(l.left)} to the ${l.left > 0 ? 'left' : 'right'}` : '',
  Math.abs(l.up) > 0.01 ? `${round(l.up)} ${l.up > 0 ? 'up' : 'down'}` : '',
  Math.abs(l.pitch) > 1e-6 ? `tilting ${words.show(Math.abs(l.pitch), 'angle')} ${l.pitch > 0 ? 'nose up' : 'nose down'}` : '',
].filter(Boolean).join(' while ')
/** Where the hook is over the engine's place and at each leg's end: how high the boom, how far over the panel it reaches. */
function hook(w: Way): string {
  const highest = Math.max(...w.legs.map((l) => l.hook_over))
  const farthest = Math.max(found.value?.hook_behind ?? 0, ...w.legs.map((l) => l.hook_behind))
  return `The hook goes from ${round(found.value?.hook_over ?? 0)} to ${round(highest)} over the floor, at most ${round(farthest)} behind the panel.`
}
</script>

<template>
  <section class="card pad" data-way>
    <div class="cardhead">
      <h2 class="label">The way in and out</h2>
      <button v-if="!progress" class="button" type="button" @click="ask">{{ found ? 'Seek again' : 'Seek the way' }}</button>
    </div>
    <CautionNote text="No hand in the bay while the engine hangs from a hook: set it on mounts or rated stands first." />
    <ProgressLine v-if="progress" :done="progress.done" :of="progress.of" label="Kinds of way tried" stoppable @stop="stop" />
    <template v-if="found">
      <p v-if="stale" class="mute">Of the build before the last change.</p>
      <ol class="ways">
        <li v-for="w in found.ways" :key="w.side + w.gearbox">
          <span class="line"><strong>{{ title(w) }}</strong><span class="figure" :class="{ over: !w.goes }">{{ w.goes ? `${words.show(w.gap, 'size')} clear` : 'does not go' }}</span></span>
          <span v-if="w.goes">{{ w.legs.map(leg).join(', then ') }}.</span>
          <span v-if="w.goes && w.side === 'above'" class="mute">{{ hook(w) }}</span>
          <span v-else class="mute">{{ w.nearest }} stops the best of {{ w.tried }} ways tried, by {{ words.show(Math.max(-w.gap, 0), 'size') }}.</span>
          <span v-if="w.goes && w.off.length">Off first: {{ w.off.map((o) => o.toLowerCase()).join(', ') }}.</span>
          <span v-else-if="w.goes" class="mute">Only the bonnet off.</span>
        </li>
      </ol>
      <p class="mute">The way in is the same backwards. Straight legs and one that tilts, {{ words.show(found.keep, 'size') }} kept all the way; the engine alone is drawn off its gearbox first.</p>
    </template>
    <p v-else-if="failed" class="over" role="alert">The search did not come through. Try again.</p>
    <p v-else-if="!progress" class="mute">From above and from below, with the gearbox on and off: which way it goes, how near it passes, and what must be off first.</p>
  </section>
</template>

<style scoped>
.ways {
  list-style: none;
  margin: 8px 0;
  padding: 0;
}
.ways li {
  display: grid;
  gap: 2px;
  padding: 7px 0;
  border-top: 1px solid var(--line);
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
</style>
