<script setup lang="ts">
import { computed, ref } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import CoefficientCells from './CoefficientCells.vue';
import TableBehind from './TableBehind.vue';
import WideTable from '../shell/WideTable.vue';

const store = useExamination();
const id = store.current?.id ?? '';
const { data, error, reload } = useReading('GET /examinations/:examination/agreement', () => ({
  params: { examination: id },
}));
const chosen = ref(0);
const station = computed(() => data.value?.stations[chosen.value]);
const signed = (x: number) => (x < 0 ? `−${(-x).toFixed(1)}` : x.toFixed(1));
const behind = ref<{ station: string; item: string | null } | null>(null);

const DISPUTES: Record<string, { sign: string; words: string }> = {
  agreed: { sign: '', words: 'agreed' },
  skewed: { sign: '▁', words: 'skewed: nearly all marks alike, kappa says little' },
  'one-sided': { sign: '◣', words: 'one-sided: one examiner is the harsher' },
  ambiguous: { sign: '◇', words: 'ambiguous: both split at random' },
  'too few': { sign: '·', words: 'too few pairs to say' },
};
</script>

<template>
  <div class="page">
    <div class="d-flex align-center ga-3">
      <h1>Agree</h1>
      <v-spacer />
      <router-link :to="`/examinations/${id}/trust`">How far it can be trusted</router-link>
      <router-link :to="`/examinations/${id}/years`">Over the years</router-link>
    </div>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <p class="soft">
        {{ data.doubleMarked }} of {{ data.planned }} planned pairs of sheets are submitted. A
        number opens the table behind it; a cell of the table opens the two sheets.
      </p>
      <p v-if="data.doubleMarked === 0" class="panel">
        Nothing to compare yet. Assign a second examiner to a station under Prepare, plan the
        sheets, and come back when both have submitted.
      </p>
      <template v-else>
        <WideTable label="Agreement by item">
          <table class="ledger panel">
            <thead>
              <tr>
                <th>Station</th>
                <th class="number">Candidates</th>
                <th class="number">Variants differ</th>
                <th class="number">First − second, %</th>
                <th class="number">Marks</th>
                <th class="number">Agreement</th>
                <th class="number">Kappa (95 %)</th>
                <th class="number">PI</th>
                <th class="number">BI</th>
                <th class="number">PABAK</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="(s, i) in data.stations"
                :key="s.stationId"
                :class="{ here: i === chosen }"
              >
                <td class="station">
                  <button
                    class="linkish"
                    type="button"
                    :aria-pressed="i === chosen"
                    @click="chosen = i"
                  >
                    {{ s.position }} · {{ s.title }}
                  </button>
                </td>
                <td class="number">{{ s.candidates }}</td>
                <td class="number">{{ s.variantsDiffer }}</td>
                <td class="number">
                  {{ s.meanDifference === null ? '–' : signed(s.meanDifference) }}
                </td>
                <CoefficientCells
                  :row="s"
                  :label="s.title"
                  @open="behind = { station: s.stationId, item: null }"
                />
              </tr>
            </tbody>
          </table>
        </WideTable>
        <template v-if="station">
          <h2 class="mt-5 mb-2">
            Station {{ station.position }} · {{ station.title }}
            <span class="soft">{{ station.examiners.join(' and ') }}</span>
          </h2>
          <WideTable label="Agreement by examiner pair">
            <table class="ledger panel">
              <thead>
                <tr>
                  <th>Item</th>
                  <th>What kind of dispute</th>
                  <th>Known by</th>
                  <th class="number">Marks</th>
                  <th class="number">Agreement</th>
                  <th class="number">Kappa (95 %)</th>
                  <th class="number">PI</th>
                  <th class="number">BI</th>
                  <th class="number">PABAK</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="item in station.items" :key="item.item" :data-item="item.item">
                  <td>{{ item.text }}</td>
                  <td
                    :class="{ dispute: ['one-sided', 'ambiguous'].includes(item.dispute) }"
                    :title="DISPUTES[item.dispute]?.words"
                  >
                    {{ DISPUTES[item.dispute]?.sign }} {{ item.dispute }}
                  </td>
                  <td class="soft">{{ item.observability }}</td>
                  <CoefficientCells
                    :row="item"
                    :label="item.text"
                    @open="behind = { station: station.stationId, item: item.item }"
                  />
                </tr>
              </tbody>
            </table>
          </WideTable>
          <p class="soft mt-2">
            PI and BI are the prevalence and the bias index of Byrt, Bishop and Carlin (1993): where
            PI is high nearly everyone got the mark, and a low kappa beside a high agreement is then
            no sign of quarrel. PABAK is kappa freed of both.
          </p>
        </template>
      </template>
      <TableBehind
        v-if="behind"
        :examination="id"
        :station="behind.station"
        :item="behind.item"
        @close="behind = null"
      />
    </template>
  </div>
</template>

<style scoped>
.station {
  min-width: 11em;
}
.dispute {
  color: var(--madder);
  font-weight: 650;
}
</style>
