<script setup lang="ts">
import type { ItemAgreement } from '@kritikos/contracts/agreement';

type Row = Pick<
  ItemAgreement,
  'pairs' | 'missing' | 'percentAgreement' | 'kappa' | 'prevalenceIndex' | 'biasIndex' | 'pabak'
>;
defineProps<{ row: Row; label: string }>();
defineEmits<{ open: [] }>();

const two = (x: number | null) => (x === null ? '–' : x.toFixed(2).replace('-', '−'));
const reason = (e: { notes: readonly string[] }) => e.notes.join(' ');
</script>

<template>
  <td class="number" :title="row.missing > 0 ? `${row.missing} left out: a mark is missing` : ''">
    {{ row.pairs }}<span v-if="row.missing > 0" class="soft"> (−{{ row.missing }})</span>
  </td>
  <td class="number">
    <button
      class="linkish"
      type="button"
      :aria-label="`Table behind ${label}`"
      @click="$emit('open')"
    >
      {{
        row.percentAgreement.estimate === null
          ? '–'
          : `${Math.round(100 * row.percentAgreement.estimate)} %`
      }}
    </button>
  </td>
  <td class="number" :title="reason(row.kappa)">
    {{ two(row.kappa.estimate) }}
    <span v-if="row.kappa.estimate === null" class="soft">(no variation)</span>
    <span v-else-if="row.kappa.lower === null" class="soft">(no interval)</span>
    <span v-else class="soft">({{ two(row.kappa.lower) }} to {{ two(row.kappa.upper) }})</span>
  </td>
  <td class="number">{{ two(row.prevalenceIndex) }}</td>
  <td class="number">{{ two(row.biasIndex) }}</td>
  <td class="number">{{ two(row.pabak.estimate) }}</td>
</template>
