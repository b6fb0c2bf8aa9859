<script setup lang="ts">
import { columnMapping } from '@kritikos/contracts/studentImport';
import type { ColumnMapping, StudentImport, Upload } from '@kritikos/contracts/studentImport';
import { computed, ref, watch } from 'vue';
import { call, messageOf } from '../http/api.ts';
import JobProgress from '../jobs/JobProgress.vue';
import { useJob } from '../jobs/useJob.ts';
import { counted } from '../shell/counted.ts';
import CellErrors from '../shell/CellErrors.vue';
import FileField from '../shell/FileField.vue';
import WideTable from '../shell/WideTable.vue';

const props = defineProps<{ cohort: string }>();
const emit = defineEmits<{ taken: [] }>();
const file = ref<File | null>(null);
const list = ref<Upload | null>(null);
/** As it stands in the fields: the number’s column may be open. */
type OpenMapping = Omit<ColumnMapping, 'number'> & { number: number | null };
const OPEN: OpenMapping = { number: null, name: [], extraTime: null, seatedBreaks: null };
const mapping = ref<OpenMapping>({ ...OPEN });
const problem = ref('');
const taking = ref(false);
const { job, follow, cancel, running } = useJob();
const result = computed(() =>
  job.value?.state === 'done' ? (job.value.result as StudentImport) : null,
);
const columns = computed(() =>
  (list.value?.columns ?? []).map((title, value) => ({ title, value })),
);
const optional = computed(() => [{ title: 'not in the list', value: null }, ...columns.value]);
const mapped = computed(() => columnMapping.safeParse(mapping.value).data);

/** Of which columns the fields speak; a list that has them too keeps what was said. */
let saidOf = '';
async function bring() {
  list.value = null;
  job.value = null;
  problem.value = '';
  if (!file.value) return;
  try {
    list.value = await call('POST /cohorts/:cohort/uploads', {
      params: { cohort: props.cohort },
      query: { name: file.value.name.slice(0, 200) },
      body: file.value,
    });
    const columns = JSON.stringify(list.value.columns);
    if (columns !== saidOf) mapping.value = list.value.mapping ?? { ...OPEN };
    saidOf = columns;
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}

async function ask(take: boolean) {
  if (!list.value || !mapped.value) return;
  const sent = {
    params: { cohort: props.cohort, upload: list.value.id },
    body: { mapping: mapped.value },
  };
  try {
    taking.value = take;
    follow(
      take
        ? await call('POST /cohorts/:cohort/uploads/:upload/import', sent)
        : await call('POST /cohorts/:cohort/uploads/:upload/preview', sent),
    );
    problem.value = '';
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
watch(result, (now) => {
  if (!now?.taken) return;
  file.value = null;
  list.value = null;
  emit('taken');
});
// What was read under other columns says nothing any more.
watch(mapping, () => (job.value = null), { deep: true });
</script>

<template>
  <section class="panel d-grid ga-3">
    <h2>Bring in a list</h2>
    <FileField
      v-model="file"
      label="Students, CSV or XLSX"
      accept=".csv,.xlsx,text/csv"
      @file="bring"
    />
    <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
    <template v-if="list">
      <p v-for="note in list.notes" :key="note" class="soft">{{ note }}</p>
      <p class="soft">
        {{
          list.remembered
            ? 'The columns are mapped as in your last list of this shape.'
            : 'Say which column holds what; it is remembered for the next list of this shape.'
        }}
      </p>
      <div class="mapping">
        <v-select v-model="mapping.number" :items="columns" label="Student’s number" />
        <v-select
          v-model="mapping.name"
          :items="columns"
          label="Name, from one column or more"
          multiple
          chips
        />
        <v-select v-model="mapping.extraTime" :items="optional" label="Extra time, per cent" />
        <v-select v-model="mapping.seatedBreaks" :items="optional" label="Seated breaks" />
      </div>
      <WideTable label="The first rows of the list">
        <table class="ledger">
          <thead>
            <tr>
              <th v-for="(c, i) in list.columns" :key="i">{{ c }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, i) in list.sample" :key="i">
              <td v-for="(_, j) in list.columns" :key="j">{{ row[j] }}</td>
            </tr>
          </tbody>
        </table>
      </WideTable>
      <v-btn class="justify-self-start" :disabled="!mapped || running" @click="ask(false)">
        Read the whole list
      </v-btn>
    </template>
    <JobProgress
      v-if="job"
      :job="job"
      :what="taking ? 'Taking the list' : 'Reading the list'"
      @cancel="cancel"
    />
    <div v-if="result && list" role="status" class="d-grid ga-2">
      <p v-if="result.errorCount > 0">
        <b>{{ counted(result.errorCount, 'cell cannot', 'cells cannot') }} be taken.</b> Nothing is
        imported until the list is right.
      </p>
      <p v-else>
        <b>{{ counted(result.added, 'new student') }}</b>, {{ counted(result.changed, 'change') }},
        {{ result.moved > 0 ? `${result.moved} moved here, ` : '' }}{{ result.same }} as they are.
      </p>
      <CellErrors v-if="result.errors.length > 0" :errors="result.errors" />
      <ul v-if="result.changes.length > 0" class="changes">
        <li v-for="c in result.changes" :key="c.number">
          <b>{{ c.number }}</b> {{ c.name }}: <span class="soft">{{ c.what.join(', ') }}</span>
        </li>
      </ul>
      <v-btn
        v-if="result.errorCount === 0"
        variant="flat"
        color="primary"
        class="justify-self-start"
        @click="ask(true)"
      >
        Take {{ counted(result.rows, 'student') }}
      </v-btn>
    </div>
    <p v-else-if="result?.taken" role="status">
      {{ counted(result.added, 'student') }} added, {{ result.changed + result.moved }} changed.
    </p>
  </section>
</template>

<style scoped>
.mapping {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 10px;
}
.changes {
  max-height: 30vh;
  overflow-y: auto;
  padding-left: 1.1em;
}
</style>
