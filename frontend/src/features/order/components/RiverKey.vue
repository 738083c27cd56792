<script setup lang="ts">
/** What the drawing's signs mean. */
</script>

<template>
  <p class="key"><span><i class="water" />water: done</span><span><i class="gate" />lock: prove, sign, open</span><span><i class="dam" />dam: work waits for it</span><span><i class="thread" />thread: the longest way</span><span><i class="weekend" />weekend</span></p>
</template>

<style scoped>
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  font: 500 13.5px/1.3 var(--labels);
}
i {
  display: inline-block;
  width: 14px;
  height: 9px;
  margin-right: 6px;
}
i.water {
  background: var(--fit);
}
i.gate {
  width: 8px;
  height: 8px;
  border: solid var(--ink);
  border-width: 0 0 2.5px 2.5px;
  transform: rotate(45deg);
}
i.dam {
  background: repeating-linear-gradient(135deg, var(--over) 0 2px, var(--over-soft) 2px 4px);
}
i.thread {
  height: 3px;
  background: var(--brass-line);
  vertical-align: 3px;
}
i.weekend {
  background: var(--glass);
  border: 1px solid var(--line);
}
</style>
