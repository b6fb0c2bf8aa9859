<script setup lang="ts">
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import { ref } from 'vue';
import { describeEvent } from './describeEvent.ts';
import type { WaitingTap } from './deviceStore.ts';

const props = defineProps<{
  taps: readonly WaitingTap[];
  content: ChecklistContent;
  submitting: boolean;
}>();
const emit = defineEmits<{
  again: [tap: WaitingTap];
  drop: [tap: WaitingTap, what: string, why: string];
}>();

const dropping = ref('');
const why = ref('');
const what = (tap: WaitingTap) => describeEvent(tap.body, props.content);

function letGo(tap: WaitingTap) {
  emit('drop', tap, what(tap), why.value.trim());
  dropping.value = '';
  why.value = '';
}
</script>

<template>
  <section class="set-aside" role="alert">
    <b>
      {{ taps.length === 1 ? 'One tap was' : `${taps.length} taps were` }} refused and set aside.
      {{ submitting ? 'The submission waits until you decide.' : '' }}
    </b>
    <div v-for="tap in taps" :key="tap.id" class="tap">
      <span
        >{{ what(tap) }}<br /><span class="why">{{ tap.refused }}</span></span
      >
      <form v-if="dropping === tap.id" class="drop" @submit.prevent="letGo(tap)">
        <input
          v-model="why"
          aria-label="Why it is dropped"
          placeholder="Why, for the record"
          maxlength="300"
        />
        <button type="submit" :disabled="why.trim() === ''">Drop it</button>
        <button type="button" @click="dropping = ''">Keep it</button>
      </form>
      <span v-else class="choices">
        <button type="button" @click="emit('again', tap)">Do it again</button>
        <button type="button" @click="((dropping = tap.id), (why = ''))">Drop it …</button>
      </span>
    </div>
  </section>
</template>

<style scoped>
.set-aside {
  max-height: 40vh;
  overflow-y: auto;
  padding: 6px 14px;
  background: var(--sheet);
  border: 1.5px solid var(--madder);
}
.tap {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
  padding: 4px 0;
  border-top: 1px solid var(--rule);
}
.why {
  color: var(--madder);
}
.choices,
.drop {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
button,
input {
  min-height: 48px;
  padding: 0 12px;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.55);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font: 500 0.95rem var(--sans);
}
button {
  cursor: pointer;
}
button:disabled {
  color: var(--soft);
  cursor: default;
}
</style>
