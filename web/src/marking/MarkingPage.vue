<script setup lang="ts">
import type { Confirmations } from '@kritikos/contracts/calibration';
import { useIntervalFn } from '@vueuse/core';
import { ref } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import SafetyPanel from '../safety/SafetyPanel.vue';
import ActDialog from '../shell/ActDialog.vue';
import { counted } from '../shell/counted.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';

const store = useExamination();
const id = store.current?.id ?? '';
const { data, error, reload } = useReading('GET /examinations/:examination/marking', () => ({
  params: { examination: id },
}));
const safety = useReading('GET /examinations/:examination/safety', () => ({
  params: { examination: id },
}));
useIntervalFn(() => void Promise.all([reload(), safety.reload()]), 10_000);
const problem = ref('');
const WARNINGS = [
  { value: 0, title: 'not at all' },
  { value: 30, title: '30 seconds before the end' },
  { value: 60, title: 'a minute before the end' },
  { value: 120, title: '2 minutes before the end' },
  { value: 300, title: '5 minutes before the end' },
];

async function setWarning(seconds: number) {
  try {
    const change = { seconds: Math.round(seconds) };
    store.take(
      await call('PUT /examinations/:examination/warning', {
        params: { examination: id },
        body: change,
      }),
    );
    problem.value = '';
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}

/** Who has not read which briefing, when marking is about to be opened. */
const unread = ref<Confirmations>([]);
const asking = ref(false);
async function open() {
  try {
    const all = await call('GET /examinations/:examination/calibration', {
      params: { examination: id },
    });
    unread.value = all.filter(({ confirmedAt }) => confirmedAt === null);
    if (unread.value.length > 0) asking.value = true;
    else await setOpen(true);
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
async function openAllTheSame() {
  await setOpen(true);
  asking.value = false;
}

async function setOpen(open: boolean) {
  try {
    store.take(
      await call('PUT /examinations/:examination/marking', {
        params: { examination: id },
        body: { open },
      }),
    );
    problem.value = '';
    await reload();
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
</script>

<template>
  <div class="page">
    <div class="d-flex flex-wrap align-center ga-4">
      <h1>Mark</h1>
      <v-spacer />
      <v-btn v-if="data?.open" @click="setOpen(false)">Close marking</v-btn>
      <v-btn v-else variant="flat" color="primary" @click="open">Open marking</v-btn>
    </div>
    <p class="soft">
      {{
        data?.open
          ? 'Marking is open. Closing it stops new sheets; sheets under way can be finished.'
          : 'Opening marking freezes the checklists in use, so that every candidate meets the same ones.'
      }}
    </p>
    <v-select
      :model-value="store.current?.warningSeconds ?? 60"
      :items="WARNINGS"
      label="The clock of a station warns"
      max-width="300"
      class="mb-3"
      @update:model-value="setWarning"
    />
    <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
    <ActDialog
      v-model="asking"
      title="Open marking with unread briefings"
      act="Open all the same"
      away="Not yet"
      :problem="problem"
      @act="openAllTheSame"
    >
      <p>
        {{ counted(unread.length, 'briefing is', 'briefings are') }} not read. Whoever has not read
        theirs marks by another checklist than the one in their head.
      </p>
      <ul class="unread">
        <li v-for="one in unread" :key="`${one.stationId} ${one.examinerId}`">
          {{ one.examiner }}: station {{ one.position }} {{ one.station }}
        </li>
      </ul>
      <p class="soft">Opening marking freezes the checklists in use.</p>
    </ActDialog>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <WideTable label="Progress by station and examiner" class="mt-2">
        <table class="ledger panel">
          <thead>
            <tr>
              <th class="number">Station</th>
              <th>Title</th>
              <th>Examiner</th>
              <th class="number">Planned</th>
              <th class="number">Under way</th>
              <th class="number">Submitted</th>
              <th style="width: 26%">Progress</th>
            </tr>
          </thead>
          <tbody v-for="station in data.stations" :key="station.stationId">
            <tr v-for="(e, i) in station.examiners" :key="e.examinerId">
              <td class="number">{{ i === 0 ? station.position : '' }}</td>
              <td>{{ i === 0 ? station.title : '' }}</td>
              <td>{{ e.name }}</td>
              <td class="number">{{ e.planned }}</td>
              <td class="number">{{ e.started - e.submitted }}</td>
              <td class="number">{{ e.submitted }}</td>
              <td>
                <span class="track"
                  ><i :style="{ width: `${(100 * e.submitted) / Math.max(1, e.planned)}%` }"
                /></span>
              </td>
            </tr>
          </tbody>
        </table>
      </WideTable>
      <SafetyPanel
        class="mt-5"
        :examination="id"
        :occurrences="safety.data.value ?? []"
        @changed="safety.reload"
      />
      <h2 class="mt-5 mb-2">Sheets that want a look</h2>
      <p v-if="data.attention.length === 0" class="soft">None.</p>
      <WideTable v-else label="Sheets that want a look">
        <table class="ledger panel">
          <thead>
            <tr>
              <th class="number">Candidate</th>
              <th>Station</th>
              <th>Examiner</th>
              <th>Why</th>
              <th />
            </tr>
          </thead>
          <tbody>
            <tr v-for="a in data.attention" :key="a.sheetId">
              <td class="number">{{ a.candidateNumber }}</td>
              <td>{{ a.station }}</td>
              <td>{{ a.examiner }}</td>
              <td>
                <b>{{ a.reason }}</b>
              </td>
              <td>
                <router-link :to="`/examinations/${id}/sheets/${a.sheetId}`"
                  >open the sheet</router-link
                >
              </td>
            </tr>
          </tbody>
        </table>
      </WideTable>
    </template>
  </div>
</template>

<style scoped>
.unread {
  max-height: 34vh;
  overflow-y: auto;
  margin: 0;
  padding-left: 1.2em;
}
.track {
  display: block;
  height: 8px;
  margin-top: 7px;
  border: 1px solid var(--rule);
}
.track i {
  display: block;
  height: 100%;
  background: var(--petrol);
}
</style>
