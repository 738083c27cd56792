<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useVocabulary } from '../../../stores/vocabulary'
import CautionNote from '../../../ui/CautionNote.vue'
import { clock, type Hold, type Signed } from '../logic'
import { useStart } from '../useStart'

/** One hold to be proved: how, what is measured for it, the time it waits, and who signs. */
const props = defineProps<{ standing: { hold: Hold; signed: Signed | undefined; proved: boolean; wrong: boolean; by: string; value: string }; now?: boolean }>()
const start = useStart()
const words = useVocabulary()
const hold = computed(() => props.standing.hold)
const text = ref(props.standing.value)
const who = useLocalStorage('signs', '')
const waited = computed(() => (props.standing.signed?.began ? (start.now - Date.parse(props.standing.signed.began)) / 1000 : null))
const left = computed(() => (waited.value === null ? null : Math.max(hold.value.waits - waited.value, 0)))
const wanted = computed(() => (hold.value.least !== null ? `${words.show(hold.value.least, hold.value.kind)}${hold.value.most === null ? ' at least' : ` to ${words.show(hold.value.most, hold.value.kind)}`}` : ''))
const sign = () => void start.sign(hold.value, who.value.trim() || 'me')
</script>

<template>
  <section class="card pad" :class="{ now }">
    <h2 class="label">{{ now ? 'Do now' : 'Prove it' }}</h2>
    <p class="name">{{ hold.label }}</p>
    <p>{{ hold.proof }}</p>
    <CautionNote v-if="hold.caution" :text="hold.caution" />
    <form @submit.prevent="sign">
      <label v-if="hold.kind" class="asks">Measured<input v-model="text" class="input big" inputmode="decimal" maxlength="40" :placeholder="words.unit(hold.kind)" @change="text.trim() && start.measured(hold, text)" /></label>
      <button v-if="hold.waits && (left === null || left === 0)" class="button big" type="button" @click="start.waits(hold)">{{ left === 0 ? 'Again' : 'Start' }} {{ clock(hold.waits) }}</button>
      <p v-else-if="hold.waits && left !== null" class="figure wait" role="timer">{{ clock(left) }}</p>
      <label class="asks">Signed by<input v-model="who" class="input big" maxlength="60" placeholder="me" autocomplete="name" /></label>
      <button class="button main big" type="submit">It is proved</button>
    </form>
    <p v-if="standing.wrong" class="over" role="alert">{{ standing.value }} does not prove it: {{ wanted }}.</p>
    <p v-else-if="wanted" class="mute">{{ wanted }}.</p>
  </section>
</template>

<style scoped>
.now {
  border-left: 4px solid var(--brass-line);
}
.name {
  font: 600 19px/1.3 var(--words);
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: end;
  margin-top: 10px;
}
label {
  flex: 1 1 110px;
}
.big {
  min-height: 46px;
  font-size: 17px;
}
button.big {
  flex: 1 1 120px;
}
.wait {
  font: 600 30px/46px var(--labels);
  flex: 1 1 90px;
  text-align: center;
}
</style>
