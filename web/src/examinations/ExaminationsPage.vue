<script setup lang="ts">
import type { ExaminationSummary, NewExamination } from '@kritikos/contracts/examinations';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { call } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';
import { counted } from '../shell/counted.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';
import DetailFields from './DetailFields.vue';
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
const wanted = ref<NewExamination>({
  title: '',
  school: '',
  cohort: '',
  heldOn: new Date().toISOString().slice(0, 10),
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
});
// Most schools have one name.
watch(data, (all) => (wanted.value.school ||= all?.[0]?.school ?? ''));
const counting = computed(() => data.value?.filter((one) => !one.putAway) ?? []);
const away = computed(() => data.value?.filter((one) => one.putAway) ?? []);
const {
  fields,
  problem,
  submit: create,
} = useSubmit(async () => {
  const made = await call('POST /examinations', { body: wanted.value });
  await router.push(`/examinations/${made.id}/preparation`);
});
</script>

<template>
  <div class="page">
    <div class="d-flex flex-wrap align-center ga-3 mb-3">
      <h1>Examinations</h1>
      <v-spacer />
      <ExaminationFile @made="reload" />
      <v-btn color="primary" variant="flat" @click="creating = true">New examination</v-btn>
    </div>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <p v-if="data?.length === 0" class="panel">
      There is no examination yet. Make one, then bring in candidates and stations.
    </p>
    <WideTable v-if="counting.length > 0" label="Examinations">
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
          <tr v-for="one in counting" :key="one.id">
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
    <details v-if="away.length > 0" class="mt-3">
      <summary>{{ counted(away.length, 'examination') }} put away</summary>
      <ul>
        <li v-for="one in away" :key="one.id">
          <router-link :to="`/examinations/${one.id}/preparation`">{{ one.title }}</router-link>
          <span class="soft figures"> · {{ one.cohort }} · {{ one.heldOn }}</span>
        </li>
      </ul>
    </details>
    <NextDialog v-model="copying" :like="like" />
    <ActDialog
      v-model="creating"
      title="New examination"
      act="Make it"
      :width="520"
      :problem="problem"
      @act="create"
    >
      <DetailFields v-model="wanted" :errors="fields" />
    </ActDialog>
  </div>
</template>
