<script setup lang="ts">
import { equipmentFor } from '@kritikos/catalogue/equipment';
import type { BankStation } from '@kritikos/contracts/stations';
import { computed, reactive, watch } from 'vue';
import { useKnownProcedures } from '../catalogue/useKnownProcedures.ts';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';
import PatientFields from './PatientFields.vue';

const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ made: [title: string] }>();
const { known, choice } = useKnownProcedures();
const procedures = computed(() =>
  choice.value.map(({ id, names, title, region }) => ({
    value: id,
    title: names[0] ?? title,
    props: { subtitle: `${title} · ${region}${known.value.isOwn(id) ? ' · the school’s' : ''}` },
  })),
);
const blank = {
  title: '',
  procedures: [] as string[],
  patient: null as BankStation['patient'],
  minutes: '8',
  equipment: '',
};
const wanted = reactive({ ...blank });

/** What the chosen procedures need; what was typed beside it stays. */
watch(
  () => wanted.procedures,
  (now, before) => {
    const needed = (ids: readonly string[]) => ids.flatMap((id) => equipmentOf(id));
    const typed = things(wanted.equipment).filter((thing) => !needed(before).includes(thing));
    wanted.equipment = [...new Set([...needed(now), ...typed])].join(', ');
  },
);
function equipmentOf(id: string): string[] {
  const procedure = known.value.find(id);
  return procedure ? equipmentFor(procedure) : [];
}
function things(typed: string): string[] {
  return typed
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean);
}

const { fields, problem, submit } = useSubmit(async () => {
  const { title, patient } = wanted;
  await call('POST /bank-stations', {
    body: {
      title,
      procedures: wanted.procedures.map((procedure) => ({ procedure })),
      patient,
      minutes: Number(wanted.minutes),
      equipment: things(wanted.equipment),
    },
  });
  Object.assign(wanted, blank, { procedures: [] });
  open.value = false;
  emit('made', title);
});

/** What the server has against something that has no field of its own here: the patient as a whole. */
const BESIDE_FIELDS = ['title', 'procedures', 'minutes'];
const elsewhere = computed(() =>
  Object.entries(fields.value)
    .filter(([field]) => !BESIDE_FIELDS.includes(field))
    .map(([, detail]) => detail),
);
</script>

<template>
  <ActDialog
    v-model="open"
    title="New station"
    act="Make it"
    :width="560"
    :problem="problem"
    @act="submit"
  >
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
    <PatientFields v-model="wanted.patient" :procedures="wanted.procedures" />
    <v-alert v-if="elsewhere.length > 0" type="error" role="alert" density="compact">
      {{ elsewhere.join(' ') }}
    </v-alert>
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
  </ActDialog>
</template>
