<script setup lang="ts">
import { computed, onScopeDispose, ref, watch } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { call } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import JobProgress from '../jobs/JobProgress.vue';
import LoadState from '../shell/LoadState.vue';
import { CHOICES } from './coefficientWords.ts';
import type { Chosen } from './coefficientWords.ts';
import ItemsPanel from './ItemsPanel.vue';
import LimitsBehind from './LimitsBehind.vue';
import PairsPanel from './PairsPanel.vue';
import PartsPanel from './PartsPanel.vue';
import SeverityPanel from './SeverityPanel.vue';
import StationsTable from './StationsTable.vue';
import TableBehind from './TableBehind.vue';
import type { Behind } from './TableBehind.vue';

const LOOK_AGAIN = 100;

const store = useExamination();
const id = store.current?.id ?? '';
const { data, error, reload, take } = useReading(
  'GET /examinations/:examination/agreement',
  () => ({ params: { examination: id } }),
);
const chosen = ref<Chosen>('usual');
const here = ref<string>();
const station = computed(
  () => data.value?.stations.find((s) => s.stationId === here.value) ?? data.value?.stations[0],
);
const behind = ref<Behind | null>(null);
const limits = ref<{ station: string; item: string } | null>(null);

const underWay = computed(() => ['waiting', 'running'].includes(data.value?.job?.state ?? ''));

/** What is not there yet comes station by station; the answer itself waits a little for more. */
let timer: ReturnType<typeof setTimeout> | undefined;
watch(
  () => data.value,
  (now) => {
    clearTimeout(timer);
    if (underWay.value && now) timer = setTimeout(() => void reload(), LOOK_AGAIN);
  },
  { immediate: true },
);
onScopeDispose(() => clearTimeout(timer));

async function stop(): Promise<void> {
  const job = data.value?.job;
  if (!job || !data.value) return;
  clearTimeout(timer);
  take({ ...data.value, job: await call('DELETE /jobs/:job', { params: { job: job.id } }) });
}
</script>

<template>
  <div class="page">
    <div class="d-flex flex-wrap align-center ga-3">
      <h1>Agree</h1>
      <v-spacer />
      <router-link :to="`/examinations/${id}/trust`">How far it can be trusted</router-link>
      <router-link :to="`/examinations/${id}/years`">Over the years</router-link>
    </div>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <p class="lead-sentence">{{ data.sentence }}</p>
      <template v-if="data.job">
        <JobProgress :job="data.job" what="Working out the stations" @cancel="stop" />
        <v-btn v-if="!underWay" size="small" class="mb-3" @click="reload">Go on</v-btn>
      </template>
      <p class="soft">
        {{ data.doubleMarked }} of {{ data.planned }} planned pairs of sheets are submitted. A
        number opens the table behind it; a cell of the table opens the two sheets.
      </p>
      <p v-if="data.doubleMarked === 0 && data.awaited.length === 0" class="panel">
        Nothing to compare yet. Assign a second examiner to a station under Prepare, plan the
        sheets, and come back when both have submitted.
      </p>
      <template v-else>
        <v-select
          v-model="chosen"
          :items="[...CHOICES]"
          label="Coefficient beyond chance"
          class="choice"
        />
        <StationsTable
          :stations="data.stations"
          :awaited="data.awaited"
          :under-way="underWay"
          :here="station?.stationId"
          :chosen="chosen"
          @choose="here = $event"
          @open="(s, facet) => (behind = { station: s, ...(facet ? { facet } : {}) })"
        />
        <template v-if="station">
          <h2 class="mt-5">Station {{ station.position }} · {{ station.title }}</h2>
          <p class="soft">
            {{ station.candidates }} candidates seen by several, by
            {{ station.examiners.join(', ') || 'nobody' }}.
            <template v-if="station.variantsDiffer > 0"
              >In {{ station.variantsDiffer }} of them different variants were recorded.</template
            >
          </p>
          <template v-if="station.candidates > 0">
            <ItemsPanel
              :station="station"
              :chosen="chosen"
              @open="(item) => (behind = { station: station?.stationId ?? '', item })"
              @limits="(item) => (limits = { station: station?.stationId ?? '', item })"
            />
            <PairsPanel
              :station="station"
              @open="(pair) => (behind = { station: station?.stationId ?? '', pair })"
            />
            <PartsPanel
              :station="station"
              :chosen="chosen"
              @open="(facet, name) => (behind = { station: station?.stationId ?? '', facet, name })"
            />
          </template>
        </template>
        <SeverityPanel v-if="data.severity" :severity="data.severity" :examination="id" />
      </template>
      <TableBehind v-if="behind" :examination="id" :behind="behind" @close="behind = null" />
      <LimitsBehind
        v-if="limits"
        :examination="id"
        :station="limits.station"
        :item="limits.item"
        @close="limits = null"
      />
    </template>
  </div>
</template>

<style scoped>
.choice {
  max-width: 560px;
  margin: 16px 0 2px;
}
.panel {
  margin-top: 14px;
}
</style>
