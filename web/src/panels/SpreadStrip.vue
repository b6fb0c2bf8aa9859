<script setup lang="ts">
import { computed } from 'vue';

/** What the judges said, a mark each on one scale and no names; one's own filled, what candidates earned as a line. */
const props = defineProps<{
  label: string;
  /** In [0, 1], sorted. */
  values: readonly number[];
  own?: number | null;
  earned?: number | null;
}>();
const HIGH = 7;
const WIDE = 200;

/** Equal values stand on each other. */
const marks = computed(() => {
  const seen = new Map<number, number>();
  let ownLeft = props.own ?? null;
  return props.values.map((value) => {
    const at = Math.round(value * 50);
    const up = seen.get(at) ?? 0;
    seen.set(at, up + 1);
    const mine = ownLeft !== null && Math.abs(value - ownLeft) < 1e-9;
    if (mine) ownLeft = null;
    return { x: 6 + value * (WIDE - 12), up, mine };
  });
});
const height = computed(() => HIGH * (Math.max(0, ...marks.value.map(({ up }) => up)) + 1) + 8);
const percent = (share: number) => `${Math.round(100 * share)} %`;
const words = computed(
  () =>
    `${props.label}: ${props.values.map(percent).join(', ')}${
      props.own == null ? '' : `; yours ${percent(props.own)}`
    }${props.earned == null ? '' : `; candidates earned ${percent(props.earned)}`}`,
);
</script>

<template>
  <svg :viewBox="`0 0 ${WIDE} ${height}`" role="img" :aria-label="words" class="strip">
    <line :x1="6" :x2="WIDE - 6" :y1="height - 4" :y2="height - 4" class="axis" />
    <line
      v-for="tick in [0, 0.5, 1]"
      :key="tick"
      :x1="6 + tick * (WIDE - 12)"
      :x2="6 + tick * (WIDE - 12)"
      :y1="height - 7"
      :y2="height - 1"
      class="axis"
    />
    <line
      v-if="earned !== null && earned !== undefined"
      :x1="6 + earned * (WIDE - 12)"
      :x2="6 + earned * (WIDE - 12)"
      :y1="0"
      :y2="height"
      class="earned"
    />
    <rect
      v-for="(mark, i) in marks"
      :key="i"
      :x="mark.x - 3"
      :y="height - 8 - HIGH * (mark.up + 1) + 1"
      width="6"
      height="6"
      class="mark"
      :class="{ mine: mark.mine }"
    />
  </svg>
</template>

<style scoped>
.strip {
  width: 100%;
  max-width: 300px;
  display: block;
}
.axis {
  stroke: var(--soft);
  stroke-width: 1;
}
.earned {
  stroke: var(--ochre);
  stroke-width: 2;
  stroke-dasharray: 3 2;
}
.mark {
  fill: var(--sheet);
  stroke: var(--petrol);
  stroke-width: 1.4;
}
.mark.mine {
  fill: var(--petrol);
}
</style>
