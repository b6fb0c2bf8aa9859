<script setup lang="ts">
import type { StationAgreement } from '@kritikos/contracts/agreement';
import WideTable from '../shell/WideTable.vue';
import CoefficientCells from './CoefficientCells.vue';

defineProps<{ station: StationAgreement }>();
defineEmits<{ open: [pair: number] }>();
const signed = (x: number | null) =>
  x === null ? '–' : x < 0 ? `−${(-x).toFixed(1)}` : x.toFixed(1);
</script>

<template>
  <section class="panel">
    <h2>Who marked beside whom</h2>
    <WideTable label="Agreement by pair of examiners">
      <table class="ledger">
        <thead>
          <tr>
            <th>Pair</th>
            <th class="number">Candi­dates</th>
            <th class="number">First − second, points</th>
            <th class="number">Marks</th>
            <th class="number">Agree­ment</th>
            <th class="number">Cohen’s kappa (95 %)</th>
            <th class="number">AC1 (95 %)</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(pair, i) in station.pairs" :key="`${pair.first} ${pair.second}`">
            <td class="pair">{{ pair.first }} and {{ pair.second }}</td>
            <td class="number">{{ pair.candidates }}</td>
            <td class="number">{{ signed(pair.meanDifference) }}</td>
            <CoefficientCells
              :row="pair.agreement"
              :label="`${pair.first} and ${pair.second}`"
              chosen="usual"
              :station="station.stationId"
              :source="{ figure: 'pair', pair: i }"
              @open="$emit('open', i)"
            />
          </tr>
        </tbody>
      </table>
    </WideTable>
  </section>
</template>

<style scoped>
.pair {
  min-width: 14em;
}
</style>
