<script setup lang="ts">
import type { ExaminationSummary } from '@kritikos/contracts/examinations';
import { computed, reactive, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { call } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';
import ExaminationFile from './ExaminationFile.vue';
import NextDialog from './NextDialog.vue';

const router = useRouter();
const { data, error, reload } = useReading('GET /examinations');
const creating = ref(false);
const like = shallowRef<ExaminationSummary | null>(null);
const copying = computed({
  get: () => like.value !== null,
  set: (open) => {
    if (!open) like.value = null;
  },
});
const wanted = reactive({
  title: '',
  school: '',
  cohort: String(new Date().getFullYear()),
  heldOn: new Date().toISOString().slice(0, 10),
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
});
const {
  fields,
  problem,
  submit: create,
} = useSubmit(async () => {
  const made = await call('POST /examinations', { body: wanted });
  await router.push(`/examinations/${made.id}/preparation`);
});
</script>

<template>
  <div class="page">
    <div class="d-flex align-center ga-4 mb-3">
      <h1>Examinations</h1>
      <v-spacer />
      <ExaminationFile @made="reload" />
      <v-btn color="primary" variant="flat" @click="creating = true">New examination</v-btn>
    </div>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <p v-if="data?.length === 0" class="panel">
      There is no examination yet. Make one, then bring in candidates and stations.
    </p>
    <WideTable v-if="data && data.length > 0" label="Examinations">
      <table class="ledger panel">
        <thead>
          <tr>
            <th>Examination</th>
            <th>School</th>
            <th>Cohort</th>
            <th>Day</th>
            <th class="number">Stations</th>
            <th class="number">Candidates</th>
            <th class="number">Sheets submitted</th>
            <th><span class="d-sr-only">What can be done</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in data" :key="one.id">
            <td>
              <router-link :to="`/examinations/${one.id}`">{{ one.title }}</router-link>
            </td>
            <td>{{ one.school }}</td>
            <td>{{ one.cohort }}</td>
            <td class="figures">{{ one.heldOn }}</td>
            <td class="number">{{ one.stations }}</td>
            <td class="number">{{ one.candidates }}</td>
            <td class="number">{{ one.submitted }} of {{ one.sheets }}</td>
            <td>
              <button
                class="linkish"
                type="button"
                :aria-label="`Next year’s, like ${one.title}`"
                @click="like = one"
              >
                next year’s
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <NextDialog v-model="copying" :like="like" />
    <ActDialog
      v-model="creating"
      title="New examination"
      act="Make it"
      :width="520"
      :problem="problem"
      @act="create"
    >
      <v-text-field v-model="wanted.title" label="Title" :error-messages="fields.title ?? []" />
      <v-text-field v-model="wanted.school" label="School" :error-messages="fields.school ?? []" />
      <v-text-field v-model="wanted.cohort" label="Cohort" :error-messages="fields.cohort ?? []" />
      <v-text-field
        v-model="wanted.heldOn"
        label="Day"
        type="date"
        :error-messages="fields.heldOn ?? []"
      />
      <v-text-field v-model="wanted.zone" label="Time zone" :error-messages="fields.zone ?? []" />
    </ActDialog>
  </div>
</template>
