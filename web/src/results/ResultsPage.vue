<script setup lang="ts">
import ActDialog from '../shell/ActDialog.vue';
import { counted } from '../shell/counted.ts';
import type { CandidateResult } from '@kritikos/contracts/results';
import { DOMAINS } from '@kritikos/core/scoring/checklist';
import { reachesCut } from '@kritikos/core/standards/reachesCut';
import { computed, ref } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { call, linkTo } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import { useSubmit } from '../http/useSubmit.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';
import { inOrderOf } from './resultOrder.ts';
import type { ResultColumn } from './resultOrder.ts';
import SortHead from './SortHead.vue';

/** All of a large examination, so that an order is one of everybody. */
const PAGE = 1000;
const store = useExamination();
const id = store.current?.id ?? '';
const offset = ref(0);
const { data, error, reload } = useReading(
  'GET /examinations/:examination/results',
  () => ({ params: { examination: id }, query: { limit: PAGE, offset: offset.value } }),
  { keep: true },
);
const releasing = ref(false);
const { problem, submit: release } = useSubmit(async () => {
  await call('POST /decisions/:decision/release', {
    params: { decision: data.value?.decision?.id ?? '' },
  });
  releasing.value = false;
  await reload();
});
const by = ref<{ column: ResultColumn; downwards: boolean }>({
  column: 'number',
  downwards: false,
});
const sorted = computed(() =>
  inOrderOf(data.value?.candidates ?? [], by.value.column, by.value.downwards),
);
function turn(by: number) {
  offset.value = Math.max(0, offset.value + by * PAGE);
}

const one = (x: number | null | undefined) => (x === null || x === undefined ? '–' : x.toFixed(1));
const below = (percent: number | null, cut: number | null | undefined) =>
  percent !== null && cut != null && !reachesCut(percent, cut);
const notPassed = (s: CandidateResult['stations'][number], cut: number | null | undefined) =>
  s.outcome === 'not passed' || s.criticalMissed.length > 0 || below(s.percent, cut);
const SHORT: Record<string, string> = {
  preparation: 'Prep.',
  positioning: 'Posit.',
  technique: 'Tech.',
  comparison: 'Comp.',
  interpretation: 'Interp.',
  communication: 'Comm.',
};
const sayEvents = ({ all, laid, open }: CandidateResult['safetyEvents']) =>
  `▲ ${counted(all, 'stop', 'stops')}${laid > 0 ? `, ${laid} laid to them` : open > 0 ? `, ${open} open` : ''}`;
const SIGNS = { pass: '●', fail: '▲', incomplete: '◌' };
const print = () => window.print();
</script>

<template>
  <div class="page wide">
    <div class="d-flex flex-wrap align-center ga-3">
      <h1>Report</h1>
      <v-spacer />
      <router-link class="no-print" :to="`/examinations/${id}/trust`"
        >How far it can be trusted</router-link
      >
      <router-link class="no-print" :to="`/examinations/${id}/years`">Over the years</router-link>
      <v-btn
        class="no-print"
        :href="linkTo('GET /examinations/:examination/results.csv', { examination: id })"
        download
      >
        Spreadsheet (CSV)
      </v-btn>
      <v-btn class="no-print" @click="print">Print</v-btn>
    </div>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <p v-if="data.decision" class="figures">
        Decision No. {{ data.decision.number }}, signed by {{ data.decision.signedBy }} on
        {{ data.decision.signedAt.slice(0, 10) }}: the mean over the stations must reach
        {{ data.decision.meanCut.toFixed(1) }} %.
        <b v-if="data.submittedSince > 0">
          {{
            counted(
              data.submittedSince,
              'sheet was submitted since and is',
              'sheets were submitted since and are',
            )
          }}
          not in it.
        </b>
      </p>
      <p v-if="data.decision?.release" class="figures">
        Released to the candidates by {{ data.decision.release.releasedBy }} on
        {{ data.decision.release.releasedAt.slice(0, 10) }}.
      </p>
      <div v-else-if="data.decision" class="release no-print">
        <span>The candidates see nothing of this until it is released.</span>
        <v-btn size="small" @click="releasing = true">Release results</v-btn>
      </div>
      <ActDialog
        v-model="releasing"
        title="Release results"
        act="Release"
        :problem="problem"
        @act="release"
      >
        <p>
          Decision No. {{ data.decision?.number }} becomes the outcome that candidates are told. A
          release is not taken back; a later decision is released anew.
        </p>
        <p v-if="data.submittedSince > 0" class="caution">
          {{ counted(data.submittedSince, 'sheet', 'sheets') }} came after it was signed.
        </p>
      </ActDialog>
      <p v-if="!data.decision" class="caution">
        No standard is signed, so nobody has passed or failed yet. Scores are shown as they stand.
      </p>
      <p v-if="data.total === 0" class="panel">
        There is no candidate yet; import them under Prepare.
      </p>
      <WideTable v-else label="Results by candidate">
        <table class="ledger panel">
          <thead>
            <tr>
              <SortHead class="number" column="number" :by="by" @order="by = $event">No.</SortHead>
              <SortHead column="name" :by="by" @order="by = $event">Name</SortHead>
              <SortHead column="outcome" :by="by" @order="by = $event">Outcome</SortHead>
              <SortHead class="number" column="mean" :by="by" @order="by = $event">
                Mean %
              </SortHead>
              <SortHead
                v-for="(s, i) in data.stations"
                :key="s.stationId"
                class="number"
                :title="s.title"
                :column="`station ${i}` as ResultColumn"
                :by="by"
                @order="by = $event"
              >
                St. {{ s.position }}
                <template #below>
                  <div class="soft figures">cut {{ one(s.cut) }}</div>
                </template>
              </SortHead>
              <SortHead
                v-for="d in DOMAINS"
                :key="d"
                class="number"
                :title="d"
                :column="d"
                :by="by"
                @order="by = $event"
              >
                {{ SHORT[d] }}
              </SortHead>
              <SortHead class="number" column="safety" :by="by" @order="by = $event">
                Safety
              </SortHead>
              <SortHead column="why" :by="by" @order="by = $event">Why</SortHead>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in sorted" :key="c.candidateId">
              <td class="number">{{ c.number }}</td>
              <td>
                <router-link :to="`/examinations/${id}/results/${c.candidateId}`">
                  {{ c.name }}
                </router-link>
              </td>
              <td :class="c.outcome ?? ''">
                <template v-if="c.outcome">{{ SIGNS[c.outcome] }} {{ c.outcome }}</template>
                <span v-else class="soft">–</span>
              </td>
              <td class="number">
                <b>{{ one(c.mean) }}</b>
              </td>
              <td
                v-for="(s, i) in c.stations"
                :key="s.stationId"
                class="number"
                :class="{ below: notPassed(s, data.stations[i]?.cut) }"
                :title="[...s.criticalMissed, ...s.criticalUnseen].join('; ') || undefined"
              >
                {{ below(s.percent, data.stations[i]?.cut) ? '↓' : '' }}{{ one(s.percent) }}
                <small v-if="s.criticalMissed.length > 0">critical</small>
                <small v-else-if="s.outcome === 'undecided' && s.percent !== null">undecided</small>
              </td>
              <td v-for="d in DOMAINS" :key="d" class="number soft">{{ one(c.domains[d]) }}</td>
              <td class="number soft">
                {{ one(c.safety) }}
                <small v-if="c.safetyEvents.all > 0" class="fail">{{
                  sayEvents(c.safetyEvents)
                }}</small>
              </td>
              <td class="why">{{ c.reasons.join(' ') }}</td>
            </tr>
          </tbody>
        </table>
      </WideTable>
      <div v-if="data.total > PAGE" class="d-flex ga-2 mt-2 no-print">
        <v-btn :disabled="offset === 0" @click="turn(-1)">Earlier</v-btn>
        <v-btn :disabled="offset + PAGE >= data.total" @click="turn(1)">Later</v-btn>
      </div>
    </template>
  </div>
</template>

<style scoped>
.release {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  margin-bottom: 8px;
}
.wide {
  max-width: 1480px;
}
.ledger td,
.ledger th {
  padding: 4px 5px;
}
.fail {
  color: var(--madder);
  font-weight: 700;
}
.pass {
  color: var(--petrol);
}
.below {
  color: var(--madder);
}
td small {
  display: block;
}
.ledger td:nth-child(2) {
  white-space: nowrap;
}
.why {
  font-size: 0.84rem;
  min-width: 340px;
}
</style>
