<script setup lang="ts">
import type { SafetyEvent } from '@kritikos/contracts/marking';
import { minutesAndSeconds } from '@kritikos/core/marking/stationClock';
import { useTyped } from '../shell/useTyped.ts';

/** One safety stop that stands: what happened is written here, and a slip is taken back here. */
const props = defineProps<{ event: SafetyEvent; locked: boolean }>();
const emit = defineEmits<{ write: [note: string]; takeBack: [] }>();
const { typed: note, write, left } = useTyped(() => props.event.note);

let pause: ReturnType<typeof setTimeout> | undefined;
/** Kept at every short pause and when the field is left, as the comment is; a lost tablet loses no sentence. */
function type(text: string) {
  write(text);
  clearTimeout(pause);
  pause = setTimeout(keep, 600);
}
function keep() {
  clearTimeout(pause);
  if (note.value.trim() !== props.event.note) emit('write', note.value.trim());
}
function leave() {
  keep();
  left();
}
</script>

<template>
  <section class="safety-strip">
    <b
      >Safety stop at <span class="figures">{{ minutesAndSeconds(event.remaining) }}</span> left.</b
    >
    <label>
      <span class="d-sr-only">What happened, and what you did</span>
      <textarea
        :value="note"
        :disabled="locked"
        rows="1"
        maxlength="500"
        placeholder="What happened, and what you did"
        @input="type(($event.target as HTMLTextAreaElement).value)"
        @blur="leave"
        @keydown.esc="($event.target as HTMLElement).blur()"
      />
    </label>
    <button v-if="!locked && event.id" type="button" @click="emit('takeBack')">
      A slip: take it back
    </button>
  </section>
</template>

<style scoped>
.safety-strip {
  display: flex;
  align-items: center;
  gap: 4px 12px;
  padding: 4px 10px;
  border-bottom: 1.5px solid var(--madder);
  background: var(--sheet);
  color: var(--madder);
}
label {
  flex: 1;
}
textarea {
  display: block;
  width: 100%;
  height: 48px;
  resize: vertical;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.45);
  border-radius: 3px;
  background: var(--paper);
  color: var(--ink);
  padding: 4px 6px;
  font: 400 0.95rem/1.3 var(--sans);
}
button {
  min-height: 48px;
  padding: 0 12px;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.55);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font: 500 0.95rem var(--sans);
  cursor: pointer;
  touch-action: manipulation;
}
@media (max-width: 600px) {
  .safety-strip {
    flex-wrap: wrap;
  }
  label {
    flex-basis: 100%;
    order: 1;
  }
}
</style>
