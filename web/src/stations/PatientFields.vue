<script setup lang="ts">
import { sayPatient } from '@kritikos/catalogue/chosenPatient';
import { NOTHING_WRONG } from '@kritikos/catalogue/conditions';
import { choiceOfPatient, patientsFor } from '@kritikos/catalogue/patientsFor';
import type { BankStation } from '@kritikos/contracts/stations';
import { computed } from 'vue';
import { useKnownProcedures } from '../catalogue/useKnownProcedures.ts';
import { patientWith } from './patientWith.ts';
import type { PatientParts } from './patientWith.ts';

/** What the simulated patient has, on which side, and how far; fitting ones first. */
type Patient = BankStation['patient'];
const patient = defineModel<Patient>({ required: true });
const props = defineProps<{ procedures: readonly string[]; disabled?: boolean }>();

const { known } = useKnownProcedures();
const examined = computed(() =>
  props.procedures.flatMap((id) => {
    const procedure = known.value.find(id);
    return procedure ? [procedure] : [];
  }),
);
/** A heading over its patients, which a search finds by the words of either. */
const conditions = computed(() => {
  const { telling, silent, forbidden, others } = patientsFor(examined.value);
  const of = (group: string, patients: typeof telling) =>
    patients.map(({ id, name, region }) => ({
      value: id,
      title: name,
      props: { subtitle: region === 'any' ? group : `${group} · ${region}` },
    }));
  const none = examined.value.length === 0;
  return [
    { value: null, title: 'As the catalogue describes the patient', props: {} },
    ...of('Something to find here', telling),
    ...of(none ? 'No procedure chosen yet' : 'Nothing to find here', silent),
    ...of('Must not be tested so', forbidden),
    ...of(none ? 'No procedure chosen yet' : 'Nothing to do with this station', others),
  ];
});
const choice = computed(() =>
  patient.value ? choiceOfPatient(examined.value, patient.value) : null,
);
const SIDES = [
  { value: 'left', title: 'Left' },
  { value: 'right', title: 'Right' },
];
const DEGREES = [
  { value: null, title: 'As the condition says' },
  ...[1, 2, 3].map((value) => ({ value, title: `Degree ${value}` })),
];
const also = computed(() => patient.value?.also ?? null);
const change = (parts: PatientParts) => (patient.value = patientWith(patient.value, parts));
function setCondition(condition: string | null) {
  if (condition === null) patient.value = null;
  else change({ condition });
}
const seconds = computed(() => [
  { value: null, title: 'Nothing else', props: {} },
  ...conditions.value.filter(
    ({ value }) =>
      value !== null && value !== NOTHING_WRONG.id && value !== patient.value?.condition,
  ),
]);
const nameOf = ({ names, title }: { names: readonly string[]; title: string }) => names[0] ?? title;
</script>

<template>
  <v-autocomplete
    :model-value="patient?.condition ?? null"
    :items="conditions"
    :filter-keys="['title', 'raw.props.subtitle']"
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
      @update:model-value="change({ side: $event })"
    />
    <v-select
      :model-value="patient.degree"
      :items="DEGREES"
      label="Degree"
      :disabled="disabled ?? false"
      @update:model-value="change({ degree: $event })"
    />
  </div>
  <v-autocomplete
    v-if="patient && patient.condition !== NOTHING_WRONG.id"
    :model-value="also"
    :items="seconds"
    :filter-keys="['title', 'raw.props.subtitle']"
    label="And besides"
    :disabled="disabled ?? false"
    @update:model-value="change({ also: $event })"
  />
  <div v-if="patient" class="pair">
    <v-checkbox
      :model-value="patient.guards ?? false"
      label="Guards: tenses as force begins"
      density="compact"
      hide-details
      :disabled="disabled ?? false"
      @update:model-value="change({ guards: $event === true })"
    />
    <v-checkbox
      :model-value="patient.loose ?? false"
      label="Loose all over, both sides alike"
      density="compact"
      hide-details
      :disabled="disabled ?? false"
      @update:model-value="change({ loose: $event === true })"
    />
  </div>
  <div v-if="patient && choice" class="notes" aria-live="polite">
    <template v-if="choice.forbids.length > 0">
      <v-alert
        v-for="{ procedure, why } in choice.forbids"
        :key="procedure.id"
        type="warning"
        density="compact"
      >
        {{ nameOf(procedure) }} must not be done on this patient. {{ why }}
      </v-alert>
    </template>
    <template v-if="choice.forbids.length > 0 || patient.refrain">
      <v-switch
        :model-value="patient.refrain ?? false"
        label="The station is for recognising this and leaving it undone"
        density="compact"
        hide-details
        :disabled="disabled ?? false"
        @update:model-value="change({ refrain: $event === true })"
      />
      <p v-if="choice.forbids.length === 0" class="soft">
        Everything at this station may be done on this patient: there is nothing to leave undone.
      </p>
      <p v-else class="soft">
        Leaving it undone and saying why then earn, doing it all the same fails the station, and
        what would have been done does not apply.
      </p>
    </template>
    <p v-for="{ procedure, why } in choice.cannot" :key="procedure.id" class="soft">
      {{ nameOf(procedure) }} cannot be set up on this patient, and its key is void. {{ why }}
    </p>
    <v-alert v-if="choice.showsNothing" type="info" density="compact">
      Nothing of this patient ({{ sayPatient(patient) }}) shows at this station: every key says that
      nothing was found.
    </v-alert>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.notes {
  display: grid;
  gap: 8px;
}
</style>
