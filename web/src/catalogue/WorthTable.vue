<script setup lang="ts">
import type { Procedure } from '@kritikos/catalogue/procedure';
import { likelihoodRatios } from '@kritikos/core/accuracy/postTest';
import { computed } from 'vue';
import WideTable from '../shell/WideTable.vue';

const props = defineProps<{ procedure: Procedure }>();
const share = (value: number | undefined) =>
  value === undefined ? '–' : `${Math.round(100 * value)} %`;
const ratio = (value: number) => (Number.isFinite(value) ? value.toFixed(value < 1 ? 2 : 1) : '∞');
const rows = computed(() =>
  props.procedure.worth.map((figure) => {
    const { sensitivity, specificity } = figure;
    const ratios =
      sensitivity === undefined || specificity === undefined
        ? null
        : likelihoodRatios({ sensitivity, specificity });
    return { ...figure, positive: ratios?.positive, negative: ratios?.negative };
  }),
);
</script>

<template>
  <section v-if="rows.length > 0" class="panel">
    <h2>What it is worth</h2>
    <WideTable label="What the test is worth">
      <table class="ledger">
        <thead>
          <tr>
            <th>Of</th>
            <th class="number">Sensitivity</th>
            <th class="number">Specificity</th>
            <th class="number">LR+</th>
            <th class="number">LR−</th>
            <th>Else</th>
            <th>Source</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.of + row.source">
            <td>{{ row.of }}</td>
            <td class="number">{{ share(row.sensitivity) }}</td>
            <td class="number">{{ share(row.specificity) }}</td>
            <td class="number">{{ row.positive === undefined ? '–' : ratio(row.positive) }}</td>
            <td class="number">{{ row.negative === undefined ? '–' : ratio(row.negative) }}</td>
            <td>{{ row.kappa === undefined ? row.text : `kappa ${row.kappa.toFixed(2)}` }}</td>
            <td class="soft">{{ row.source }}, {{ row.sourceKind }}</td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <p class="soft">
      A single test rarely decides: what it does depends on the chance before it.
      <router-link :to="{ path: '/catalogue/bench', query: { procedure: procedure.id } }">
        Try it on the bench
      </router-link>
    </p>
  </section>
</template>

<style scoped>
.panel {
  margin-bottom: 14px;
}
</style>
