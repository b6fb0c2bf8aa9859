<script setup lang="ts">
import { mdiPlus, mdiTrashCanOutline } from '@mdi/js';
import type { TimetableWish } from '@kritikos/contracts/timetable';
import NumberField from '../checklists/NumberField.vue';

/** What the timetable is asked to be. */
const wish = defineModel<TimetableWish>({ required: true });
defineProps<{ disabled: boolean; errors: Record<string, string[]> }>();

function set<K extends keyof TimetableWish>(part: K, value: TimetableWish[K]) {
  wish.value = { ...wish.value, [part]: value };
}
function setSession(i: number, part: 'date' | 'from' | 'until', value: string) {
  set(
    'sessions',
    wish.value.sessions.map((one, k) => (k === i ? { ...one, [part]: value } : one)),
  );
}
function addSession() {
  const last = wish.value.sessions.at(-1) ?? { date: '', from: '08:30', until: '12:30' };
  set('sessions', [...wish.value.sessions, { ...last, from: last.until, until: last.until }]);
}
const remove = (i: number) =>
  set(
    'sessions',
    wish.value.sessions.filter((_, k) => k !== i),
  );
</script>

<template>
  <div class="form">
    <fieldset>
      <legend>Sessions</legend>
      <div v-for="(session, i) in wish.sessions" :key="i" class="session">
        <v-text-field
          :model-value="session.date"
          type="date"
          :label="`Day of session ${i + 1}`"
          :disabled="disabled"
          @update:model-value="setSession(i, 'date', $event)"
        />
        <v-text-field
          :model-value="session.from"
          type="time"
          label="from"
          :disabled="disabled"
          @update:model-value="setSession(i, 'from', $event)"
        />
        <v-text-field
          :model-value="session.until"
          type="time"
          label="until at most"
          :disabled="disabled"
          :error-messages="errors[`sessions/${i}`] ?? []"
          @update:model-value="setSession(i, 'until', $event)"
        />
        <v-btn
          :icon="mdiTrashCanOutline"
          variant="text"
          size="small"
          :disabled="disabled || wish.sessions.length === 1"
          :aria-label="`Take session ${i + 1} out`"
          @click="remove(i)"
        />
      </div>
      <v-btn size="small" :prepend-icon="mdiPlus" :disabled="disabled" @click="addSession">
        Another session
      </v-btn>
    </fieldset>
    <div class="numbers">
      <NumberField
        :model-value="wish.circuits"
        label="Circuits"
        :disabled="disabled"
        @update:model-value="set('circuits', $event ?? 1)"
      />
      <NumberField
        :model-value="wish.readingMinutes"
        label="Reading, min"
        :disabled="disabled"
        @update:model-value="set('readingMinutes', $event ?? 0)"
      />
      <NumberField
        :model-value="wish.changeMinutes"
        label="Change, min"
        :disabled="disabled"
        @update:model-value="set('changeMinutes', $event ?? 0)"
      />
      <NumberField
        :model-value="wish.rests"
        label="Rest stations"
        :disabled="disabled"
        @update:model-value="set('rests', $event ?? 0)"
      />
      <NumberField
        :model-value="wish.breaks?.afterRounds ?? null"
        label="Break after rounds"
        :disabled="disabled"
        @update:model-value="
          set(
            'breaks',
            $event === null ? null : { afterRounds: $event, minutes: wish.breaks?.minutes ?? 15 },
          )
        "
      />
      <NumberField
        v-if="wish.breaks"
        :model-value="wish.breaks.minutes"
        label="Break, min"
        :disabled="disabled"
        @update:model-value="
          set('breaks', { afterRounds: wish.breaks.afterRounds, minutes: $event ?? 0 })
        "
      />
      <NumberField
        :model-value="wish.quarantineMinutes"
        label="Gather before, min"
        :disabled="disabled"
        @update:model-value="set('quarantineMinutes', $event)"
      />
      <NumberField
        :model-value="wish.pairs"
        label="Sheets marked twice"
        :disabled="disabled"
        @update:model-value="set('pairs', $event ?? 0)"
      />
      <NumberField
        :model-value="wish.seed"
        label="Seed"
        :disabled="disabled"
        @update:model-value="set('seed', $event ?? 0)"
      />
    </div>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  gap: 12px;
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 10px;
  justify-items: start;
}
legend {
  padding: 0 0 8px;
  color: var(--soft);
}
.session {
  display: grid;
  grid-template-columns: minmax(150px, 1.4fr) 1fr 1fr auto;
  gap: 8px;
  width: 100%;
  align-items: start;
}
.numbers {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 10px;
}
@media (max-width: 600px) {
  .session {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
