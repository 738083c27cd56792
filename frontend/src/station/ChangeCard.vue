<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Change } from '../api/client'
import { line, useBuild } from '../stores/build'
import { useOutlook } from '../stores/outlook'

/** One change that was run on the build: what it buys, what else it moves; one tap makes it. */
const props = defineProps<{ change: Change; prices?: boolean }>()
const build = useBuild()
const outlook = useOutlook()
const trouble = ref('')
const busy = ref(false)
const pricing = ref(false)
const price = ref('')
/** How sure the build gets, where that was drawn and says something. */
const sure = computed(() => {
  const [was, will] = [outlook.sureNow, props.change.sure]
  return was === null || will === null || Math.abs(will - was) < 0.01 ? '' : `holds in ${will > was ? '+' : '−'}${Math.round(100 * Math.abs(will - was))} % of cases`
})
const single = () => !props.change.id.includes('+')

async function make(): Promise<void> {
  busy.value = true
  const problem = await build.enqueue(props.change.edits.map((e) => line(e.path, e.text, { evidence: e.evidence, action: e.action })))
  trouble.value = problem?.message ?? ''
  busy.value = false
}
function begin(): void {
  price.value = props.change.price ?? ''
  pricing.value = true
}
async function setPrice(): Promise<void> {
  if (!pricing.value) return
  const typed = price.value.trim()
  if (typed !== (props.change.price ?? '')) {
    const problem = await build.enqueue([line(props.change.id, typed || null, { action: 'price' })])
    trouble.value = problem?.message ?? ''
    if (problem) return
  }
  pricing.value = false
}
</script>

<template>
  <article class="change" :class="{ rejected: change.rejected }" :data-change="change.id">
    <div class="top">
      <h3>{{ change.label }}</h3>
      <span class="figure gain" :class="{ whole: change.whole || change.buys > 0.01 }">{{ change.whole || change.gain }}</span>
    </div>
    <p class="mute">
      {{ change.own }}<template v-if="change.mends">: holds</template><template v-for="other in change.others.slice(0, 3)" :key="other"> · {{ other }}</template><template v-for="item in change.beside" :key="item"> · {{ item }}</template>
      <template v-if="change.school"> · only how it is judged</template>
      <template v-if="sure"> · <strong>{{ sure }}</strong></template>
    </p>
    <p v-if="change.worse.length" class="over">Over already, and more so: {{ change.worse.join(', ').toLowerCase() }}</p>
    <p v-for="broken in change.broken" :key="broken" class="over">Breaks: {{ broken }}</p>
    <p class="acts noprint">
      <button class="button" type="button" :disabled="busy" @click="make">{{ change.rejected ? 'Make it all the same' : 'Make it' }}</button>
      <template v-if="prices && single()">
        <input v-if="pricing" v-model="price" class="input price" type="text" maxlength="20" placeholder="120" :aria-label="`Price of ${change.label}`" @keydown.enter="setPrice" @keydown.esc="pricing = false" @blur="setPrice" />
        <button v-else class="textlink" type="button" @click="begin">{{ change.price ? `costs ${change.price}` : 'price' }}</button>
      </template>
      <span v-else-if="change.price" class="mute">costs {{ change.price }}</span>
    </p>
    <p v-if="trouble" class="over" role="alert">{{ trouble }}</p>
  </article>
</template>

<style scoped>
.change {
  border-top: 1px solid var(--line);
  padding: 9px 14px 8px;
}
.top {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
h3 {
  font: 600 15px/1.25 var(--words);
}
.gain {
  color: var(--mute);
  white-space: nowrap;
}
.gain.whole {
  color: var(--cooling);
}
.rejected h3 {
  text-decoration: line-through;
  text-decoration-color: var(--over);
}
p {
  font-size: 13.5px;
  margin-top: 2px;
}
.acts {
  display: flex;
  align-items: center;
  gap: 12px;
  margin-top: 5px;
}
.acts .button {
  padding: 2px 10px;
}
.price {
  width: 84px;
}
@media (max-width: 720px) {
  .acts .button {
    min-height: 44px;
    padding: 8px 16px;
  }
}
</style>
