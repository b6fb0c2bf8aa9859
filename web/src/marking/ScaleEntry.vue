<script setup lang="ts">
import type { Scale } from '@kritikos/core/scoring/checklist';
import type { Value } from '@kritikos/core/scoring/mark';
import { computed } from 'vue';
import CountEntry from './CountEntry.vue';
import HoldEntry from './HoldEntry.vue';
import { choicesOf } from './markChoices.ts';
import MeasuredEntry from './MeasuredEntry.vue';

/** One value on one scale, under the thumb. */
const props = defineProps<{ scale: Scale; name: string; value: Value; locked: boolean }>();
const emit = defineEmits<{ set: [value: number | string] }>();

const choices = computed(() => choicesOf(props.scale));
const number = computed(() => (typeof props.value === 'number' ? props.value : null));
</script>

<template>
  <MeasuredEntry
    v-if="scale.kind === 'measured'"
    :scale="scale"
    :name="name"
    :value="number"
    :locked="locked"
    @set="emit('set', $event)"
  />
  <CountEntry
    v-else-if="scale.kind === 'count'"
    :scale="scale"
    :name="name"
    :value="number"
    :locked="locked"
    @set="emit('set', $event)"
  />
  <HoldEntry
    v-else-if="scale.kind === 'hold'"
    :scale="scale"
    :name="name"
    :value="number"
    :locked="locked"
    @set="emit('set', $event)"
  />
  <div v-else class="choices" role="group" :aria-label="name">
    <button
      v-for="choice in choices"
      :key="choice.value"
      type="button"
      class="mark"
      :class="{ set: value === choice.value, named: scale.kind === 'choice' }"
      :aria-pressed="value === choice.value"
      :title="choice.meaning"
      :aria-label="choice.meaning"
      :disabled="locked"
      @click="emit('set', choice.value)"
    >
      {{ choice.label }}
    </button>
  </div>
</template>
