<script setup lang="ts">
import { counted } from '../shell/counted.ts';
import type { Planned } from '@kritikos/contracts/examinations';
import { computed, ref } from 'vue';
import ExaminerPanel from '../accounts/ExaminerPanel.vue';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import CandidatePanel from './CandidatePanel.vue';
import DetailsPanel from './DetailsPanel.vue';
import { useExamination } from './examinationStore.ts';
import LeadPanel from './LeadPanel.vue';
import StationPanel from './StationPanel.vue';

const store = useExamination();
const examination = computed(() => store.current);
const { data: examiners, reload } = useReading('GET /accounts/examiners');
const planned = ref<Planned | null>(null);
const problem = ref('');

async function plan() {
  if (!examination.value) return;
  try {
    planned.value = await call('POST /examinations/:examination/plan', {
      params: { examination: examination.value.id },
    });
    await store.open(examination.value.id);
    problem.value = '';
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
</script>

<template>
  <div v-if="examination" class="page">
    <h1>Prepare</h1>
    <div class="columns">
      <div class="stack">
        <StationPanel :examiners="examiners ?? []" />
        <section class="panel">
          <h2>Timetable</h2>
          <p class="soft">
            Who is where, when and with whom: a plan that keeps regions, times and conflicts of
            interest, connects the examiners and can be changed by hand. Publishing it plans the
            sheets.
          </p>
          <div class="acts">
            <v-btn :to="`/examinations/${examination.id}/timetable`">Make a timetable</v-btn>
            <v-btn variant="text" :to="`/examinations/${examination.id}/resources`">
              Who and what may be used
            </v-btn>
          </div>
        </section>
        <section class="panel">
          <h2>Rehearsal</h2>
          <p class="soft">
            How precise the examination will be, before the day: it is played some hundreds of times
            on simulated people.
          </p>
          <v-btn :to="`/examinations/${examination.id}/rehearsal`">Rehearse it</v-btn>
        </section>
        <section class="panel">
          <h2>Provisional standard</h2>
          <p class="soft">
            Judges on a panel say, before anybody has seen a candidate, what a borderline one would
            earn: in rounds, by link, without an account.
          </p>
          <v-btn :to="`/examinations/${examination.id}/panels`">Panels</v-btn>
        </section>
        <section class="panel">
          <h2>Papers</h2>
          <p class="soft">
            Door sheets, scripts, briefings, blank checklists, route cards, calendars and tables, as
            one archive.
          </p>
          <v-btn :to="`/examinations/${examination.id}/papers`">Make the papers</v-btn>
        </section>
        <section class="panel">
          <h2>Sheets without a timetable</h2>
          <p class="soft">
            A sheet for every candidate with the first examiner of a station, and for every n-th
            with a second one. Planning again adds what is missing, removes what is no longer
            wanted, and leaves started sheets alone.
          </p>
          <v-btn variant="flat" color="primary" @click="plan">Plan who marks whom</v-btn>
          <p v-if="planned" role="status" class="mt-2">
            {{ counted(planned.sheets, 'sheet') }}, {{ planned.doubleMarked }} of them pairs for
            double marking; {{ planned.added }} new, {{ planned.removed }} removed.
            <template v-if="planned.unplanned > 0">
              {{ counted(planned.unplanned, 'sheet has', 'sheets have') }} marks and stay, though
              the plan no longer wants {{ planned.unplanned === 1 ? 'it' : 'them' }}.
            </template>
          </p>
          <v-alert v-if="problem" type="error" role="alert" class="mt-2">{{ problem }}</v-alert>
        </section>
      </div>
      <div class="stack">
        <DetailsPanel />
        <CandidatePanel />
        <LeadPanel />
        <ExaminerPanel
          :examination="examination.id"
          :examiners="examiners ?? []"
          @changed="reload"
        />
      </div>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: 16px;
  margin-top: 12px;
  align-items: start;
}
.stack {
  display: grid;
  gap: 14px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
