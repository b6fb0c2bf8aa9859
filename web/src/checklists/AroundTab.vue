<script setup lang="ts">
import type { DraftContent } from '@kritikos/core/checklists/draftChecklist';
import type {
  ChecklistContent,
  ProcedureVariants,
  Variant,
} from '@kritikos/core/scoring/checklist';
import { turnedChecklist, withholdsTheSame } from '@kritikos/catalogue/turnedChecklist';
import { computed } from 'vue';
import { useKnownProcedures } from '../catalogue/useKnownProcedures.ts';
import PatientFields from '../stations/PatientFields.vue';
import type { WrittenDraft } from './useDraft.ts';

/** What stands around the items: the task, the patient, cautions and the stop rule. */
const props = defineProps<{
  own: WrittenDraft;
  derived: ChecklistContent | null;
  disabled: boolean;
}>();
const content = computed(() => props.own.content.value);
const edit = (part: Partial<DraftContent>) => props.own.edit((draft) => ({ ...draft, ...part }));
const ofStation = computed(() => props.own.minutes.value !== null);
const equipment = computed(() => (props.own.equipment.value ?? []).join(', '));
const setEquipment = (typed: string) =>
  props.own.setPart(
    'equipment',
    typed
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean),
  );
const setLines = (typed: string) =>
  edit({
    cautions: typed
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean),
  });
/** What follows from the patient and says otherwise here. */
const otherScript = computed(
  () => props.derived !== null && props.derived.simulatedPatient !== content.value.simulatedPatient,
);
const { known } = useKnownProcedures();
/** What the patient forbids is asked for, or what may be done is left undone; empty where it fits. */
const misfit = computed(() => {
  const { derived } = props;
  if (!ofStation.value || derived === null || withholdsTheSame(content.value, derived)) return '';
  return derived.withheld ? 'forbidden' : 'allowed';
});
const turn = () =>
  props.own.edit((draft) =>
    turnedChecklist(draft, props.own.patient.value?.has ?? null, known.value),
  );
function setVariant(own: ProcedureVariants, key: string, part: Partial<Variant>) {
  const variants = own.variants.map((v) => (v.key === key ? { ...v, ...part } : v));
  setProcedure(own, { variants });
}
const setProcedure = (own: ProcedureVariants, part: Partial<ProcedureVariants>) =>
  edit({
    procedures: content.value.procedures.map((one) =>
      one.procedure === own.procedure ? { ...one, ...part } : one,
    ),
  });
</script>

<template>
  <div class="tab">
    <section class="panel d-grid">
      <h2>What is read</h2>
      <v-textarea
        :model-value="content.task"
        label="The candidate’s task"
        rows="2"
        auto-grow
        counter="400"
        :disabled="disabled"
        @update:model-value="(task: string) => edit({ task })"
      />
      <v-textarea
        :model-value="content.stopRule"
        label="Stop rule"
        rows="2"
        auto-grow
        counter="240"
        :disabled="disabled"
        @update:model-value="(stopRule: string) => edit({ stopRule })"
      />
      <v-textarea
        :model-value="content.cautions.join('\n')"
        label="Cautions, one a line"
        rows="3"
        auto-grow
        :disabled="disabled"
        @change="setLines(($event.target as HTMLTextAreaElement).value)"
      />
      <p class="soft">
        Local policy, consent and a licensed clinician’s judgement come before both.
      </p>
    </section>
    <section v-if="ofStation" class="panel d-grid">
      <h2>Simulated patient</h2>
      <PatientFields
        :model-value="own.patient.value?.has ?? null"
        :procedures="content.procedures.map(({ procedure }) => procedure)"
        :disabled="disabled"
        @update:model-value="(has) => own.setPart('patient', { has })"
      />
      <v-alert v-if="misfit" type="warning" density="compact">
        <template v-if="misfit === 'forbidden'">
          The items do not yet leave undone what must not be done on this patient.
        </template>
        <template v-else>The items leave undone what may be done on this patient.</template>
        What was written by hand stays, and it can be undone.
        <v-btn class="turn" size="small" variant="outlined" :disabled="disabled" @click="turn">
          {{ misfit === 'forbidden' ? 'Ask for leaving it undone' : 'Ask for it again' }}
        </v-btn>
      </v-alert>
      <v-textarea
        :model-value="content.simulatedPatient"
        label="What the patient tells and shows"
        rows="4"
        auto-grow
        counter="900"
        :disabled="disabled"
        @update:model-value="(simulatedPatient: string) => edit({ simulatedPatient })"
      />
      <p v-if="otherScript && derived" class="soft">
        The patient that is chosen has another script.
        <button
          class="linkish"
          type="button"
          :disabled="disabled"
          @click="edit({ simulatedPatient: derived.simulatedPatient })"
        >
          Take that of the patient
        </button>
      </p>
      <v-text-field
        :model-value="equipment"
        label="Equipment, with commas between"
        :disabled="disabled"
        @change="setEquipment(($event.target as HTMLInputElement).value)"
      />
    </section>
    <section v-for="one in content.procedures" :key="one.procedure" class="panel d-grid">
      <h2>Accepted ways: {{ one.title }}</h2>
      <v-select
        :model-value="one.usualVariant"
        :items="one.variants"
        item-title="label"
        item-value="key"
        label="Expected unless another is seen"
        :disabled="disabled"
        @update:model-value="(usualVariant: string) => setProcedure(one, { usualVariant })"
      />
      <div v-for="variant in one.variants" :key="variant.key" class="variant">
        <v-text-field
          :model-value="variant.label"
          label="Name"
          counter="40"
          :disabled="disabled"
          @update:model-value="(label: string) => setVariant(one, variant.key, { label })"
        />
        <v-text-field
          :model-value="variant.description"
          label="How it is done"
          counter="240"
          :disabled="disabled"
          @update:model-value="
            (description: string) => setVariant(one, variant.key, { description })
          "
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.tab {
  display: grid;
  gap: 14px;
}
.turn {
  display: block;
  margin-top: 8px;
}
.variant {
  display: grid;
  grid-template-columns: 1fr 2fr;
  gap: 10px;
}
@media (max-width: 700px) {
  .variant {
    grid-template-columns: 1fr;
  }
}
</style>
