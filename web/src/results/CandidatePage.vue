<script setup lang="ts">
import { counted } from '../shell/counted.ts';
import { DOMAINS } from '@kritikos/core/scoring/checklist';
import { useExamination } from '../examinations/examinationStore.ts';
import { useReading } from '../http/useReading.ts';
import SafetyPanel from '../safety/SafetyPanel.vue';
import LoadState from '../shell/LoadState.vue';

const props = defineProps<{ candidate: string }>();
const store = useExamination();
const id = store.current?.id ?? '';
const { data, error, reload } = useReading(
  'GET /examinations/:examination/results/candidates/:candidate',
  () => ({
    params: { examination: id, candidate: props.candidate },
  }),
);
const one = (x: number | null | undefined) =>
  x === null || x === undefined ? 'no score' : `${x.toFixed(1)} %`;
const OUTCOMES = { pass: '● Passed', fail: '▲ Not passed', incomplete: '◌ Incomplete' };
const own = (place: number) => data.value?.result.stations[place];
const print = () => window.print();
</script>

<template>
  <div class="page report">
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <div class="d-flex align-center ga-3">
        <div>
          <h1>{{ data.result.number }} · {{ data.result.name }}</h1>
          <p class="soft">
            {{ data.examination.title }}, {{ data.examination.school }},
            {{ data.examination.heldOn }}
          </p>
        </div>
        <v-spacer />
        <v-btn class="no-print" :to="`/examinations/${id}/results`">All results</v-btn>
        <v-btn class="no-print" @click="print">Print</v-btn>
      </div>
      <section class="panel outcome">
        <h2 v-if="data.result.outcome">{{ OUTCOMES[data.result.outcome] }}</h2>
        <h2 v-else>No standard is signed yet</h2>
        <p v-if="data.decision" class="figures">
          Mean {{ one(data.result.mean) }}; required {{ one(data.decision.meanCut) }} (decision No.
          {{ data.decision.number }}, {{ data.decision.signedBy }},
          {{ data.decision.signedAt.slice(0, 10) }}).
        </p>
        <p v-for="reason in data.result.reasons" :key="reason">{{ reason }}</p>
        <dl class="figures">
          <div v-for="d in DOMAINS" :key="d">
            <dt>{{ d }}</dt>
            <dd>{{ one(data.result.domains[d]) }}</dd>
          </div>
          <div>
            <dt>safety items</dt>
            <dd>{{ one(data.result.safety) }}</dd>
          </div>
        </dl>
      </section>
      <section
        v-for="(station, at) in data.stations"
        :key="station.stationId"
        class="panel station"
      >
        <h2>
          {{ station.title }}: {{ station.procedure }}
          <span class="figures">{{ one(station.percent) }}</span>
          <span v-if="station.cut !== null" class="soft figures"> cut {{ one(station.cut) }}</span>
        </h2>
        <p v-if="own(at)?.criticalMissed.length" class="critical">
          ▲ Not passed, whatever the score: a critical item was missed.
          {{ own(at)?.criticalMissed.join(' ') }}
        </p>
        <p v-else-if="own(at)?.criticalUnseen.length">
          ◌ Undecided: nobody observed a critical item. {{ own(at)?.criticalUnseen.join(' ') }}
        </p>
        <SafetyPanel :examination="id" :occurrences="station.safety" @changed="reload" />
        <p v-if="station.sheets.length === 0" class="soft">No sheet is submitted here.</p>
        <div class="sheets">
          <article v-for="sheet in station.sheets" :key="sheet.sheetId">
            <h3>
              <router-link :to="`/examinations/${id}/sheets/${sheet.sheetId}`">
                {{ sheet.examiner }}
              </router-link>
              <span class="soft figures score">
                {{ one(sheet.percent) }}{{ sheet.grade ? `, ${sheet.grade}` : '' }}</span
              >
            </h3>
            <ul v-if="sheet.missed.length > 0">
              <li v-for="m in sheet.missed" :key="m.text">
                {{ m.text }}
                <span class="soft">{{ m.earned === 0 ? 'scored 0' : 'part of the mark' }}</span>
                <b v-if="m.critical"> critical</b>
              </li>
            </ul>
            <p v-else>Full marks on every item.</p>
            <p v-if="sheet.unmarked + sheet.notObserved > 0" class="soft">
              {{ counted(sheet.unmarked, 'item') }} not marked, {{ sheet.notObserved }} not
              observed; neither counts for or against.
            </p>
            <p v-if="sheet.comment" class="serif">“{{ sheet.comment }}”</p>
          </article>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.score {
  margin-left: 0.4em;
}
.report {
  max-width: 960px;
}
.outcome,
.station {
  margin-top: 12px;
  break-inside: avoid;
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
dt {
  font-size: 0.8rem;
  color: var(--soft);
}
dd {
  margin: 0;
  font-weight: 600;
}
.critical {
  color: var(--madder);
  font-weight: 600;
}
.sheets {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 14px;
  margin-top: 6px;
}
ul {
  padding-left: 1.1em;
  margin: 4px 0;
}
</style>
