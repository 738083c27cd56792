<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Fact } from '../../api/client'
import { line, useBuild } from '../../stores/build'

/** How sure a fact is: by the table, the builder's own, or as far as the claims differ. */
const props = defineProps<{ path: string; fact: Fact }>()
const build = useBuild()
const text = ref('')
const trouble = ref('')
const given = computed(() => props.fact.evidence !== 'rule')
const own = computed(() => props.fact.tolerance ?? '')
watch(own, (value) => (text.value = value === 'claims' ? '' : value), { immediate: true })

async function set(value: string | null): Promise<void> {
  if ((value ?? '') === own.value) return
  const problem = await build.enqueue([line(props.path, value, { action: 'tolerance' })])
  trouble.value = problem ? `${problem.message} Understood: ${problem.problems[0]?.allowed ?? '5 % or 3 mm'}.` : ''
}
</script>

<template>
  <section>
    <h3 class="label">How sure</h3>
    <p>
      <span class="figure">{{ fact.half || 'exact' }}</span>
      <span class="mute"> 95 of 100 times, {{ own === 'claims' ? 'as far as the claims differ' : own ? 'as you say' : `as usual for ${given ? 'what is known so' : 'a rule'}` }}</span>
    </p>
    <form v-if="given" class="set" @submit.prevent="set(text.trim() || null)">
      <input v-model="text" class="input" type="text" maxlength="60" placeholder="5 % or 3 mm" aria-label="Own tolerance" />
      <button class="button" type="submit">Set</button>
      <button v-if="own" class="button" type="button" @click="set(null)">As usual</button>
      <button v-if="fact.claims?.length && own !== 'claims'" class="button" type="button" @click="set('claims')">As the claims differ</button>
    </form>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
section {
  margin-top: 16px;
}
.set {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}
.set .input {
  width: 130px;
}
</style>
