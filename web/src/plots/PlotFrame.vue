<script setup lang="ts">
import { stringify } from 'csv-stringify/browser/esm/sync';
import { ref, useTemplateRef } from 'vue';
import WideTable from '../shell/WideTable.vue';

/** A plot with the same numbers as a table, and a way to take both along. */
const props = defineProps<{
  /** What the plot is called; the files are named by it. */
  title: string;
  columns: readonly string[];
  rows: readonly (readonly (string | number | null)[])[];
  /** It is not drawn on a canvas, or stands beside its numbers already: only the file is given. */
  plain?: boolean;
}>();
const box = useTemplateRef<HTMLElement>('box');
const asTable = ref(false);
const name = () => props.title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase();

function take(url: string, ending: string): void {
  const link = document.createElement('a');
  link.href = url;
  link.download = `${name()}.${ending}`;
  link.click();
}

/** The plot on paper, not on nothing: a picture is put into a report. */
function savePicture(): void {
  const drawn = box.value?.querySelector('canvas');
  if (!drawn) return;
  const paper = document.createElement('canvas');
  paper.width = drawn.width;
  paper.height = drawn.height;
  const pen = paper.getContext('2d');
  if (!pen) return;
  pen.fillStyle = getComputedStyle(drawn).getPropertyValue('--sheet') || 'white';
  pen.fillRect(0, 0, paper.width, paper.height);
  pen.drawImage(drawn, 0, 0);
  take(paper.toDataURL('image/png'), 'png');
}

function saveFigures(): void {
  const content = stringify([[...props.columns], ...props.rows.map((row) => [...row])], {
    bom: true,
    escape_formulas: true,
  });
  const url = URL.createObjectURL(new Blob([content], { type: 'text/csv;charset=utf-8' }));
  take(url, 'csv');
  URL.revokeObjectURL(url);
}

const shown = (cell: string | number | null) =>
  cell === null
    ? '–'
    : typeof cell === 'number' && !Number.isInteger(cell)
      ? cell.toFixed(3).replace('-', '−')
      : String(cell).replace(/^-(?=\d)/, '−');
</script>

<template>
  <figure ref="box">
    <div v-show="!asTable"><slot /></div>
    <WideTable v-if="asTable" :label="`${title}, the numbers`">
      <table class="ledger">
        <thead>
          <tr>
            <th v-for="(column, i) in columns" :key="column" :class="{ number: i > 0 }">
              {{ column }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, r) in rows" :key="r">
            <td
              v-for="(cell, i) in row"
              :key="i"
              :class="{ number: i > 0 && typeof cell !== 'string' }"
            >
              {{ shown(cell) }}
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <figcaption class="no-print">
      <button
        v-if="!plain"
        class="linkish"
        type="button"
        :aria-pressed="asTable"
        @click="asTable = !asTable"
      >
        {{ asTable ? 'Show the plot' : 'Show the numbers' }}
      </button>
      <button v-if="!asTable && !plain" class="linkish" type="button" @click="savePicture">
        Save picture
      </button>
      <button class="linkish" type="button" @click="saveFigures">Save as CSV</button>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
figcaption {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  font-size: 0.86rem;
  margin-top: 2px;
}
</style>
