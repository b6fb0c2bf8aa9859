<script setup lang="ts">
import type { ExaminerResource } from '@kritikos/contracts/timetable';
import { computed } from 'vue';
import { vKept } from '../shell/kept.ts';

type Present = ExaminerResource['present'];
/**
 * When somebody is there: all the time, or from one time to another of a day. Whoever does not take
 * part has the place all the same, so that nothing moves under the finger that switches.
 */
const value = defineModel<Present>({ required: true });
const props = defineProps<{
  who: string;
  takesPart: boolean;
  heldOn: string;
  zone: string;
  disabled: boolean;
}>();

const wall = computed(
  () =>
    new Intl.DateTimeFormat('sv-SE', {
      dateStyle: 'short',
      timeStyle: 'short',
      timeZone: props.zone,
    }),
);
/** A time as the field has it, on the wall of the house. */
const shown = (iso: string) => wall.value.format(new Date(iso)).replace(' ', 'T');
/** The instant at which the wall of the house shows a time: guessed as UTC, then put right by what it shows then. */
function instantOf(local: string): string {
  const wanted = Date.parse(`${local}:00Z`);
  let guess = wanted;
  for (let i = 0; i < 2; i++)
    guess += wanted - Date.parse(`${shown(new Date(guess).toISOString())}:00Z`);
  return new Date(guess).toISOString();
}
function limit() {
  value.value = [
    { start: instantOf(`${props.heldOn}T08:30`), end: instantOf(`${props.heldOn}T12:30`) },
  ];
}
function set(i: number, part: 'start' | 'end', local: string) {
  if (local === '') return;
  value.value = (value.value ?? []).map((one, k) =>
    k === i ? { ...one, [part]: instantOf(local) } : one,
  );
}
</script>

<template>
  <div class="presence">
    <span v-if="takesPart && value === null" class="always">
      all the time
      <button
        class="linkish"
        type="button"
        :disabled="disabled"
        :aria-label="`Limit when ${who} is there`"
        @click="limit"
      >
        limit
      </button>
    </span>
    <template v-else-if="takesPart">
      <div v-for="(one, i) in value" :key="i" class="stretch">
        <input
          v-kept="shown(one.start)"
          type="datetime-local"
          :aria-label="`${who} is there from`"
          :disabled="disabled"
          @change="set(i, 'start', ($event.target as HTMLInputElement).value)"
        />
        <input
          v-kept="shown(one.end)"
          type="datetime-local"
          :aria-label="`${who} is there until`"
          :disabled="disabled"
          @change="set(i, 'end', ($event.target as HTMLInputElement).value)"
        />
      </div>
      <button
        class="linkish"
        type="button"
        :disabled="disabled"
        :aria-label="`${who} is there all the time`"
        @click="value = null"
      >
        all the time
      </button>
    </template>
  </div>
</template>

<style scoped>
.presence {
  display: grid;
  gap: 4px;
  justify-items: start;
  /* A time of a day and its button's calendar, whether it stands here or not. */
  min-width: 172px;
}
.always {
  white-space: nowrap;
}
.always .linkish {
  margin-left: 6px;
}
.stretch {
  display: grid;
  gap: 2px;
}
input {
  font: inherit;
  font-size: 0.88rem;
  color: var(--ink);
  background: transparent;
  border: 1px solid var(--rule);
  border-radius: 3px;
  padding: 2px 4px;
  color-scheme: light dark;
}
</style>
