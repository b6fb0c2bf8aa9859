<script setup lang="ts">
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import { conditionAt, CONDITIONS } from '@kritikos/catalogue/conditions';
import { patientsFor } from '@kritikos/catalogue/patientsFor';
import { checklistFor } from '@kritikos/catalogue/define';
import type { Procedure } from '@kritikos/catalogue/procedure';
import { respond } from '@kritikos/core/catalogue/response';
import { computed, ref } from 'vue';
import { useSession } from '../accounts/session.ts';
import { download } from '../http/download.ts';
import WithheldNote from '../marking/WithheldNote.vue';
import ChecklistImport from './ChecklistImport.vue';

/** Choose what the simulated patient has: the script and the key follow. */
const props = defineProps<{ procedure: Procedure; side: 'left' | 'right' }>();
const session = useSession();
/** Those who show something here, a sound one and those who look alike, and the forbidden. */
const offered = computed(() => {
  const { telling, silent, forbidden } = patientsFor([props.procedure]);
  return [
    ...under('Something to find', telling),
    ...under('Nothing to find here', silent),
    ...under('Must not be tested so', forbidden),
  ];
});
type Conditions = readonly (typeof CONDITIONS)[number][];
function under(title: string, patients: Conditions) {
  if (patients.length === 0) return [];
  const choices = patients.map(({ id, name }) => ({ value: id, title: name }));
  return [{ type: 'subheader' as const, title }, ...choices];
}
const DEGREES = [
  { value: null, title: 'As the condition says' },
  ...([1, 2, 3] as const).map((value) => ({ value, title: `Degree ${value}` })),
];
const degree = ref<1 | 2 | 3 | null>(null);
const chosen = ref('');
/** Until somebody chooses: the first patient who shows something under this procedure. */
const condition = computed(() => {
  const { telling } = patientsFor([props.procedure]);
  return (
    CONDITIONS.find((c) => c.id === chosen.value) ??
    telling.find((c) => respond({ loads: props.procedure.loads }, c.lesions).shown.length > 0) ??
    (CONDITIONS[0] as (typeof CONDITIONS)[number])
  );
});
const patient = computed(() =>
  degree.value === null ? condition.value : conditionAt(condition.value, degree.value),
);
const content = computed(() => checklistFor(props.procedure, patient.value, props.side));
const keyed = computed(() =>
  content.value.items.flatMap((item) =>
    item.kind === 'choice'
      ? [{ text: item.text, answer: item.options.find((o) => o.key === item.answer)?.label }]
      : [],
  ),
);
async function save(as: 'json' | 'fhir') {
  const formats = await import('@kritikos/contracts/openChecklist');
  const name = props.procedure.id;
  const checklist = liftChecklist({ ...props.procedure, checklist: content.value });
  if (as === 'json') {
    download(`${name}.json`, 'application/json', formats.asOpenChecklist(checklist));
  } else {
    download(
      `${name}.questionnaire.json`,
      'application/fhir+json',
      formats.asQuestionnaire(checklist),
    );
  }
}
</script>

<template>
  <section class="panel">
    <h2>Simulated patient and checklist</h2>
    <div class="row">
      <v-select
        :model-value="condition.id"
        :items="offered"
        label="The patient has"
        class="choice"
        @update:model-value="chosen = $event"
      />
      <v-select v-model="degree" :items="DEGREES" label="Degree" class="degree" />
      <v-btn size="small" @click="save('json')">Save as JSON</v-btn>
      <v-btn size="small" @click="save('fhir')">Save as FHIR Questionnaire</v-btn>
    </div>
    <div class="two">
      <div>
        <h3>Script for the patient</h3>
        <p>{{ content.simulatedPatient }}</p>
        <h3 v-if="keyed.length > 0">Key, derived</h3>
        <p v-for="row in keyed" :key="row.text">
          {{ row.text }}: <b>{{ row.answer }}</b>
        </p>
      </div>
      <div>
        <h3>Checklist</h3>
        <WithheldNote :content="content" />
        <ol class="items">
          <li v-for="item in content.items" :key="item.key">
            {{ item.text }}
            <span class="soft">
              {{ item.domain }}, weight {{ item.weight
              }}<template v-if="item.criticality === 'fails-station'"
                >, must not be missed</template
              >
              <template v-if="item.variants"> ({{ item.variants.join(', ') }} only)</template>
            </span>
          </li>
        </ol>
        <ChecklistImport v-if="session.account?.roles.includes('lead')" :procedure="procedure.id" />
      </div>
    </div>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 8px 0;
}
.choice {
  max-width: 460px;
}
.degree {
  max-width: 220px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1.2fr;
  gap: 20px;
}
.items {
  margin: 0;
  padding-left: 1.5em;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: 1fr;
  }
  .row {
    flex-wrap: wrap;
  }
}
</style>
