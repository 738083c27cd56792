<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { Check, Report } from '../../api/client'
import { percent } from '../../ui/format'
import Well from '../../ui/Well.vue'
import { useBuild } from '../../stores/build'

/** How full each system runs, by duty. */
const props = defineProps<{ report: Report }>()
const build = useBuild()
const router = useRouter()
const systems = computed(() => Object.entries(props.report.systems).filter(([, block]) => block.checks.length || block.unknown.length))
const fullest = (id: string, duty: string) => {
  const own = props.report.systems[id]?.checks.filter((c) => c.duty === duty && c.class === 'limit') ?? []
  return own.reduce<Check | null>((most, c) => (most === null || c.fill > most.fill ? c : most), null)
}
const fill = (id: string, duty: string) => fullest(id, duty)?.fill ?? null
const open = (id: string) => void router.push({ name: id, params: { id: build.build?.id } })
</script>

<template>
  <div class="scroll" tabindex="0">
    <table>
      <thead>
        <tr><td /><th v-for="duty in report.duties" :key="duty.id" scope="col">{{ duty.name }}</th></tr>
      </thead>
      <tbody>
        <tr v-for="[id, block] in systems" :key="id">
          <th scope="row"><button type="button" class="plain" @click="open(id)">{{ block.title }}</button></th>
          <td v-for="duty in report.duties" :key="duty.id">
            <span class="cell">
              <Well :fill="fill(id, duty.id)" :system="id" :label="`${block.title}, ${duty.name}`" :low="fullest(id, duty.id)?.fill_low" :high="fullest(id, duty.id)?.fill_high" />
              <span class="figure" :class="{ over: (fill(id, duty.id) ?? 0) > 1 }">{{ percent(fill(id, duty.id)) }}</span>
            </span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 500;
  padding: 5px 10px 5px 0;
  white-space: nowrap;
}
thead th {
  font: 600 14px/1.3 var(--labels);
}
tbody tr {
  border-top: 1px solid var(--line);
}
.cell {
  display: flex;
  align-items: center;
  gap: 10px;
  white-space: nowrap;
  padding: 4px 14px 4px 0;
}
.plain {
  background: none;
  border: 0;
  padding: 2px 0;
  cursor: pointer;
  font-weight: 500;
}
</style>
