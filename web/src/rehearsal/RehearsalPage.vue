<script setup lang="ts">
import type { RehearsalAsked } from '@kritikos/contracts/rehearsal';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useExamination } from '../examinations/examinationStore.ts';
import { ApiProblem, call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import JobProgress from '../jobs/JobProgress.vue';
import { useJob } from '../jobs/useJob.ts';
import LoadState from '../shell/LoadState.vue';
import { namedFaults } from './assumptionFields.ts';
import AssumptionFields from './AssumptionFields.vue';
import RehearsalResults from './RehearsalResults.vue';
import StationsSupposed from './StationsSupposed.vue';

/** The whole planned examination, played before the day. */
const props = defineProps<{ examination: string }>();
const router = useRouter();
const store = useExamination();
const params = computed(() => ({ examination: props.examination }));
const { data, error, reload } = useReading('GET /examinations/:examination/rehearsal', () => ({
  params: params.value,
}));
const asked = ref<RehearsalAsked | null>(null);
watch(
  data,
  (now) => {
    if (!now || asked.value) return;
    const { result } = now.newest ?? {};
    asked.value = result?.asked ?? {
      assumptions: now.suggested.assumptions,
      rehearsals: 200,
      seed: 7,
      pairs: null,
      asMarked: true,
    };
  },
  { immediate: true },
);
const { job, follow, cancel, running } = useJob();
const problem = ref('');
const errors = ref<Record<string, string>>({});

async function rehearse() {
  if (!asked.value) return;
  problem.value = '';
  errors.value = {};
  try {
    follow(
      await call('POST /examinations/:examination/rehearsal', {
        params: params.value,
        body: asked.value,
      }),
    );
  } catch (thrown) {
    problem.value = messageOf(thrown);
    if (!(thrown instanceof ApiProblem)) return;
    errors.value = Object.fromEntries(
      (thrown.problem.errors ?? []).map(({ pointer, detail }) => [
        pointer.split('/').at(-1) ?? '',
        detail,
      ]),
    );
  }
}
watch(job, async (now) => {
  if (now?.state === 'done') await reload();
});
function takeOver() {
  if (asked.value && data.value)
    asked.value = {
      ...asked.value,
      assumptions: data.value.suggested.assumptions,
      asMarked: true,
    };
}

/** Takes so many pairs into what the timetable is asked to be, and goes there. */
async function takePairs(pairs: number) {
  try {
    const { wish } = await call('GET /examinations/:examination/timetable', {
      params: params.value,
    });
    await call('PUT /examinations/:examination/timetable', {
      params: params.value,
      body: { ...wish, pairs },
    });
    await router.push(`/examinations/${props.examination}/timetable`);
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
const when = (instant: string) =>
  new Intl.DateTimeFormat('en-GB', {
    dateStyle: 'medium',
    timeStyle: 'short',
    timeZone: store.current?.zone ?? 'UTC',
  }).format(new Date(instant));
</script>

<template>
  <div class="page">
    <h1>Rehearsal</h1>
    <p class="soft">
      The planned examination is played some hundreds of times on simulated candidates and
      examiners, through the same code that will score it, measure agreement and set the standard.
    </p>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data && asked">
      <section class="panel">
        <h2>What is supposed</h2>
        <p>
          <template v-if="data.suggested.from">
            Learnt from {{ data.suggested.from }}; all of it can be changed here.
          </template>
          <template v-else>The usual spreads; all of it can be changed here.</template>
          These are assumptions: if people turn out otherwise, so does the examination.
        </p>
        <p v-for="note in data.suggested.notes" :key="note" class="soft">{{ note }}</p>
        <AssumptionFields v-model="asked" :errors="errors" :disabled="running" />
        <StationsSupposed
          v-if="data.stations.length > 0"
          :stations="data.stations"
          :asked="asked"
          :disabled="running"
          @as-marked="asked = { ...asked, asMarked: $event }"
        />
        <p v-if="data.planned" class="mt-3">Rehearsed are {{ data.planned }}.</p>
        <v-alert v-if="data.missing" type="info" class="mt-2">{{ data.missing }}</v-alert>
        <v-alert v-if="problem" type="error" role="alert" class="mt-2">
          {{ problem }}
          <div v-for="words in namedFaults(errors)" :key="words">{{ words }}.</div>
        </v-alert>
        <div class="do">
          <v-btn
            color="primary"
            variant="flat"
            :disabled="running || data.missing !== null"
            @click="rehearse"
          >
            Rehearse
          </v-btn>
          <v-btn variant="text" :disabled="running" @click="takeOver">
            {{ data.suggested.from ? 'As the last cohort was' : 'As usual' }}
          </v-btn>
        </div>
        <JobProgress v-if="job" :job="job" what="Rehearsing" class="mt-3" @cancel="cancel" />
      </section>
      <template v-if="data.newest">
        <p class="soft mt-4">
          Rehearsed {{ when(data.newest.at) }}, {{ data.newest.result.from }}.
        </p>
        <RehearsalResults
          :result="data.newest.result"
          :examination="examination"
          @take-pairs="takePairs"
        />
      </template>
      <section v-else-if="!data.missing" class="panel mt-4">
        <h2>Not rehearsed yet</h2>
        <p class="soft">
          500 rehearsals of 120 candidates at 12 stations take about twenty seconds.
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 14px;
}
</style>
