<script setup lang="ts">
import type { StationAgreement } from '@kritikos/contracts/agreement';
import { computed } from 'vue';
import ForestPlot from '../plots/ForestPlot.vue';
import WideTable from '../shell/WideTable.vue';
import CoefficientCells from './CoefficientCells.vue';
import { CHOICES, chosenFigure } from './coefficientWords.ts';
import type { Chosen } from './coefficientWords.ts';
import { DISPUTE_SIGNS, sayDispute } from './disputeWords.ts';

const props = defineProps<{ station: StationAgreement; chosen: Chosen }>();
defineEmits<{ open: [item: string]; limits: [item: string] }>();

/** The item that makes most of the disagreement first. */
const items = computed(() => [...props.station.items].sort((a, b) => b.share - a.share));
const rows = computed(() =>
  items.value.map((item) => {
    const figure = chosenFigure(item, props.chosen);
    const disputed = ['one-sided', 'ambiguous'].includes(item.dispute.kind);
    return {
      label: item.text,
      estimate: figure?.estimate ?? null,
      lower: figure?.lower ?? null,
      upper: figure?.upper ?? null,
      ...(disputed ? { apart: item.dispute.kind } : {}),
    };
  }),
);
const short = computed(() => CHOICES.find(({ value }) => value === props.chosen)?.short ?? '');
const percent = (share: number) => `${Math.round(100 * share)} %`;
</script>

<template>
  <section class="panel">
    <h2>Item by item</h2>
    <p class="soft">
      Sorted by the share of the station’s disagreement that each item makes, by its weight. An item
      without a point has no coefficient: its marks do not vary. ▲ is in dispute.
    </p>
    <ForestPlot
      :rows="rows"
      :axis="`${short} of each item, station ${station.position}`"
      of="Item"
      :zero="0"
      :digits="2"
      :label="`${short} with intervals, item by item; the numbers stand in the table below`"
    />
    <WideTable label="Agreement by item">
      <table class="ledger">
        <thead>
          <tr>
            <th>Item</th>
            <th>What kind of dispute</th>
            <th>Known by</th>
            <th class="number">Share</th>
            <th class="number">Marks</th>
            <th class="number">Agree­ment</th>
            <th class="number">{{ short }} (95 %)</th>
            <th class="number">AC1, AC2 (95 %)</th>
            <th class="number">PI</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="item in items" :key="item.item" :data-item="item.item">
            <td class="item">
              {{ item.text }}
              <span v-if="item.declared" class="soft">(declared)</span>
              <button
                v-if="item.measured"
                class="linkish"
                type="button"
                @click="$emit('limits', item.item)"
              >
                limits of agreement
              </button>
            </td>
            <td :class="{ dispute: ['one-sided', 'ambiguous'].includes(item.dispute.kind) }">
              {{ DISPUTE_SIGNS[item.dispute.kind] }} {{ item.dispute.kind }}
              <span v-if="item.dispute.kind === 'one-sided'" class="why">{{
                sayDispute(item.dispute)
              }}</span>
            </td>
            <td class="soft">{{ item.observability }}</td>
            <td class="number">{{ percent(item.share) }}</td>
            <CoefficientCells
              :row="item"
              :label="item.text"
              :chosen="chosen"
              :weighted="item.weighted"
              :station="station.stationId"
              :source="{ figure: 'item', item: item.item }"
              @open="$emit('open', item.item)"
            />
            <td class="number">
              {{ item.prevalenceIndex === null ? '–' : item.prevalenceIndex.toFixed(2) }}
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <p class="soft mt-2">
      PI is the prevalence index of Byrt, Bishop and Carlin (1993): where it is high nearly everyone
      got the same mark, and a low kappa beside a high agreement is then no sign of quarrel; the AC
      beside it holds still.
    </p>
  </section>
</template>

<style scoped>
.item {
  min-width: 14em;
}
td:nth-child(2) {
  min-width: 9em;
}
.dispute {
  color: var(--madder);
  font-weight: 650;
}
.why {
  display: block;
  font-weight: 400;
  font-size: 0.88em;
  color: var(--soft);
}
</style>
