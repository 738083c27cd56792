<script setup lang="ts">
import { computed } from 'vue'
import { useSending } from '../../../station/useSending'
import { line } from '../../../stores/build'
import Pick from '../../../ui/Pick.vue'
import type { Thing } from '../logic'
import { useOrder } from '../useOrder'

/** A kit: what of it is in the box, and what it lacks on this build. */
const props = defineProps<{ thing: Thing }>()
const order = useOrder()
const { send, trouble } = useSending()
const kits = computed(() => Object.entries(order.order?.kits ?? {}).map(([value, kit]) => ({ value, label: kit.label })))
const holds = computed(() => Object.entries(order.order?.kits[props.thing.kit]?.holds ?? {}))
const toggle = (id: string) => {
  const now = props.thing.holds.includes(id) ? props.thing.holds.filter((h) => h !== id) : [...props.thing.holds, id]
  return send(line(`${props.thing.path}.holds`, now.join(', ') || null))
}
</script>

<template>
  <div class="kit">
    <label><span class="mute">It is a kit for</span><Pick :label="`${thing.label} is a kit for`" :options="[{ value: '', label: 'no kit' }, ...kits]" :model-value="thing.kit" @update:model-value="(v) => send(line(`${thing.path}.kit`, String(v ?? '') || null))" /></label>
    <div v-if="holds.length" class="holds"><label v-for="[id, label] in holds" :key="id" class="one"><input type="checkbox" :checked="thing.holds.includes(id)" @change="toggle(id)" />{{ label }}</label></div>
    <p v-if="thing.lacks.length" class="over">It lacks: {{ thing.lacks.join(', ') }}.</p>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.kit {
  display: grid;
  gap: 6px;
}
.holds {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
.one {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
@media (max-width: 720px) {
  .one {
    min-height: 44px;
  }
}
</style>
