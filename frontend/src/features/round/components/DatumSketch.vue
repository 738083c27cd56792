<script setup lang="ts">
import { computed } from 'vue'
import { SKETCHES } from '../sketches'

/** Where the tape is laid: a plain drawing or two with the letters of the list. */
const props = defineProps<{ place: string; letters: Record<string, string> }>()
const drawn = computed(() => (SKETCHES[props.place] ?? []).map((sketch) => ({ sketch, marks: sketch.marks.filter((m) => props.letters[m.path]) })).filter((d) => d.marks.length))
</script>

<template>
  <figure v-for="{ sketch, marks } in drawn" :key="sketch.title">
    <svg :viewBox="sketch.view" role="img" :aria-label="`${sketch.title}: ${sketch.datum}`">
      <path v-for="shape in sketch.shapes" :key="shape" :d="shape" class="shape" />
      <path v-for="line in sketch.lines" :key="line" :d="line" class="line" />
      <text v-for="mark in marks" :key="mark.path" :x="mark.x" :y="mark.y">{{ letters[mark.path] }}</text>
    </svg>
    <figcaption class="mute">{{ sketch.title }}. {{ sketch.datum }} Not to scale.</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  padding: 4px 14px 8px;
}
svg {
  width: 100%;
  max-width: 340px;
  max-height: 190px;
}
.shape {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.line {
  fill: none;
  stroke: var(--brass-line);
  stroke-width: 1.5;
}
text {
  font: 700 15px var(--labels);
  fill: var(--brass);
}
figcaption {
  font-size: 13px;
}
</style>
