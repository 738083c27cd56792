<script setup lang="ts">
import { computed, ref } from 'vue'
import { hourOf } from '../logic'
import { useStart } from '../useStart'
import HoldCard from './HoldCard.vue'
import ListCard from './ListCard.vue'
import LockMark from './LockMark.vue'

/** All locks: shut ones first, each opens to how it is proved. */
const start = useStart()
const open = ref('')
/** The exceptions are tinted, not the rule. */
const few = computed(() => start.shut.length * 2 <= start.holds.length)
</script>

<template>
  <ListCard title="Locks, before the engine is started">
    <ul>
      <li v-for="s in start.holds" :key="s.hold.id" :class="{ shut: !s.proved && few }">
        <button type="button" class="row" :aria-expanded="open === s.hold.id" @click="open = open === s.hold.id ? '' : s.hold.id">
          <LockMark :open="s.proved" />
          <span class="what"><b>{{ s.hold.label }}</b><span class="mute">{{ s.value || (s.hold.by_order && !s.signed ? 'signed in Order of work' : s.by ? `signed ${s.by}` : s.hold.proof.split('. ')[0]) }}</span></span>
          <span class="state" :class="{ over: !s.proved }">{{ s.proved ? hourOf(s.at) || 'open' : s.wrong ? 'does not prove it' : 'shut' }}</span>
        </button>
        <div v-if="open === s.hold.id" class="in"><HoldCard :standing="s" /><button v-if="s.proved" class="textlink" type="button" @click="start.unsign(s.hold)">shut it again</button></div>
      </li>
    </ul>
  </ListCard>
</template>

<style scoped>
.shut {
  background: var(--over-soft);
}
.row {
  display: flex;
  gap: 12px;
  align-items: center;
  width: 100%;
  min-height: 54px;
  padding: 7px 14px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.what {
  flex: 1;
  display: grid;
  min-width: 0;
}
.what .mute {
  font-size: 13.5px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.shut .mute {
  color: var(--ink);
}
.state {
  font: 600 14px var(--labels);
}
.in {
  padding: 0 14px 12px;
}
</style>
