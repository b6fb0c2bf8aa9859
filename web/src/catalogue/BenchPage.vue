<script setup lang="ts">
import { evidencePath } from '@kritikos/core/accuracy/evidencePath';
import {
  inParallel,
  inSeries,
  postTestProbability,
  likelihoodRatios,
  predictiveValues,
} from '@kritikos/core/accuracy/postTest';
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import EvidencePlot from './EvidencePlot.vue';
import WideTable from '../shell/WideTable.vue';
import { useKnownProcedures } from './useKnownProcedures.ts';

/** Tests of which sensitivity and specificity are published together. */
const { choice } = useKnownProcedures();
const tests = computed(() =>
  choice.value.flatMap((procedure) => {
    const pairs = procedure.worth.flatMap(({ sensitivity, specificity, of, source }) =>
      sensitivity === undefined || specificity === undefined
        ? []
        : [{ sensitivity, specificity, of, source }],
    );
    return pairs[0] ? [{ id: procedure.id, name: procedure.names[0] ?? procedure.id, pairs }] : [];
  }),
);
const testOf = (id: string) => tests.value.find((test) => test.id === id);

interface Row {
  test: string;
  pair: number;
  result: 'positive' | 'negative';
}
const asked = String(useRoute().query.procedure ?? '');
const start = testOf(asked) ?? tests.value[0];
const rows = ref<Row[]>(start ? [{ test: start.id, pair: 0, result: 'positive' }] : []);
const pretest = ref(30);
const adding = ref<string | null>(null);

function figuresOf(id: string) {
  return (testOf(id)?.pairs ?? []).map((p, k) => ({
    value: k,
    title: `${p.of}: ${Math.round(100 * p.sensitivity)} / ${Math.round(100 * p.specificity)} (${p.source})`,
  }));
}
function add(id: string | null) {
  if (id) rows.value.push({ test: id, pair: 0, result: 'positive' });
  adding.value = null;
}
const evidence = computed(() =>
  rows.value.flatMap((row) => {
    const test = testOf(row.test);
    const pair = test?.pairs[row.pair];
    if (!test || !pair) return [];
    return [
      {
        ...pair,
        label: test.name,
        result: row.result,
        others: test.pairs.filter((p) => p !== pair),
      },
    ];
  }),
);
const path = computed(() => evidencePath(pretest.value / 100, evidence.value));
const percent = (share: number) =>
  `${(100 * share).toFixed(share < 0.02 || share > 0.98 ? 1 : 0)} %`;

const pairOfTwo = computed(() => {
  const [a, b] = evidence.value;
  if (!a || !b) return null;
  const both = inSeries(a, b);
  const either = inParallel(a, b);
  const after = (worth: typeof both, result: 'positive' | 'negative') =>
    postTestProbability(pretest.value / 100, likelihoodRatios(worth)[result]);
  return [
    {
      rule: 'Both positive',
      ...both,
      positive: after(both, 'positive'),
      negative: after(both, 'negative'),
    },
    {
      rule: 'One positive is enough',
      ...either,
      positive: after(either, 'positive'),
      negative: after(either, 'negative'),
    },
  ];
});

/** The two classic misreadings, with the numbers on this bench. */
const misread = computed(() => {
  const [first] = evidence.value;
  if (!first) return null;
  const { ppv, npv } = predictiveValues(first, pretest.value / 100);
  return { ...first, ppv, npv };
});
</script>

<template>
  <div class="page">
    <router-link to="/catalogue">Catalogue</router-link>
    <h1>Interpretation bench</h1>
    <p class="soft">
      Choose tests and what they found; see how far they move the chance of the condition. It
      teaches interpretation and diagnoses nobody.
    </p>
    <div class="board">
      <section class="panel">
        <div class="pretest">
          <label for="pretest">Chance before any test</label>
          <b class="figures">{{ pretest }} %</b>
        </div>
        <v-slider
          id="pretest"
          v-model="pretest"
          :min="1"
          :max="99"
          :step="1"
          aria-label="Chance before any test, in percent"
        />
        <div v-for="(row, i) in rows" :key="i" class="row">
          <div class="test">
            <b>{{ i + 1 }} · {{ testOf(row.test)?.name }}</b>
            <v-select
              v-model="row.pair"
              :items="figuresOf(row.test)"
              label="Sensitivity / specificity, %"
            />
          </div>
          <v-btn-toggle v-model="row.result" mandatory density="compact" variant="outlined">
            <v-btn value="positive">Positive</v-btn>
            <v-btn value="negative">Negative</v-btn>
          </v-btn-toggle>
          <button
            type="button"
            class="linkish"
            :aria-label="`Take test ${i + 1} away`"
            @click="rows.splice(i, 1)"
          >
            Take away
          </button>
        </div>
        <v-autocomplete
          v-model="adding"
          :items="tests.map((t) => ({ value: t.id, title: t.name }))"
          label="Add a test"
          @update:model-value="add"
        />
      </section>
      <section class="panel">
        <EvidencePlot :pretest="pretest / 100" :path="path" />
        <WideTable label="Findings">
          <table class="ledger">
            <thead>
              <tr>
                <th>After</th>
                <th class="number">Ratio</th>
                <th class="number">Chance</th>
                <th class="number">Range of published figures</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(step, i) in path" :key="i">
                <td>{{ step.label }}, {{ rows[i]?.result }}</td>
                <td class="number">
                  {{ Number.isFinite(step.ratio) ? step.ratio.toFixed(2) : '∞' }}
                </td>
                <td class="number">
                  <b>{{ percent(step.probability) }}</b>
                </td>
                <td class="number">{{ percent(step.lower) }} to {{ percent(step.upper) }}</td>
              </tr>
            </tbody>
          </table>
        </WideTable>
      </section>
    </div>
    <section v-if="pairOfTwo" class="panel">
      <h2>The first two together</h2>
      <WideTable label="After the findings">
        <table class="ledger">
          <thead>
            <tr>
              <th>Rule</th>
              <th class="number">Sensitivity</th>
              <th class="number">Specificity</th>
              <th class="number">Chance when fulfilled</th>
              <th class="number">Chance when not</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="rule in pairOfTwo" :key="rule.rule">
              <td>{{ rule.rule }}</td>
              <td class="number">{{ percent(rule.sensitivity) }}</td>
              <td class="number">{{ percent(rule.specificity) }}</td>
              <td class="number">{{ percent(rule.positive) }}</td>
              <td class="number">{{ percent(rule.negative) }}</td>
            </tr>
          </tbody>
        </table>
      </WideTable>
      <p class="soft">
        Worked out as if the two tests erred independently. Tests of one structure hardly do: the
        truth lies nearer to one test alone.
      </p>
    </section>
    <section v-if="misread" class="panel">
      <h2>Two misreadings, with these numbers</h2>
      <p>
        <b
          >"Sensitivity {{ percent(misread.sensitivity) }}, so a negative person is free of it with
          {{ percent(misread.sensitivity) }}."</b
        >
        No: sensitivity speaks of people who have the condition. With {{ pretest }} % before,
        {{ misread.npv === null ? 'no figure' : percent(misread.npv) }} of those who test negative
        are free of it.
      </p>
      <p>
        <b
          >"Specificity {{ percent(misread.specificity) }}, so a positive person has it with
          {{ percent(misread.specificity) }}."</b
        >
        No: specificity speaks of people who are free of it. With {{ pretest }} % before,
        {{ misread.ppv === null ? 'no figure' : percent(misread.ppv) }} of those who test positive
        have it.
      </p>
    </section>
  </div>
</template>

<style scoped>
.board {
  display: grid;
  grid-template-columns: 1fr 1.1fr;
  gap: 14px;
  align-items: start;
  margin: 10px 0;
}
.panel {
  margin-bottom: 14px;
}
.pretest {
  display: flex;
  justify-content: space-between;
}
.row {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 10px;
  align-items: end;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.test {
  display: grid;
  gap: 4px;
}
.v-autocomplete {
  margin-top: 12px;
}
@media (max-width: 1000px) {
  .row {
    grid-template-columns: 1fr auto;
  }
  .test {
    grid-column: 1 / -1;
  }
}
@media (max-width: 800px) {
  .board {
    grid-template-columns: 1fr;
  }
}
</style>
