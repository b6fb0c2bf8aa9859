<script setup lang="ts">
import type { BlueprintRows } from '@kritikos/contracts/blueprint';
import { BLUEPRINT_COLUMNS, NEAR_ENOUGH } from '@kritikos/core/examinations/blueprint';
import type {
  BlueprintCell,
  BlueprintColumn,
  WantedWeights,
} from '@kritikos/core/examinations/blueprint';
import { computed } from 'vue';
import WideTable from '../shell/WideTable.vue';
import { sayRow, shownRows } from './blueprintRows.ts';
import { vKept } from '../shell/kept.ts';

/** What is examined by row and column: how much is there, and how much is wanted. */
const props = defineProps<{
  rows: BlueprintRows;
  cells: readonly BlueprintCell[];
  wanted: WantedWeights;
  titles: ReadonlyMap<string, string>;
  disabled: boolean;
}>();
const emit = defineEmits<{
  want: [row: string, column: BlueprintColumn, percent: number | null];
}>();

const COLUMN_WORDS: Readonly<Record<BlueprintColumn, string>> = {
  position: 'Position',
  technique: 'Technique',
  comparison: 'Comparison',
  interpretation: 'Interpretation',
  communication: 'Communication',
  safety: 'Safety',
};
const shown = computed(() =>
  shownRows(
    props.rows,
    props.cells.map(({ row }) => row),
    Object.keys(props.wanted),
  ),
);
const byPlace = computed(
  () => new Map(props.cells.map((cell) => [`${cell.row} ${cell.column}`, cell])),
);
const cellAt = (row: string, column: BlueprintColumn) => byPlace.value.get(`${row} ${column}`);
const largest = computed(() => Math.max(10, ...props.cells.map(({ percent }) => percent)));
const sum = (test: (cell: BlueprintCell) => boolean) =>
  props.cells.filter(test).reduce((all, { percent }) => all + percent, 0);
const rounded = (percent: number) => (percent === 0 ? '' : percent < 1 ? '<1' : percent.toFixed(0));

function stateOf(row: string, column: BlueprintColumn): { sign: string; words: string } {
  const asked = props.wanted[row]?.[column];
  if (asked === undefined) return { sign: '', words: '' };
  const by = (cellAt(row, column)?.percent ?? 0) - asked;
  if (by < -NEAR_ENOUGH) return { sign: '▽', words: `${Math.round(-by)} points short` };
  if (by > NEAR_ENOUGH) return { sign: '△', words: `${Math.round(by)} points over` };
  return { sign: '=', words: 'as wanted' };
}
function want(row: string, column: BlueprintColumn, typed: string) {
  const percent = Number(typed.replace(',', '.'));
  if (typed.trim() === '') emit('want', row, column, null);
  else if (Number.isFinite(percent)) {
    emit('want', row, column, Math.min(100, Math.max(0, percent)));
  }
}
const titlesIn = (row: string, column: BlueprintColumn) =>
  (cellAt(row, column)?.stations ?? []).map((id) => props.titles.get(id) ?? '').join(', ');
</script>

<template>
  <WideTable label="Blueprint">
    <table class="ledger panel grid">
      <thead>
        <tr>
          <td></td>
          <th v-for="column in BLUEPRINT_COLUMNS" :key="column" scope="col">
            {{ COLUMN_WORDS[column] }}
          </th>
          <th scope="col" class="number">All</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in shown" :key="row">
          <th scope="row">{{ sayRow(row, rows) }}</th>
          <td
            v-for="column in BLUEPRINT_COLUMNS"
            :key="column"
            :class="{ short: stateOf(row, column).sign === '▽' }"
            :title="titlesIn(row, column)"
          >
            <div class="cell">
              <span class="have figures">{{ rounded(cellAt(row, column)?.percent ?? 0) }}</span>
              <label class="want">
                <span class="d-sr-only"
                  >Wanted for {{ sayRow(row, rows) }}, {{ COLUMN_WORDS[column] }}, per cent</span
                >
                <input
                  v-kept="wanted[row]?.[column]"
                  inputmode="decimal"
                  placeholder="·"
                  :disabled="disabled"
                  @change="want(row, column, ($event.target as HTMLInputElement).value)"
                />
              </label>
            </div>
            <div
              class="bar"
              aria-hidden="true"
              :style="{ width: `${(100 * (cellAt(row, column)?.percent ?? 0)) / largest}%` }"
            />
            <div v-if="stateOf(row, column).words" class="state">
              <span aria-hidden="true">{{ stateOf(row, column).sign }}</span>
              {{ stateOf(row, column).words }}
            </div>
          </td>
          <td class="number">{{ rounded(sum((cell) => cell.row === row)) || '0' }}</td>
        </tr>
        <tr>
          <th scope="row">All</th>
          <td v-for="column in BLUEPRINT_COLUMNS" :key="column" class="figures all">
            {{ rounded(sum((cell) => cell.column === column)) || '0' }}
          </td>
          <td></td>
        </tr>
      </tbody>
    </table>
  </WideTable>
</template>

<style scoped>
.grid th[scope='row'] {
  white-space: nowrap;
  vertical-align: middle;
  color: var(--ink);
}
.grid td {
  vertical-align: top;
  min-width: 92px;
}
.cell {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 6px;
}
.have {
  font-size: 1.05rem;
  min-width: 1.6em;
}
.want input {
  width: 42px;
  min-height: 28px;
  text-align: right;
  border: 1px solid var(--rule);
  border-radius: 2px;
  background: var(--paper);
  color: var(--ink);
  padding: 0 5px;
  font: 500 0.9rem var(--sans);
  font-variant-numeric: tabular-nums;
}
.bar {
  height: 4px;
  background: var(--petrol);
  margin-top: 2px;
}
.state {
  font-size: 0.76rem;
  color: var(--soft);
}
.short .state {
  color: var(--madder);
  font-weight: 600;
}
.all {
  color: var(--soft);
}
</style>
