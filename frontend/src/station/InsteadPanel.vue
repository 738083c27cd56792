<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { foldSizes } from './changes'
import { useBuild } from '../stores/build'
import { useOutlook } from '../stores/outlook'
import ChangeCard from './ChangeCard.vue'
import OutlookState from './OutlookState.vue'

/** What could stand there instead: every change of this system, run on the build. */
const props = defineProps<{ system: string }>()
const outlook = useOutlook()
const FEW = 4
const all = ref(false)
const build = useBuild()
const missing = computed(() => [...new Set(build.report?.systems[props.system]?.unknown.map((u) => u.name.toLowerCase()))].map((name) => `what ${name} waits for`).join(' and '))
const own = computed(() => (outlook.singles ?? []).filter((c) => c.system === props.system))
const shown = computed(() => (all.value ? own.value : foldSizes(own.value).map((l) => l.change).slice(0, FEW)))
onMounted(() => outlook.ask(['bands', 'changes']))
</script>

<template>
  <section class="card" data-instead tabindex="-1" :class="{ stale: outlook.stale }">
    <h2 class="label head">Instead</h2>
    <div class="grid"><ChangeCard v-for="change in shown" :key="change.id" :change="change" prices /></div>
    <p v-if="outlook.singles && !own.length" class="mute none">{{ missing ? `Give ${missing} first: then changes are run on the build.` : 'Nothing tried here does more than what is fitted.' }}</p>
    <button v-if="own.length > shown.length || all" class="textlink more" type="button" @click="all = !all">{{ all ? 'fewer' : `all ${own.length}` }}</button>
    <OutlookState />
  </section>
</template>

<style scoped>
.head {
  padding: 11px 14px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(260px, 100%), 1fr));
}
.none,
.more {
  margin: 0 14px 10px;
}
.stale {
  opacity: 0.65;
}
</style>
