<script setup lang="ts">
import type { MeasuredScale } from '@kritikos/core/scoring/checklist';
import { computed, ref } from 'vue';
import { useTyped } from '../shell/useTyped.ts';

const props = defineProps<{
  scale: MeasuredScale;
  /** What is read, as a screen reader says it. */
  name: string;
  value: number | null;
  locked: boolean;
}>();
const emit = defineEmits<{ set: [value: number] }>();

const { typed, write, left } = useTyped(() => (props.value === null ? '' : String(props.value)));
const middle = computed(() => (props.scale.lower + props.scale.upper) / 2);

/** The first press of either button enters the middle of the band; the next ones step. */
function step(direction: 1 | -1) {
  const { step: by, minimum, maximum } = props.scale;
  const start = Math.round(middle.value / by) * by;
  const next = props.value === null ? start : props.value + direction * by;
  emit('set', Math.min(maximum, Math.max(minimum, Math.round(next * 100) / 100)));
}

const wrong = ref(false);
function take() {
  const value = Number(typed.value.replace(',', '.'));
  wrong.value =
    typed.value !== '' &&
    !(Number.isFinite(value) && value >= props.scale.minimum && value <= props.scale.maximum);
  if (typed.value !== '' && !wrong.value && value !== props.value) emit('set', value);
}
</script>

<template>
  <div class="entry" role="group" :aria-label="name">
    <button type="button" :disabled="locked" aria-label="Less" @click="step(-1)">−</button>
    <label>
      <input
        :value="typed"
        inputmode="decimal"
        size="3"
        :disabled="locked"
        :aria-invalid="wrong"
        :aria-label="`${name}, in ${scale.unit}`"
        :title="wrong ? `From ${scale.minimum} to ${scale.maximum} ${scale.unit}` : ''"
        @input="write(($event.target as HTMLInputElement).value)"
        @change="take"
        @blur="left"
        @keydown.enter.prevent="take"
      />
      <span class="unit">{{ scale.unit }}</span>
    </label>
    <button type="button" :disabled="locked" aria-label="More" @click="step(1)">+</button>
  </div>
</template>

<style scoped>
label {
  display: flex;
  align-items: baseline;
  border-bottom: 1.5px solid rgba(var(--v-theme-on-surface), 0.55);
  width: 64px;
}
input {
  width: 40px;
  min-height: 44px;
  text-align: right;
  font: 600 1.1rem var(--sans);
  font-variant-numeric: tabular-nums;
  color: var(--ink);
  background: transparent;
  border: 0;
}
input[aria-invalid='true'] {
  color: var(--madder);
  text-decoration: underline wavy;
}
.unit {
  color: var(--soft);
  padding-left: 3px;
}
</style>
