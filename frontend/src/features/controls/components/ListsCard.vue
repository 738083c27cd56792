<script setup lang="ts">
import { computed, ref } from 'vue'
import PartList from '../../../station/PartList.vue'
import { useInstrument } from '../../../station/useInstrument'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import ActList from '../../../ui/ActList.vue'
import DataTable from '../../../ui/DataTable.vue'
import type { Column } from '../../../ui/grid'
import Unseen from '../../../ui/Unseen.vue'
import type { AidsView } from '../logic'

/** Small controls: what each needs and whether the machine has it. */
const { send, add, trouble } = useSending()
const { data, waiting } = useInstrument('controls/aids', ref({}))
type Row = AidsView['aids'][number]
const COLUMNS: Column<Row>[] = [
  { key: 'what', title: 'Small control', head: true, show: (r) => r.what },
  { key: 'by', title: 'by', mute: true, show: (r) => r.by },
  { key: 'has', title: '', show: (r) => r.has },
  { key: 'serves', title: 'serves', show: (r) => r.said, over: (r) => r.serves === false },
]
const unsaid = computed(() => (data.value?.unsaid ?? []).map(([key = '', name = '']) => ({ key, name })))
async function list(what: string): Promise<void> {
  const made = await add('controls.aids')
  if (made !== null) await send(line(`controls.aids.${made}.what`, what))
}
</script>

<template>
  <section class="card pad" data-aids>
    <h2 class="label">Small controls</h2>
    <template v-if="data">
      <DataTable v-if="data.aids.length" :id="(r) => r.id" label="Small controls" :columns="COLUMNS" :rows="data.aids" />
      <p v-else class="mute">Kickdown, converter lock-up, cruise, choke, a diesel’s stop: each wants a cable’s travel, vacuum or a signal.</p>
      <template v-if="unsaid.length">
        <h3 class="label">Usual of such a machine, not listed</h3>
        <ActList act="list it" :rows="unsaid" @act="list" />
      </template>
      <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
    </template>
    <Unseen v-else :waiting="waiting">State the engine.</Unseen>
  </section>
  <PartList place="controls.aids" title="Small controls" empty="What it is, what works it, whether the machine has that." />
</template>
