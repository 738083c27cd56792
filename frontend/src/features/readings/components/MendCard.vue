<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Change } from '../../../api/client'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import { STEPS, useOutlook } from '../../../stores/outlook'
import { shortId } from '../../../stores/shortId'
import AddLine from '../../../ui/AddLine.vue'
import ProgressLine from '../../../ui/ProgressLine.vue'
import { entry } from '../logic'
import { useReadings } from '../useReadings'
import { dayOf } from '../../../ui/day'

/** What is to be mended after the shakedown; changes that the model tried, with what each mends by how much. */
const readings = useReadings()
const outlook = useOutlook()
const { send, trouble } = useSending()
const asked = ref(false)
function work(): void {
  asked.value = true
  outlook.ask(['changes'])
}
const listed = computed(() => readings.found?.mends ?? [])
const open = computed(() => listed.value.filter((m) => !m.done))
const done = computed(() => listed.value.filter((m) => m.done))
const worth = computed(() => (asked.value ? (outlook.singles ?? []) : []).filter((c) => (c.mends || c.gain) && !listed.value.some((m) => m.text === c.label)).slice(0, 8))
const by = (c: Change) => [c.gain || c.whole, c.own].filter(Boolean).join('; ')
const add = (text: string) => send(...entry('mends', shortId(), { text }))
const put = (c: Change) => send(...entry('mends', shortId(), { text: c.label, system: c.system, gains: by(c).slice(0, 200) }))
const tick = (id: string, on: boolean) => send(line(`readings.mends.${id}.done`, on ? dayOf(new Date()) : null))
</script>

<template>
  <section class="card pad" data-mends>
    <div class="cardhead"><h2 class="label">Mend list</h2><span v-if="listed.length" class="mute">{{ open.length }} to do</span></div>
    <ul v-if="listed.length">
      <li v-for="m in [...open, ...done]" :key="m.id"><label><input type="checkbox" :checked="Boolean(m.done)" @change="tick(m.id, !m.done)" /><span :class="{ mute: m.done }">{{ m.text }}<span v-if="m.gains" class="mute block">{{ m.gains }}</span></span></label><button class="textlink noprint" type="button" :aria-label="`take out: ${m.text}`" @click="send(line(`readings.mends.${m.id}`, null, { action: 'remove' }))">take out</button></li>
    </ul>
    <AddLine label="To be mended" like="Header tank weeps at its neck" button="Put it on" :add="add" />
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    <p class="noprint"><button v-if="!asked" class="textlink" type="button" @click="work">What would mend it, and by how much?</button></p>
    <ProgressLine v-if="asked && outlook.progress" :label="STEPS[outlook.progress.what] ?? outlook.progress.what" :done="outlook.progress.done" :of="outlook.progress.of" />
    <p v-if="asked && outlook.failed" class="over" role="alert">It could not be worked just now. <button class="textlink" type="button" @click="outlook.again">Try again</button></p>
    <ul v-if="worth.length">
      <li v-for="c in worth" :key="c.id"><span>{{ c.label }}<span class="mute block">{{ by(c) }}</span></span><button class="textlink" type="button" :aria-label="`put it on the list: ${c.label}`" @click="put(c)">put it on the list</button></li>
    </ul>
    <p v-else-if="asked && outlook.singles && !outlook.progress" class="mute">Nothing that was tried mends more.</p>
  </section>
</template>

<style scoped>
ul {
  margin: 4px 0;
  padding: 0;
}
li {
  list-style: none;
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: baseline;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
li .textlink {
  white-space: nowrap;
}
label {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.block {
  display: block;
}
@media (max-width: 720px) {
  label {
    min-height: 44px;
  }
}
</style>
