<script setup lang="ts">
import { computed } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { useReading } from '../http/useReading.ts';
import ForestPlot from '../plots/ForestPlot.vue';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';
import { one, percent, withInterval } from './figures.ts';
import StationFigureCells from './StationFigureCells.vue';
import StationFigureHeads from './StationFigureHeads.vue';
import FileAndCommand from '../sources/FileAndCommand.vue';
import ScoresPlot from './ScoresPlot.vue';

const store = useExamination();
const id = store.current?.id ?? '';
const { data, error, reload } = useReading('GET /examinations/:examination/years', () => ({
  params: { examination: id },
}));
const cohorts = computed(() =>
  (data.value?.sittings ?? []).map(({ cohort, scores }) => ({ name: `Cohort ${cohort}`, scores })),
);
const drifts = computed(() =>
  (data.value?.compared?.anchors ?? []).map(({ title, drift, beyondError }) => ({
    label: title,
    estimate: drift.estimate,
    lower: drift.lower,
    upper: drift.upper,
    ...(beyondError ? { apart: 'changed beyond its error' } : {}),
  })),
);
/** Every station of the bank that any sitting had, with its figures sitting by sitting. */
const stations = computed(() => {
  const sittings = data.value?.sittings ?? [];
  const known = new Map(
    sittings
      .toReversed()
      .flatMap(({ stations: own }) => own.map((s) => [s.bankStationId, s.title] as const)),
  );
  return [...known].map(([bankStationId, title]) => ({
    bankStationId,
    title,
    anchor: data.value?.compared?.anchors.find(({ stationId }) =>
      sittings[0]?.stations.some(
        (s) => s.stationId === stationId && s.bankStationId === bankStationId,
      ),
    ),
    sittings: sittings.map((sitting) =>
      sitting.stations.find((s) => s.bankStationId === bankStationId),
    ),
  }));
});
/** What is to be known of the paper's figure beside what the sentence says. */
const ofThePaper = computed(() => {
  const { cohort, paper } = data.value?.compared ?? {};
  return (paper?.notes ?? []).filter((note) => cohort?.notes.includes(note) === false);
});
</script>

<template>
  <div class="page">
    <h1>Over the years</h1>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <p class="lead-sentence">
        {{ data.sentence }}
        <FileAndCommand
          v-if="data.compared"
          of="what the years say"
          :examination="{ id, query: { figure: 'years' } }"
        />
      </p>
      <p v-for="note in ofThePaper" :key="note" class="soft">{{ note }}</p>
      <WideTable label="Sittings">
        <table class="ledger panel">
          <thead>
            <tr>
              <th>Sitting</th>
              <th>Held</th>
              <th class="number">Candidates</th>
              <th class="number">Mean, %</th>
              <th class="number">Required, %</th>
              <th class="number">Failed</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in data.sittings" :key="s.examinationId">
              <td>
                <router-link :to="`/examinations/${s.examinationId}`">{{ s.title }}</router-link>
                <div class="soft">cohort {{ s.cohort }}</div>
              </td>
              <td>{{ s.heldOn }}</td>
              <td class="number">{{ s.scores.length }}</td>
              <td class="number">{{ one(s.facility) }}</td>
              <td class="number">{{ one(s.required) }}</td>
              <td class="number">{{ percent(s.failed) }}</td>
            </tr>
          </tbody>
        </table>
      </WideTable>
      <p class="soft small">
        Candidates are those with a score at every station; who failed is counted by the newest
        decision.
      </p>
      <section v-if="cohorts.some((c) => c.scores.length > 0)" class="panel">
        <h2>The cohorts laid over one another</h2>
        <ScoresPlot
          :cohorts="cohorts"
          label="Share of candidates by mean score, a line for each cohort; the numbers stand in the table above"
        />
      </section>
      <section v-if="data.compared && drifts.length > 0" class="panel">
        <h2>The stations that stayed the same</h2>
        <p class="soft">
          How much each became easier than the others since the sitting before. One that changed
          beyond its error, by more than chance brings in 1 of 100 such comparisons, is no common
          yardstick; the sentence above does not rest on it.
        </p>
        <ForestPlot
          of="Station"
          :rows="drifts"
          axis="Easier than the others by, percent points"
          :zero="0"
          label="Drift of every common station with its interval"
        />
        <table class="ledger">
          <thead>
            <tr>
              <th>Station</th>
              <th class="number">Drift (95 %)</th>
              <th>Read as</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="a in data.compared.anchors" :key="a.stationId">
              <td>{{ a.title }}</td>
              <td class="number">{{ withInterval(a.drift, 1) }}</td>
              <td>
                <template v-if="a.beyondError">▲ changed beyond its error</template>
                <template v-else>within its error</template>{{ a.used ? '' : ', not used' }}
              </td>
            </tr>
          </tbody>
        </table>
      </section>
      <section>
        <h2>Station by station</h2>
        <WideTable label="Stations over the sittings">
          <table class="ledger panel">
            <thead>
              <tr>
                <th>Station</th>
                <th>Cohort</th>
                <StationFigureHeads />
              </tr>
            </thead>
            <tbody>
              <template v-for="station in stations" :key="station.bankStationId">
                <tr v-for="(own, i) in station.sittings.filter((s) => s !== undefined)" :key="i">
                  <td>
                    <template v-if="i === 0">
                      <router-link :to="`/bank/${station.bankStationId}/years`">{{
                        station.title
                      }}</router-link>
                      <span v-if="station.anchor" class="soft">, the same in both</span>
                    </template>
                  </td>
                  <td>
                    {{
                      data.sittings.find((s) => s.examinationId === own.examinationId)?.cohort ?? ''
                    }}
                  </td>
                  <StationFigureCells :of="own" />
                </tr>
              </template>
            </tbody>
          </table>
        </WideTable>
      </section>
    </template>
  </div>
</template>

<style scoped>
section {
  margin-top: 16px;
}
.small {
  margin-top: 4px;
}
</style>
