<script setup lang="ts">
import type { RehearsalResult } from '@kritikos/contracts/rehearsal';
import { computed } from 'vue';
import ForestPlot from '../plots/ForestPlot.vue';
import type { ForestRow } from '../plots/ForestPlot.vue';
import WideTable from '../shell/WideTable.vue';

/** What the rehearsals came to: sentences first, then the spreads, then what one more would buy. */
const props = defineProps<{ result: RehearsalResult; examination: string }>();
const emit = defineEmits<{ takePairs: [pairs: number] }>();

type Spread = NonNullable<RehearsalResult['cut']>;
const row = (label: string, spread: Spread | null | undefined): ForestRow => ({
  label,
  estimate: spread?.mean ?? null,
  lower: spread?.low ?? null,
  upper: spread?.high ?? null,
});
const coefficients = computed(() => [
  row('Kappa of all marks', props.result.kappa?.estimate),
  row('ICC of a score', props.result.icc?.estimate),
  row('Dependability', props.result.dependability),
]);
const cuts = computed(() => [row('The cut', props.result.cut)]);
const stations = computed(() =>
  props.result.stations.map(({ title, carries }) => ({
    ...row(title, carries),
    ...(carries && carries.mean < 0.1 ? { apart: 'carries next to nothing' } : {}),
  })),
);
const half = (width: number | null | undefined) =>
  width === null || width === undefined ? '–' : `± ${width.toFixed(3)}`;
const share = (x: number | null) => (x === null ? '–' : `${Math.round(100 * x)} of 100`);
</script>

<template>
  <section class="panel">
    <h2>What to expect</h2>
    <p
      v-for="(sentence, i) in result.sentences"
      :key="sentence"
      :class="{ 'lead-sentence': i === 0 }"
    >
      {{ sentence }}
    </p>
    <p class="soft">
      From {{ result.rehearsals }} rehearsals of {{ result.candidates }} candidates. Bars reach over
      nine rehearsals in ten. Borderline candidates whose side hangs on the examiners:
      {{ share(result.byExaminer)
      }}<template v-if="result.byCircuit !== null"
        >; on the circuit: {{ share(result.byCircuit) }}</template
      >.
    </p>
    <div class="plots">
      <ForestPlot
        :rows="coefficients"
        axis="Over the rehearsals"
        of="Coefficient"
        label="Spread of kappa, intraclass correlation and dependability over the rehearsals"
        :range="[0, 1]"
        :digits="2"
      />
      <ForestPlot
        v-if="result.cut"
        :rows="cuts"
        axis="Required mean, %"
        of="Standard"
        label="Spread of the cut over the rehearsals"
        :digits="1"
      />
      <ForestPlot
        :rows="stations"
        axis="Correlation with the rest of the examination"
        of="Station"
        label="What each station carries, as its correlation with the others"
        :zero="0"
        :digits="2"
      />
    </div>
  </section>
  <section class="panel mt-4">
    <h2>What one more would buy</h2>
    <WideTable label="What one more would buy">
      <table class="ledger">
        <thead>
          <tr>
            <th>Plan</th>
            <th class="number">Marked twice</th>
            <th class="number">Kappa known to</th>
            <th class="number">ICC known to</th>
            <th class="number">Dependability</th>
            <th><span class="d-sr-only">What can be done</span></th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td>As it is planned</td>
            <td class="number">{{ result.pairs }}</td>
            <td class="number">{{ half(result.kappa?.halfWidth) }}</td>
            <td class="number">{{ half(result.icc?.halfWidth) }}</td>
            <td class="number">{{ result.dependability?.mean.toFixed(3) ?? '–' }}</td>
            <td></td>
          </tr>
          <tr v-if="result.oneMoreExaminer">
            <td>One more second examiner for the day</td>
            <td class="number">{{ result.oneMoreExaminer.pairs }}</td>
            <td class="number">{{ half(result.oneMoreExaminer.kappa?.halfWidth) }}</td>
            <td class="number">{{ half(result.oneMoreExaminer.icc?.halfWidth) }}</td>
            <td class="number">the same</td>
            <td>
              <v-btn
                size="small"
                :disabled="result.oneMoreExaminer.pairs === result.pairs"
                @click="emit('takePairs', result.oneMoreExaminer.pairs)"
              >
                Take this plan
              </v-btn>
            </td>
          </tr>
          <tr v-if="result.oneMoreStation">
            <td>One more station</td>
            <td class="number">{{ result.pairs }}</td>
            <td class="number">the same</td>
            <td class="number">the same</td>
            <td class="number">
              {{ ((result.dependability?.mean ?? 0) + result.oneMoreStation.mean).toFixed(3) }}
            </td>
            <td>
              <v-btn size="small" :to="`/examinations/${examination}/blueprint`">
                Take this plan
              </v-btn>
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <p class="soft">
      “Take this plan” writes the pairs into what the timetable is asked to be, for you to plan
      anew; for a station more it opens the blueprint. A second examiner takes somebody more who is
      free all day.
    </p>
  </section>
</template>

<style scoped>
.plots {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: 14px;
  margin-top: 8px;
}
</style>
