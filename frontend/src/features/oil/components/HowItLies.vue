<script setup lang="ts">
import { computed } from 'vue'
import { useBuild } from '../../../stores/build'
import { lies } from '../logic'

/** How the engine lies in the machine: from above with the machine's front, from its flywheel end with its cant, from its side with its tilt. */
const build = useBuild()
const degrees = (name: string) => ((build.build?.facts[`installation.${name}`]?.si ?? 0) * 180) / Math.PI
const yaw = computed(() => degrees('engine_yaw'))
const pitch = computed(() => degrees('engine_pitch'))
const roll = computed(() => degrees('engine_roll'))
const said = computed(() => lies(yaw.value, pitch.value, roll.value))
</script>

<template>
  <section class="card pad">
    <h2 class="label">How it lies</h2>
    <div class="views">
      <figure>
        <svg viewBox="-50 -58 100 112" role="img" :aria-label="`From above: ${said.yaw}`">
          <path d="M0 -40V-54M-6 -47L0 -55L6 -47" class="arrow" />
          <text x="0" y="50" text-anchor="middle">machine's front up</text>
          <g :transform="`rotate(${-yaw})`">
            <rect x="-15" y="-26" width="30" height="52" rx="3" class="engine" />
            <path d="M-9 -26h18l-4 -7h-10z" class="nose" />
            <rect x="-12" y="26" width="24" height="6" class="wheel" />
          </g>
        </svg>
        <figcaption>{{ said.yaw }}</figcaption>
      </figure>
      <figure>
        <svg viewBox="-50 -58 100 112" role="img" :aria-label="`From the flywheel end: ${said.roll}`">
          <path d="M0 -52V40" class="plumb" />
          <g :transform="`rotate(${roll})`">
            <rect x="-13" y="-42" width="26" height="40" rx="3" class="engine" />
            <path d="M-19 -2h38l-5 22h-28z" class="pan" />
            <circle r="6" class="crank" />
          </g>
          <text x="-48" y="50">left</text><text x="48" y="50" text-anchor="end">right</text>
        </svg>
        <figcaption>{{ said.roll }}</figcaption>
      </figure>
      <figure>
        <svg viewBox="-50 -58 100 112" role="img" :aria-label="`From its right side: ${said.pitch}`">
          <path d="M-48 8H48" class="plumb" />
          <g :transform="`rotate(${-pitch})`">
            <rect x="-26" y="-34" width="50" height="34" rx="3" class="engine" />
            <path d="M-26 0h50v16h-18l-8 -6h-24z" class="pan" />
            <path d="M24 -26v18l7 -4v-10z" class="nose" />
          </g>
          <text x="48" y="50" text-anchor="end">its front →</text>
        </svg>
        <figcaption>{{ said.pitch }}</figcaption>
      </figure>
    </div>
  </section>
</template>

<style scoped>
.views {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
}
figure {
  margin: 0;
  text-align: center;
}
svg {
  width: 100%;
  max-height: 150px;
}
figcaption {
  font: 600 14px/1.3 var(--labels);
}
.engine {
  fill: var(--glass);
  stroke: var(--ink);
  stroke-width: 1.8;
}
.nose,
.wheel,
.crank {
  fill: var(--mute);
}
.pan {
  fill: var(--oil);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.plumb {
  stroke: var(--line);
  stroke-width: 1.2;
  stroke-dasharray: 3 3;
}
.arrow {
  fill: none;
  stroke: var(--brass-line);
  stroke-width: 2.4;
}
text {
  font: 500 9px var(--labels);
  fill: var(--mute);
}
</style>
