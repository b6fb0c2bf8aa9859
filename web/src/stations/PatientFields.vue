<script setup lang="ts">
import { CONDITIONS } from '@kritikos/catalogue/conditions';
import type { BankStation } from '@kritikos/contracts/stations';

/** What the simulated patient has, on which side, and how far. */
type Patient = BankStation['patient'];
const patient = defineModel<Patient>({ required: true });
defineProps<{ disabled?: boolean }>();

const conditions = [
  { value: null, title: 'As the catalogue describes the patient' },
  ...CONDITIONS.map(({ id, name }) => ({ value: id, title: name })),
];
const SIDES = [
  { value: 'left', title: 'Left' },
  { value: 'right', title: 'Right' },
];
const DEGREES = [
  { value: null, title: 'As the condition says' },
  ...[1, 2, 3].map((value) => ({ value, title: `Degree ${value}` })),
];
function setCondition(condition: string | null) {
  patient.value =
    condition === null ? null : { side: 'left', degree: null, ...patient.value, condition };
}
</script>

<template>
  <v-autocomplete
    :model-value="patient?.condition ?? null"
    :items="conditions"
    label="What the simulated patient has"
    :disabled="disabled ?? false"
    @update:model-value="setCondition"
  />
  <div v-if="patient" class="pair">
    <v-select
      :model-value="patient.side"
      :items="SIDES"
      label="Side"
      :disabled="disabled ?? false"
      @update:model-value="(side: 'left' | 'right') => patient && (patient = { ...patient, side })"
    />
    <v-select
      :model-value="patient.degree"
      :items="DEGREES"
      label="Degree"
      :disabled="disabled ?? false"
      @update:model-value="(degree: number | null) => patient && (patient = { ...patient, degree })"
    />
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
</style>
