<script setup lang="ts">
import type { CohortChoice } from '@kritikos/contracts/examinations';
import { computed, ref, watch } from 'vue';
import { useReading } from '../http/useReading.ts';

/** Chooses a cohort of those that there are, or names one that is to be made. */
const chosen = defineModel<CohortChoice>({ required: true });
defineProps<{ error: string; disabled?: boolean; hint?: string }>();
const NEW = 'new';
const { data } = useReading('GET /cohorts');

/** Whether a name is written: where no cohort is chosen, there is nothing else. */
const naming = ref(typeof chosen.value === 'string' && chosen.value !== '');
const choices = computed(() => [
  ...(data.value ?? []).map(({ id, name, year, students }) => ({
    value: id,
    title: name === String(year) ? name : `${name}, ${year}`,
    props: { subtitle: students === 1 ? '1 student' : `${students} students` },
  })),
  { value: NEW, title: 'A new cohort' },
]);
const choice = computed({
  get: () => (typeof chosen.value === 'object' ? chosen.value.id : naming.value ? NEW : null),
  set: (id) => {
    naming.value = id === NEW;
    chosen.value = id === NEW || id === null ? '' : { id };
  },
});
const name = computed({
  get: () => (typeof chosen.value === 'string' ? chosen.value : ''),
  set: (text) => (chosen.value = text),
});
const none = computed(() => data.value?.length === 0);
watch(chosen, (now) => (naming.value &&= typeof now === 'string'));
</script>

<template>
  <v-select
    v-if="!none"
    v-model="choice"
    :items="choices"
    label="Cohort"
    :disabled="disabled"
    :hint="hint"
    persistent-hint
    :error-messages="naming ? '' : error"
  />
  <v-text-field
    v-if="none || naming"
    v-model="name"
    :label="none ? 'Cohort' : 'Name of the new cohort'"
    :disabled="disabled"
    :hint="none ? 'There is none yet: it is made with this name.' : ''"
    persistent-hint
    :error-messages="error"
  />
</template>
