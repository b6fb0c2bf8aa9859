<script setup lang="ts">
import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import type { SheetState } from '@kritikos/contracts/marking';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { computed } from 'vue';
import { useTyped } from '../shell/useTyped.ts';

const props = defineProps<{
  content: ChecklistContent;
  items: readonly ChecklistItem[];
  state: SheetState;
  /** The attempt that is marked now. */
  attempt: number;
  locked: boolean;
}>();
const emit = defineEmits<{ fault: [key: string]; comment: [text: string]; again: [] }>();

/** Faults that spoil an item of another variant cannot be seen in this one. */
const faults = computed(() =>
  props.content.faults.filter((fault) => props.items.some((item) => item.key === fault.item)),
);
const { typed: comment, write, left } = useTyped(() => props.state.comment);

let pause: ReturnType<typeof setTimeout> | undefined;
/** Typing is saved at every short pause and when the field is left; a lost tablet loses no sentence. */
function typed(text: string) {
  write(text);
  clearTimeout(pause);
  pause = setTimeout(keep, 600);
}
function leave() {
  keep();
  left();
}
function keep() {
  clearTimeout(pause);
  if (comment.value.trim() !== props.state.comment) emit('comment', comment.value.trim());
}
</script>

<template>
  <aside>
    <div v-if="content.attempts.allowed > 1" class="attempts">
      <h2>Attempt {{ attempt }} of {{ content.attempts.allowed }}</h2>
      <p>The {{ content.attempts.counts === 'last' ? 'last one' : 'better one' }} counts.</p>
      <button
        v-if="attempt < content.attempts.allowed"
        type="button"
        class="fault"
        :disabled="locked || state.marks.length === 0"
        @click="emit('again')"
      >
        Begins again
      </button>
    </div>
    <h2>Faults seen</h2>
    <div class="faults">
      <button
        v-for="fault in faults"
        :key="fault.key"
        type="button"
        class="fault"
        :class="{ set: state.faults.includes(fault.key) }"
        :aria-pressed="state.faults.includes(fault.key)"
        :disabled="locked"
        @click="emit('fault', fault.key)"
      >
        <span aria-hidden="true">{{ state.faults.includes(fault.key) ? '✕' : '' }}</span>
        {{ fault.text }}
      </button>
    </div>
    <label class="comment">
      <h2>Comment</h2>
      <textarea
        id="comment"
        :value="comment"
        :disabled="locked"
        maxlength="2000"
        placeholder="What you saw, for the candidate and the record"
        @input="typed(($event.target as HTMLTextAreaElement).value)"
        @blur="leave"
        @keydown.esc="($event.target as HTMLElement).blur()"
      />
    </label>
    <p class="care">
      Local policy, consent and a licensed clinician’s judgement come first. This sheet assesses a
      student; it diagnoses nobody.
    </p>
  </aside>
</template>

<style scoped>
aside {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding: 0 10px 6px;
}
h2 {
  font-size: 0.92rem;
  color: var(--petrol);
  padding-top: 4px;
  border-bottom: 1.5px solid var(--ink);
}
.faults,
.attempts {
  display: grid;
  gap: 4px;
}
.attempts p {
  color: var(--soft);
  font-size: 0.85rem;
}
.fault {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 48px;
  padding: 0 8px;
  text-align: left;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.45);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font: 500 0.95rem var(--sans);
  line-height: 1.1;
  cursor: pointer;
  touch-action: manipulation;
}
.fault span {
  width: 0.9em;
  flex: none;
}
.fault.set {
  border: 2px solid var(--madder);
  color: var(--madder);
  font-weight: 650;
}
.comment {
  display: flex;
  flex-direction: column;
  flex: 1;
  min-height: 96px;
  gap: 4px;
}
textarea {
  flex: 1;
  resize: none;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.45);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  padding: 6px;
  font: 400 0.95rem/1.3 var(--sans);
}
.care {
  font-size: 0.72rem;
  line-height: 1.2;
  color: var(--soft);
}
@media (max-width: 900px) and (orientation: portrait) {
  aside {
    grid-column: 1 / -1;
    border-top: 1.5px solid var(--ink);
  }
  .faults {
    grid-template-columns: repeat(3, 1fr);
  }
}
@media (max-width: 600px) {
  .faults {
    grid-template-columns: 1fr;
  }
}
</style>
