<script setup lang="ts">
import type { Agreed, Figure } from '@kritikos/contracts/agreement';
import type { StationFigure } from '@kritikos/contracts/sources';
import FileAndCommand from '../sources/FileAndCommand.vue';
import { chosenFigure, nameOfUsual } from './coefficientWords.ts';
import type { Chosen } from './coefficientWords.ts';

/** Agreement, the chosen coefficient, and beside it one that bears skewed marks. */
defineProps<{
  row: Agreed;
  label: string;
  chosen: Chosen;
  weighted?: boolean;
  /** Where the file and the command come from. */
  station: string;
  source: StationFigure;
}>();
defineEmits<{ open: [] }>();

const two = (x: number | null) => (x === null ? '–' : x.toFixed(2).replace('-', '−'));
const reason = (figure: Figure | null) => figure?.notes.join(' ') ?? '';
const percent = (figure: Figure | null) =>
  figure === null || figure.estimate === null ? '–' : `${Math.round(100 * figure.estimate)} %`;
</script>

<template>
  <td class="number">{{ row.marks }}</td>
  <td class="number">
    <button
      class="linkish"
      type="button"
      :aria-label="`Table behind ${label}`"
      @click="$emit('open')"
    >
      {{ percent(row.coefficients.percentAgreement) }}
    </button>
  </td>
  <td
    v-for="(figure, i) in [chosenFigure(row, chosen), row.coefficients.gwetAC]"
    :key="i"
    class="number"
    :title="
      reason(figure) || (i === 0 && chosen === 'usual' ? nameOfUsual(row, weighted ?? false) : '')
    "
  >
    {{ two(figure?.estimate ?? null) }}
    <span v-if="!figure || figure.estimate === null" class="soft">{{
      row.marks === 0 ? '(no marks)' : '(no variation)'
    }}</span>
    <span v-else-if="figure.lower === null" class="soft">(no interval)</span>
    <span v-else class="soft">({{ two(figure.lower) }} to {{ two(figure.upper) }})</span>
    <FileAndCommand
      v-if="i === 1 && row.marks > 0"
      :of="`the coefficients of ${label}`"
      :station="{ id: station, query: source }"
    />
  </td>
</template>
