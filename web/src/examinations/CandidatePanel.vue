<script setup lang="ts">
import { counted } from '../shell/counted.ts';
import type { Candidate, ImportPreview } from '@kritikos/contracts/examinations';
import { computed, ref } from 'vue';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import CandidateStateDialog from './CandidateStateDialog.vue';
import { useExamination } from './examinationStore.ts';
import CellErrors from '../shell/CellErrors.vue';
import FileField from '../shell/FileField.vue';
import WideTable from '../shell/WideTable.vue';

const PAGE = 12;
const store = useExamination();
const id = computed(() => store.current?.id ?? '');
const offset = ref(0);
const { data, reload } = useReading(
  'GET /examinations/:examination/candidates',
  () => ({ params: { examination: id.value }, query: { offset: offset.value, limit: PAGE } }),
  { keep: true },
);
const file = ref<File | null>(null);
const preview = ref<ImportPreview | null>(null);
const problem = ref('');

async function look() {
  preview.value = null;
  problem.value = '';
  if (!file.value) return;
  try {
    preview.value = await call('POST /examinations/:examination/candidates/preview', {
      params: { examination: id.value },
      body: file.value,
    });
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}

async function take() {
  if (!file.value) return;
  try {
    const sent = { params: { examination: id.value }, body: file.value };
    store.take(await call('POST /examinations/:examination/candidates', sent));
    preview.value = null;
    file.value = null;
    await reload();
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}

const circuits = ref('');
const nobody = ref('');
async function takeCohort() {
  try {
    const named = circuits.value
      .split(',')
      .map((name) => name.trim())
      .filter(Boolean);
    store.take(
      await call('POST /examinations/:examination/candidates/from-cohort', {
        params: { examination: id.value },
        body: { circuits: named },
      }),
    );
    nobody.value = '';
    await reload();
  } catch (thrown) {
    nobody.value = messageOf(thrown);
  }
}
const chosen = ref<Candidate | null>(null);

function turn(by: number) {
  offset.value = Math.max(0, offset.value + by * PAGE);
}
</script>

<template>
  <section class="panel">
    <h2>Candidates</h2>
    <WideTable v-if="data && data.total > 0" label="Candidates">
      <table class="ledger">
        <thead>
          <tr>
            <th class="number">Number</th>
            <th>Name</th>
            <th>Circuit</th>
            <th>State</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in data.candidates" :key="c.id">
            <td class="number">{{ c.number }}</td>
            <td>{{ c.name }}</td>
            <td>{{ c.circuit }}</td>
            <td>
              <button
                class="linkish"
                type="button"
                :aria-label="`${c.state}, candidate ${c.number}`"
                @click="chosen = c"
              >
                {{ c.state }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <div v-if="data && data.total > PAGE" class="d-flex align-center ga-2 mt-2">
      <v-btn size="small" :disabled="offset === 0" @click="turn(-1)">Earlier</v-btn>
      <span class="soft figures">
        {{ offset + 1 }} to {{ Math.min(offset + PAGE, data.total) }} of {{ data.total }}
      </span>
      <v-btn size="small" :disabled="offset + PAGE >= data.total" @click="turn(1)">Later</v-btn>
    </div>
    <div class="cohort mt-3">
      <v-text-field
        v-model="circuits"
        label="Circuits, with commas between"
        placeholder="Green, White"
      />
      <v-btn @click="takeCohort">Take the cohort</v-btn>
    </div>
    <v-alert v-if="nobody" type="error" role="alert" class="mt-2">{{ nobody }}</v-alert>
    <p class="soft mt-1">
      Every student of cohort
      <router-link :to="`/cohorts/${store.current?.cohortId}`">{{
        store.current?.cohort
      }}</router-link>
      who is no candidate yet becomes one.
    </p>
    <p class="soft mt-3">
      Or bring them in from a CSV file with the columns <code>number</code>, <code>name</code> and,
      where there are circuits, <code>circuit</code>.
    </p>
    <FileField v-model="file" label="Candidate list (CSV)" accept=".csv,text/csv" @file="look" />
    <v-alert v-if="problem" type="error" role="alert" class="mt-2">{{ problem }}</v-alert>
    <div v-if="preview" class="mt-3" role="status">
      <template v-if="preview.errors.length > 0">
        <p>
          <b>{{ preview.errors.length }} cells cannot be taken.</b> Nothing is imported until the
          file is right.
        </p>
        <CellErrors :errors="preview.errors.slice(0, 20)" />
      </template>
      <template v-else>
        <p>
          <b>{{ counted(preview.rows.length, 'candidate') }}</b>, from {{ preview.rows[0]?.number }}
          {{ preview.rows[0]?.name }} to {{ preview.rows.at(-1)?.number }}
          {{ preview.rows.at(-1)?.name }}.
        </p>
        <v-btn variant="flat" color="primary" @click="take">
          Import {{ counted(preview.rows.length, 'candidate') }}
        </v-btn>
      </template>
    </div>
    <CandidateStateDialog :candidate="chosen" @close="chosen = null" @changed="reload" />
  </section>
</template>

<style scoped>
.cohort {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
  align-items: center;
}
</style>
