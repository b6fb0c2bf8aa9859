<script setup lang="ts">
import type { HoldScale } from '@kritikos/core/scoring/checklist';
import { useIntervalFn } from '@vueuse/core';
import { ref } from 'vue';

/** For how long something was held: one tap when it begins, one when it ends. */
const props = defineProps<{
  scale: HoldScale;
  name: string;
  value: number | null;
  locked: boolean;
}>();
const emit = defineEmits<{ set: [value: number] }>();

const began = ref<number | null>(null);
const seconds = ref(0);
const { pause, resume } = useIntervalFn(look, 200, { immediate: false });

function look() {
  seconds.value = began.value === null ? 0 : (Date.now() - began.value) / 1000;
}
function toggle() {
  if (began.value === null) {
    began.value = Date.now();
    look();
    resume();
    return;
  }
  look();
  pause();
  began.value = null;
  emit('set', Math.min(props.scale.maximum, Math.round(seconds.value)));
}
function step(by: 1 | -1) {
  const next = (props.value ?? 0) + by;
  emit('set', Math.min(props.scale.maximum, Math.max(0, next)));
}
</script>

<template>
  <div class="entry" role="group" :aria-label="name">
    <button type="button" :disabled="locked" aria-label="One second less" @click="step(-1)">
      −
    </button>
    <output :aria-label="`${name}, seconds`">
      <b>{{ began === null ? (value ?? '–') : Math.floor(seconds) }}</b> <span class="unit">s</span>
    </output>
    <button type="button" :disabled="locked" aria-label="One second more" @click="step(1)">
      +
    </button>
    <button
      class="hold"
      type="button"
      :class="{ running: began !== null }"
      :disabled="locked"
      :aria-pressed="began !== null"
      @click="toggle"
    >
      {{ began === null ? 'Hold' : 'Stop' }}
    </button>
  </div>
</template>
