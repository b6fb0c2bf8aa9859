<script setup lang="ts">
import type { Plan } from '@kritikos/contracts/timetable';
import { computed, useTemplateRef } from 'vue';
import type { Cell, CircuitGrid, Place, Stint } from './boardGrid.ts';
import { clockOf } from './clock.ts';
import { useBoardDragging } from './useBoardDragging.ts';

/** One circuit of a session: its couches by time, with the candidates in them and the examiners above. */
const props = defineProps<{
  plan: Plan;
  grid: CircuitGrid;
  /** What is carried, and over what; by their keys. */
  held: string | null;
  over: string | null;
  chosen: Place | null;
  /** The place that the tab key leads to. */
  inTurn: string;
}>();
const emit = defineEmits<{
  choose: [Place];
  reach: [Place];
  press: [event: KeyboardEvent, place: Place];
  carry: [from: string, to: string | null];
  drop: [from: string, to: string | null];
}>();

const clock = computed(() => clockOf(props.plan.zone));
const stretched = computed(
  () =>
    new Set(
      props.plan.problem.candidates.flatMap(({ id, extraTime }) => (extraTime > 0 ? [id] : [])),
    ),
);
const board = useTemplateRef<HTMLElement>('board');
useBoardDragging(
  computed(() => (board.value ? [board.value] : [])),
  computed(() => props.plan.state === 'draft'),
  { over: (from, to) => emit('carry', from, to), drop: (from, to) => emit('drop', from, to) },
);

function isOfChosen({ slot }: Cell): boolean {
  const own = props.chosen;
  return own?.kind === 'cell' && own.slot !== null && own.slot.candidate === slot?.candidate;
}
/** What of a place changes while something is carried over the board; the others stand as they are. */
function markOf(cell: Cell): string {
  const { key } = cell;
  const { held, over, chosen, inTurn } = props;
  return [held === key, over === key, chosen?.key === key, isOfChosen(cell), inTurn === key].join();
}
const numberOf = (candidate: string) => candidate.replace(/^candidate /, '');
const surname = (name: string) =>
  name
    .replace(/ \(.*\)$/, '')
    .split(' ')
    .at(-1) ?? name;
function sayCell({ slot, station, start, faults: wrong }: Cell): string {
  const where = `${station}, ${clock.value.at(start)}`;
  if (!slot) return `Nobody, ${where}`;
  const by = slot.examiner ?? 'no examiner';
  const also = slot.second ? `, also ${slot.second}` : '';
  const broken = wrong.length > 0 ? `. ${wrong.map(({ words }) => words).join('. ')}` : '';
  return `${slot.candidate}, ${where}, ${by}${also}${broken}`;
}
function sayStint({ examiners, station, patients, open }: Stint): string {
  const who = examiners.length > 0 ? examiners.join(', ') : 'Nobody';
  const plays = patients.length > 0 ? `; patient ${patients.join(', ')}` : '';
  return `${who}${open ? ', not everywhere' : ''} at ${station}${plays}`;
}
/** Columns: the couch, then the rounds, with a gap before each wave. */
function columnsOf({ rounds }: CircuitGrid): string {
  const parts = rounds.map(({ first }, i) =>
    first && i > 0 ? '10px minmax(30px, 1fr)' : 'minmax(30px, 1fr)',
  );
  return `minmax(128px, 190px) ${parts.join(' ')}`;
}
function columnAt({ rounds }: CircuitGrid, column: number): number {
  const gaps = rounds.slice(1, column + 1).filter(({ first }) => first).length;
  return column + gaps + 2;
}
function spanOf(grid: CircuitGrid, stint: Stint): string {
  return `${columnAt(grid, stint.column)} / span ${stint.columns}`;
}
</script>

<template>
  <div class="scroll">
    <div
      ref="board"
      class="grid"
      role="group"
      :aria-label="`Circuit ${plan.circuitNames[grid.circuit] ?? grid.circuit + 1}: couches by time`"
      :style="{ gridTemplateColumns: columnsOf(grid) }"
    >
      <span class="corner" style="grid-column: 1; grid-row: 1" />
      <span
        v-for="(round, i) in grid.rounds"
        :key="`t${round.wave} ${round.start}`"
        class="time figures"
        :style="{ gridColumn: columnAt(grid, i), gridRow: 1 }"
      >
        {{ clock.at(round.start) }}
      </span>
      <template v-for="(station, row) in grid.stations" :key="station">
        <span class="couch" :style="{ gridColumn: 1, gridRow: `${2 * row + 2} / span 2` }">
          {{ station }}
          <small v-if="plan.places[`${grid.circuit + 1} ${station}`]" class="soft">
            {{ plan.places[`${grid.circuit + 1} ${station}`] }}
          </small>
        </span>
      </template>
      <button
        v-for="stint in grid.stints"
        :key="stint.key"
        type="button"
        class="stint"
        :class="{
          open: stint.open,
          held: held === stint.key,
          over: over === stint.key,
          chosen: chosen?.key === stint.key,
        }"
        :data-place="stint.key"
        :data-held="stint.examiners.length > 0 ? '' : undefined"
        :tabindex="stint.key === inTurn ? 0 : -1"
        :aria-label="sayStint(stint)"
        :title="sayStint(stint)"
        :style="{ gridColumn: spanOf(grid, stint), gridRow: 2 * stint.row + 2 }"
        @click="emit('choose', stint)"
        @focus="emit('reach', stint)"
        @keydown="emit('press', $event, stint)"
      >
        <b v-if="stint.open" aria-hidden="true">! </b>
        {{ stint.examiners.length > 0 ? stint.examiners.map(surname).join(', ') : 'nobody' }}
      </button>
      <button
        v-for="cell in grid.cells"
        :key="cell.key"
        v-memo="[cell, markOf(cell)]"
        type="button"
        class="cell figures"
        :class="{
          free: !cell.slot,
          hard: cell.faults.some((fault) => fault.hard),
          wrong: cell.faults.length > 0,
          held: held === cell.key,
          over: over === cell.key,
          chosen: chosen?.key === cell.key,
          same: isOfChosen(cell),
        }"
        :data-place="cell.key"
        :data-held="cell.slot ? '' : undefined"
        :tabindex="cell.key === inTurn ? 0 : -1"
        :aria-label="sayCell(cell)"
        :title="sayCell(cell)"
        :style="{ gridColumn: columnAt(grid, cell.column), gridRow: 2 * cell.row + 3 }"
        @click="emit('choose', cell)"
        @focus="emit('reach', cell)"
        @keydown="emit('press', $event, cell)"
      >
        <template v-if="cell.slot">
          {{ numberOf(cell.slot.candidate) }}<sup v-if="cell.slot.second" aria-hidden="true">2</sup
          ><i v-if="stretched.has(cell.slot.candidate)" aria-hidden="true">+</i
          ><b v-if="cell.faults.length > 0" aria-hidden="true">!</b>
        </template>
        <template v-else>·</template>
      </button>
    </div>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  padding: 3px;
}
.grid {
  display: grid;
  gap: 1px 2px;
  min-width: max-content;
}
.time {
  font-size: 0.72rem;
  color: var(--soft);
  text-align: center;
  border-bottom: 1px solid var(--rule);
  padding: 0 1px;
}
.corner,
.couch {
  position: sticky;
  left: -3px;
  z-index: 2;
  background: var(--sheet);
}
.couch {
  padding: 3px 8px 0 2px;
  font-size: 0.88rem;
  line-height: 1.15;
  border-top: 1px solid var(--rule);
  overflow: hidden;
}
.couch small {
  display: block;
}
.stint,
.cell {
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  padding: 0;
  cursor: pointer;
  touch-action: pan-x pan-y;
}
.stint {
  font-size: 0.76rem;
  color: var(--soft);
  text-align: left;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  padding: 1px 4px 0;
  border-top: 1px solid var(--rule);
  min-width: 0;
}
.stint.open {
  color: var(--madder);
}
.cell {
  min-height: 28px;
  text-align: center;
  background: color-mix(in srgb, var(--petrol) 9%, transparent);
  border-radius: 3px;
  font-size: 0.92rem;
}
.cell sup {
  font-size: 0.62rem;
  color: var(--petrol);
  line-height: 0;
}
.cell i {
  font-style: normal;
  color: var(--ochre);
}
.cell.free {
  background: none;
  color: var(--soft);
  border: 1px dashed var(--rule);
}
.cell.wrong {
  box-shadow: inset 0 0 0 1.5px var(--ochre);
}
.cell.hard {
  box-shadow: inset 0 0 0 2px var(--madder);
}
.cell.same {
  background: color-mix(in srgb, var(--petrol) 30%, transparent);
}
.chosen {
  outline: 2px solid var(--petrol);
}
.held {
  outline: 2px dashed var(--ink);
}
.over {
  outline: 3px solid var(--madder);
}
.dragged {
  opacity: 0.35;
}
</style>
