<script setup lang="ts">
import { mdiMinus, mdiPlus } from '@mdi/js';
import { computed } from 'vue';

/** A share said by thumb: a slider, and steps on either side; nothing is said until it is touched. */
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
const middle = computed(() => Math.round(props.steps / 2));

function move(by: number) {
  const to = at.value === null ? middle.value : Math.round(at.value) + by;
  set(to);
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
      :disabled="disabled"
      :aria-label="`${label}: less`"
      @click="move(-1)"
    />
    <v-slider
      :model-value="at ?? middle"
      :min="0"
      :max="steps"
      :step="1"
      :disabled="disabled ?? false"
      :aria-label="label"
      :aria-valuetext="modelValue === null ? 'not judged' : say(modelValue)"
      @update:model-value="set"
    />
    <v-btn
      :icon="mdiPlus"
      variant="text"
      size="48"
      :disabled="disabled"
      :aria-label="`${label}: more`"
      @click="move(1)"
    />
    <output class="figures">{{ modelValue === null ? 'not judged' : say(modelValue) }}</output>
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
.unsaid :deep(.v-slider) {
  opacity: 0.55;
}
</style>
