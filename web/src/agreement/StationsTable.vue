<script setup lang="ts">
import type { StationAgreement } from '@kritikos/contracts/agreement';
import FileAndCommand from '../sources/FileAndCommand.vue';
import WideTable from '../shell/WideTable.vue';
import { withInterval } from '../years/figures.ts';
import CoefficientCells from './CoefficientCells.vue';
import { CHOICES } from './coefficientWords.ts';
import type { Chosen } from './coefficientWords.ts';

defineProps<{
  stations: readonly StationAgreement[];
  awaited: readonly { position: number; title: string }[];
  /** Whether the awaited ones are under way, and not stopped. */
  underWay: boolean;
  here: string | undefined;
  chosen: Chosen;
}>();
defineEmits<{ choose: [station: string]; open: [station: string, facet?: 'declared'] }>();
const one = (x: number | null) => (x === null ? '–' : x.toFixed(1));
const shortOf = (chosen: Chosen) => CHOICES.find(({ value }) => value === chosen)?.short ?? '';
</script>

<template>
  <WideTable label="Agreement by station">
    <table class="ledger panel">
      <thead>
        <tr>
          <th>Station</th>
          <th class="number">Candi­dates</th>
          <th class="number">Marks</th>
          <th class="number">Agree­ment</th>
          <th class="number">{{ shortOf(chosen) }} (95 %)</th>
          <th class="number">AC1 (95 %)</th>
          <th class="number">Declared results</th>
          <th class="number">ICC of scores (95 %)</th>
          <th class="number">Error, points</th>
          <th class="number">Smallest real change</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in stations" :key="s.stationId" :class="{ here: s.stationId === here }">
          <td class="station">
            <button
              class="linkish"
              type="button"
              :aria-pressed="s.stationId === here"
              @click="$emit('choose', s.stationId)"
            >
              {{ s.position }} · {{ s.title }}
            </button>
          </td>
          <td class="number">{{ s.candidates }}</td>
          <CoefficientCells
            :row="s.technique"
            :label="s.title"
            :chosen="chosen"
            :station="s.stationId"
            :source="{ figure: 'technique' }"
            @open="$emit('open', s.stationId)"
          />
          <td class="number">
            <button
              v-if="s.declared && s.declared.marks > 0"
              class="linkish"
              type="button"
              :aria-label="`Table behind the declared results of ${s.title}`"
              @click="$emit('open', s.stationId, 'declared')"
            >
              {{ Math.round(100 * (s.declared.coefficients.percentAgreement?.estimate ?? 0)) }} %
            </button>
            <template v-else>–</template>
            <FileAndCommand
              v-if="s.declared && s.declared.marks > 0"
              :of="`the declared results of ${s.title}`"
              :station="{ id: s.stationId, query: { figure: 'declared' } }"
            />
          </td>
          <td class="number" :title="s.scores.notes.join(' ')">
            {{ withInterval(s.scores, 2) }}
          </td>
          <td class="number">{{ one(s.scores.sem) }}</td>
          <td class="number">
            {{ one(s.scores.smallestRealChange) }}
            <FileAndCommand
              v-if="s.scores.candidates > 0"
              :of="`the scores of ${s.title}`"
              :station="{ id: s.stationId, query: { figure: 'scores' } }"
            />
          </td>
        </tr>
        <tr v-for="s in awaited" :key="s.position">
          <td class="soft">{{ s.position }} · {{ s.title }}</td>
          <td colspan="9" class="soft">
            {{ underWay ? 'being worked out' : 'not worked out yet' }}
          </td>
        </tr>
      </tbody>
    </table>
  </WideTable>
</template>

<style scoped>
.station {
  min-width: 11em;
}
</style>
