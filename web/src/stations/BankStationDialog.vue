<script setup lang="ts">
import { CONDITIONS } from '@kritikos/catalogue/conditions';
import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { reactive } from 'vue';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';

const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ made: [title: string] }>();
const procedures = PROCEDURES.map(({ id, names, title, region }) => ({
  value: id,
  title: names[0] ?? title,
  props: { subtitle: `${title} · ${region}` },
}));
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
const blank = {
  title: '',
  procedures: [] as string[],
  condition: null as string | null,
  side: 'left' as 'left' | 'right',
  degree: null as number | null,
  minutes: '8',
  equipment: '',
};
const wanted = reactive({ ...blank });

const { fields, problem, submit } = useSubmit(async () => {
  const { title, condition, side, degree } = wanted;
  await call('POST /bank-stations', {
    body: {
      title,
      procedures: wanted.procedures.map((procedure) => ({ procedure })),
      patient: condition === null ? null : { condition, side, degree },
      minutes: Number(wanted.minutes),
      equipment: wanted.equipment
        .split(',')
        .map((one) => one.trim())
        .filter(Boolean),
    },
  });
  Object.assign(wanted, blank, { procedures: [] });
  open.value = false;
  emit('made', title);
});
</script>

<template>
  <v-dialog v-model="open" max-width="560" scrollable>
    <v-card title="New station">
      <v-card-text class="d-grid ga-3">
        <p class="soft">
          The checklist and its key follow from the procedures and the simulated patient.
        </p>
        <v-text-field v-model="wanted.title" label="Title" :error-messages="fields.title ?? []" />
        <v-autocomplete
          v-model="wanted.procedures"
          :items="procedures"
          label="Procedures, one or several"
          multiple
          chips
          closable-chips
          :error-messages="fields.procedures ?? []"
        />
        <v-autocomplete
          v-model="wanted.condition"
          :items="conditions"
          label="What the simulated patient has"
        />
        <div v-if="wanted.condition !== null" class="pair">
          <v-select v-model="wanted.side" :items="SIDES" label="Side" />
          <v-select v-model="wanted.degree" :items="DEGREES" label="Degree" />
        </div>
        <div>
          <v-text-field
            v-model="wanted.minutes"
            label="Minutes"
            type="number"
            min="1"
            max="60"
            :error-messages="fields.minutes ?? []"
          />
        </div>
        <v-text-field v-model="wanted.equipment" label="Equipment, with commas between" />
        <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
      </v-card-text>
      <v-card-actions>
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn color="primary" variant="flat" @click="submit">Make it</v-btn>
      </v-card-actions>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
</style>
