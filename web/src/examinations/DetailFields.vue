<script setup lang="ts">
import type { NewExamination } from '@kritikos/contracts/examinations';
import type { Detail } from '@kritikos/core/examinations/heldDetails';
import CohortChoice from './CohortChoice.vue';

/** What an examination says of itself; a field that something hangs on says why it stays. */
const wanted = defineModel<NewExamination>({ required: true });
defineProps<{
  errors: Readonly<Record<string, string>>;
  held?: Partial<Record<Detail, string>>;
}>();
const ZONES = Intl.supportedValuesOf('timeZone');
</script>

<template>
  <v-text-field
    v-model="wanted.title"
    label="Title"
    :disabled="held?.title !== undefined"
    :hint="held?.title"
    persistent-hint
    :error-messages="errors.title ?? []"
  />
  <v-text-field
    v-model="wanted.school"
    label="School"
    :disabled="held?.school !== undefined"
    :hint="held?.school"
    persistent-hint
    :error-messages="errors.school ?? []"
  />
  <CohortChoice
    v-model="wanted.cohort"
    :disabled="held?.cohort !== undefined"
    :hint="held?.cohort ?? ''"
    :error="errors.cohort ?? ''"
  />
  <v-text-field
    v-model="wanted.heldOn"
    label="Day"
    type="date"
    :disabled="held?.heldOn !== undefined"
    :hint="held?.heldOn"
    persistent-hint
    :error-messages="errors.heldOn ?? []"
  />
  <v-autocomplete
    v-model="wanted.zone"
    :items="ZONES"
    label="Time zone"
    :disabled="held?.zone !== undefined"
    :hint="held?.zone"
    persistent-hint
    :error-messages="errors.zone ?? []"
  />
</template>
