<script setup lang="ts">
import { mdiMinus, mdiPlus } from '@mdi/js';
import { computed } from 'vue';

/**
 * A share said by thumb: a slider, and steps on either side. Until something is said there is no
 * thumb and no place where one stands: a number that is shown first pulls the judgement towards it.
 * A touch on the line says it, and so does a digit: 7 is 70 in a hundred.
 */
const props = defineProps<{
  label: string;
  /** In [0, 1]. */
  modelValue: number | null;
  /** How many steps the scale has. */
  steps: number;
  say: (share: number) => string;
  disabled?: boolean;
}>();
const emit = defineEmits<{ 'update:modelValue': [share: number] }>();
const at = computed(() => (props.modelValue === null ? null : props.modelValue * props.steps));
const words = computed(() =>
  props.modelValue === null ? 'not judged' : props.say(props.modelValue),
);

function move(by: number) {
  if (at.value !== null) set(Math.round(at.value) + by);
}
/** Before anything is said an arrow begins at the end that it comes from, whichever that is. */
const ENDS: Readonly<Record<string, number>> = {
  ArrowRight: 0,
  ArrowUp: 0,
  Home: 0,
  ArrowLeft: 1,
  ArrowDown: 1,
  End: 1,
};
function key(event: KeyboardEvent) {
  if (props.disabled || event.ctrlKey || event.metaKey || event.altKey) return;
  const end = at.value === null ? ENDS[event.key] : undefined;
  const share = /^\d$/.test(event.key) ? Number(event.key) / 10 : end;
  if (share === undefined) return;
  event.preventDefault();
  event.stopPropagation();
  set(Math.round(share * props.steps));
}
function set(step: number) {
  emit('update:modelValue', Math.min(props.steps, Math.max(0, step)) / props.steps);
}
</script>

<template>
  <div class="share" :class="{ unsaid: modelValue === null }">
    <v-btn
      :icon="mdiMinus"
      variant="text"
      size="48"
      :disabled="disabled || modelValue === null"
      :aria-label="`${label}: less`"
      @click="move(-1)"
    />
    <v-slider
      :model-value="at ?? 0"
      :min="0"
      :max="steps"
      :step="1"
      :disabled="disabled ?? false"
      :name="label"
      :value-format="() => words"
      @keydown.capture="key"
      @update:model-value="set"
      @end="set"
    />
    <v-btn
      :icon="mdiPlus"
      variant="text"
      size="48"
      :disabled="disabled || modelValue === null"
      :aria-label="`${label}: more`"
      @click="move(1)"
    />
    <output class="figures">{{ words }}</output>
  </div>
</template>

<style scoped>
.share {
  display: grid;
  grid-template-columns: 48px minmax(90px, 1fr) 48px 84px;
  align-items: center;
  gap: 2px;
}
output {
  text-align: right;
  font-weight: 600;
}
.unsaid output {
  font-weight: 400;
  color: var(--soft);
  font-size: 0.88rem;
}
.unsaid :deep(.v-slider-track__fill),
.unsaid :deep(.v-slider-thumb__surface),
.unsaid :deep(.v-slider-thumb__ripple) {
  opacity: 0;
}
.unsaid :deep(.v-slider-thumb) {
  outline: none;
}
/* The whole line takes the focus, since no place on it is one. */
.unsaid :deep(.v-slider:focus-within) {
  outline: 2px solid var(--petrol);
  outline-offset: 2px;
}
</style>
