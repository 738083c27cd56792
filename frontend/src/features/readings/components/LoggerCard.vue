<script setup lang="ts">
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { floor } from '../../../api/floor'
import { useBuild } from '../../../stores/build'
import Pick from '../../../ui/Pick.vue'
import { saveBytes } from '../../../ui/save'
import { useReadings } from '../useReadings'
import { said } from '../../../ui/said'

/** The simulated logger: this build's engine through a drive, sound or with a fault, as a file; or heard on a port of this machine. */
const readings = useReadings()
const build = useBuild()
const fault = ref('')
const picked = ref('')
const drives = computed(() => (readings.found?.drives ?? []).map((d) => ({ value: d.id, label: d.label })))
const drive = computed({ get: () => drives.value.find((d) => d.value === picked.value)?.value ?? drives.value[0]?.value ?? '', set: (v) => (picked.value = v) })
const faults = computed(() => (readings.found?.faults ?? []).map((f) => ({ value: f.id, label: f.label })))
const trouble = ref('')
const told = (error: unknown) => (trouble.value = said(error))
const name = computed(() => `simulated ${fault.value || 'sound'}.csv`)
async function log(take: boolean): Promise<void> {
  trouble.value = ''
  try {
    const csv = await floor.logged(build.document, { drive: drive.value, fault: fault.value, seed: 7 })
    if (take) await readings.open(name.value, csv)
    else saveBytes(csv, name.value.replace('.csv', ''), '.csv')
  } catch (error) {
    told(error)
  }
}

const port = ref('8790')
const heard = shallowRef<string[]>([])
const line = shallowRef<AbortController | null>(null)
async function listen(): Promise<void> {
  trouble.value = ''
  heard.value = []
  const own = (line.value = new AbortController())
  try {
    await floor.listen(Number(port.value), own.signal, (event) => (heard.value = [...heard.value, ...event.lines]))
    await done()
  } catch (error) {
    if (!own.signal.aborted) told(error)
  } finally {
    if (line.value === own) line.value = null
  }
}
async function done(): Promise<void> {
  line.value?.abort()
  if (heard.value.length > 1) await readings.open('heard.csv', new Blob([heard.value.join('\n')]))
}
onBeforeUnmount(() => line.value?.abort())
</script>

<template>
  <section class="card pad" data-logger>
    <h2 class="label">A simulated logger</h2>
    <p class="mute">To try this page at a desk: this build's engine through a drive, its gauges with their noise, its factors a little off.</p>
    <div class="grid">
      <label class="asks">Drive<Pick v-model="drive" label="Drive of the logger" :options="drives" /></label>
      <label class="asks">It is<Pick v-model="fault" label="What is wrong" :options="faults" /></label>
    </div>
    <p class="do"><button class="button" type="button" :disabled="!drive" @click="log(true)">Log it and open that</button><button class="textlink" type="button" :disabled="!drive" @click="log(false)">save the file</button></p>
    <form class="do" @submit.prevent="listen"><label class="asks">Or hear one on port<input v-model="port" class="input" inputmode="numeric" maxlength="5" /></label><button v-if="!line" class="button" type="submit">Listen</button><button v-else class="button" type="button" @click="done">Stop and open it</button><span v-if="line" class="mute" role="status">{{ heard.length }} lines</span></form>
    <p class="mute small">Such a one: <code>./gw logger --demo quarry-mule --port 8790</code></p>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 8px 12px;
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
  margin-top: 8px;
}
.do .input {
  width: 90px;
}
.small {
  font-size: 13.5px;
  margin-top: 6px;
  overflow-wrap: anywhere;
}
@media (max-width: 720px) {
  .do .input {
    min-height: 44px;
  }
}
</style>
