<script setup lang="ts">
import type { Step } from '@kritikos/core/accuracy/evidencePath';
import { computed } from 'vue';

/**
 * The chance of the condition from test to test. Upwards it is drawn by its log odds, so that one
 * likelihood ratio is the same step wherever it starts: that is what the plot is for.
 */
const props = defineProps<{ pretest: number; path: readonly Step[] }>();

const WIDTH = 520;
const HEIGHT = 300;
const LEFT = 48;
const TICKS = [0.01, 0.05, 0.1, 0.2, 0.3, 0.5, 0.7, 0.8, 0.9, 0.95, 0.99];
const END = Math.log(0.995 / 0.005);
function y(chance: number): number {
  const odds = Math.log(
    Math.min(0.995, Math.max(0.005, chance)) / (1 - Math.min(0.995, Math.max(0.005, chance))),
  );
  return HEIGHT / 2 - (odds / END) * (HEIGHT / 2 - 12);
}
const x = (step: number) =>
  LEFT + 20 + ((WIDTH - LEFT - 60) * step) / Math.max(1, props.path.length);
const points = computed(() => [
  {
    x: x(0),
    y: y(props.pretest),
    lower: y(props.pretest),
    upper: y(props.pretest),
    chance: props.pretest,
  },
  ...props.path.map((step, i) => ({
    x: x(i + 1),
    y: y(step.probability),
    lower: y(step.lower),
    upper: y(step.upper),
    chance: step.probability,
  })),
]);
const line = computed(() => points.value.map((p) => `${p.x} ${p.y}`).join('L'));
const band = computed(() => {
  const up = points.value.map((p) => `${p.x} ${p.upper}`);
  const down = [...points.value].reverse().map((p) => `${p.x} ${p.lower}`);
  return [...up, ...down].join('L');
});
const words = computed(() =>
  points.value
    .map(
      (p, i) => `${i === 0 ? 'before' : `after test ${i}`} ${Math.round(100 * p.chance)} percent`,
    )
    .join(', '),
);
</script>

<template>
  <svg
    class="plot"
    :viewBox="`0 0 ${WIDTH} ${HEIGHT + 24}`"
    role="img"
    :aria-label="`Chance of the condition: ${words}`"
  >
    <g v-for="tick in TICKS" :key="tick">
      <line class="grid" :x1="LEFT" :x2="WIDTH - 10" :y1="y(tick)" :y2="y(tick)" />
      <text class="tick" :x="LEFT - 6" :y="y(tick) + 4" text-anchor="end">
        {{ Math.round(100 * tick) }} %
      </text>
    </g>
    <path class="band" :d="`M${band}Z`" />
    <path class="line" :d="`M${line}`" />
    <g v-for="(p, i) in points" :key="i">
      <circle class="dot" :cx="p.x" :cy="p.y" r="5" />
      <text class="value" :x="p.x + 9" :y="p.y - 7">{{ (100 * p.chance).toFixed(0) }} %</text>
      <text class="tick" :x="p.x" :y="HEIGHT + 16" text-anchor="middle">
        {{ i === 0 ? 'before' : `test ${i}` }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.plot {
  width: 100%;
}
.grid {
  stroke: var(--rule);
}
.tick {
  font: 12px var(--sans);
  fill: var(--soft);
  font-variant-numeric: tabular-nums;
}
.band {
  fill: rgba(var(--v-theme-secondary), 0.18);
}
.line {
  fill: none;
  stroke: var(--petrol);
  stroke-width: 2.5;
}
.dot {
  fill: var(--petrol);
}
.value {
  font: 600 14px var(--sans);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
</style>
