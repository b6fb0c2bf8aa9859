<script setup lang="ts">
import type { Plan } from '@kritikos/contracts/timetable';
import type { PlanChange } from '@kritikos/core/timetable/changes';
import { sayChange } from '@kritikos/core/timetable/changes';
import type { Fault } from '@kritikos/core/timetable/faults';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { gridsOf } from './boardGrid.ts';
import type { Cell, CircuitGrid, Place, Stint } from './boardGrid.ts';
import { clockOf } from './clock.ts';
import { dropOn, stepFrom } from './dropOn.ts';
import { useBoardDragging } from './useBoardDragging.ts';
import type { Judged } from './usePlan.ts';

/**
 * A session on one sheet: the couches of each circuit by time, the candidates in them, the examiners
 * above. What is picked up, by hand or by key, says over every other place what it would break.
 */
const props = defineProps<{
  plan: Plan;
  faults: readonly Fault[];
  day: number;
  judge: (change: PlanChange) => Judged;
}>();
const emit = defineEmits<{ change: [PlanChange] }>();
const chosen = defineModel<Place | null>('chosen', { required: true });

const clock = computed(() => clockOf(props.plan.zone));
const stations = computed(() => props.plan.problem.stations.map(({ id }) => id));
const grids = computed(() => gridsOf(props.plan.slots, props.faults, stations.value, props.day));
const places = computed<Place[]>(() =>
  grids.value.flatMap(({ cells, stints }) => [...stints, ...cells]),
);
const byKey = computed(() => new Map(places.value.map((place) => [place.key, place])));
const editable = computed(() => props.plan.state === 'draft');
const stretched = computed(
  () =>
    new Set(
      props.plan.problem.candidates.flatMap(({ id, extraTime }) => (extraTime > 0 ? [id] : [])),
    ),
);

/** The place that the tab key leads to. */
const here = ref('');
const held = ref<Place | null>(null);
const over = ref<Place | null>(null);
const boards = useTemplateRef<HTMLElement[]>('boards');

const outcome = computed(() => {
  if (!held.value) return null;
  const target = over.value;
  const what = nameOf(held.value);
  if (!target || target.key === held.value.key)
    return { tone: 'plain', words: `${what} is picked up. Choose a place; Esc puts it back.` };
  const change = dropOn(held.value, target);
  if (!change) return { tone: 'plain', words: `${what} cannot be put there, or is there already.` };
  const { brings, impossible } = props.judge(change);
  const words = sayChange(change);
  if (impossible) return { tone: 'bad', words: `${words}: ${impossible}` };
  const hard = brings.find((fault) => fault.hard);
  if (hard) return { tone: 'bad', words: `${words}: not possible, ${hard.words}.` };
  const soft = brings[0];
  const more = brings.length > 1 ? ` and ${brings.length - 1} more` : '';
  return soft
    ? { tone: 'soft', words: `${words}. It brings: ${soft.words}${more}.` }
    : { tone: 'good', words: `${words}. It breaks nothing.` };
});

function nameOf(place: Place): string {
  return place.kind === 'cell'
    ? (place.slot?.candidate ?? 'nobody')
    : (place.examiners[0] ?? 'nobody');
}
function settle(from: Place, to: Place | null) {
  held.value = null;
  over.value = null;
  const change = to && dropOn(from, to);
  if (change) emit('change', change);
}
useBoardDragging(
  computed(() => boards.value ?? []),
  editable,
  {
    over: (from, to) => {
      held.value = byKey.value.get(from) ?? null;
      over.value = to === null ? null : (byKey.value.get(to) ?? null);
    },
    drop: (from, to) => {
      const [one, other] = [byKey.value.get(from), to === null ? null : byKey.value.get(to)];
      if (one) settle(one, other ?? null);
    },
  },
);

async function onKey(event: KeyboardEvent, place: Place) {
  if (event.key.startsWith('Arrow')) {
    event.preventDefault();
    const next = stepFrom(places.value, place, event.key);
    here.value = next.key;
    if (held.value) over.value = next;
    await nextTick();
    focusOn(next.key);
  } else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault();
    if (held.value) settle(held.value, place);
    else if (editable.value && nameOf(place) !== 'nobody') held.value = place;
    else chosen.value = place;
  } else if (event.key === 'Escape' && held.value) {
    event.preventDefault();
    focusOn(held.value.key);
    held.value = null;
    over.value = null;
  } else if (event.key === 'i') {
    chosen.value = place;
  }
}
function focusOn(key: string) {
  document.querySelector<HTMLElement>(`[data-place="${CSS.escape(key)}"]`)?.focus();
}
function focused(place: Place) {
  here.value = place.key;
}
// What was chosen is looked at as it is now.
watch(byKey, (now) => {
  if (chosen.value) chosen.value = now.get(chosen.value.key) ?? null;
});

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
  <div class="board" :class="{ holding: held !== null }">
    <section v-for="grid in grids" :key="grid.circuit" class="circuit">
      <h3>Circuit {{ plan.circuitNames[grid.circuit] ?? grid.circuit + 1 }}</h3>
      <div class="scroll">
        <div
          ref="boards"
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
              held: held?.key === stint.key,
              over: over?.key === stint.key,
              chosen: chosen?.key === stint.key,
            }"
            :data-place="stint.key"
            :data-held="stint.examiners.length > 0 ? '' : undefined"
            :tabindex="stint.key === here ? 0 : -1"
            :aria-label="sayStint(stint)"
            :title="sayStint(stint)"
            :style="{ gridColumn: spanOf(grid, stint), gridRow: 2 * stint.row + 2 }"
            @click="chosen = stint"
            @focus="focused(stint)"
            @keydown="onKey($event, stint)"
          >
            <b v-if="stint.open" aria-hidden="true">! </b>
            {{ stint.examiners.length > 0 ? stint.examiners.map(surname).join(', ') : 'nobody' }}
          </button>
          <button
            v-for="cell in grid.cells"
            :key="cell.key"
            type="button"
            class="cell figures"
            :class="{
              free: !cell.slot,
              hard: cell.faults.some((fault) => fault.hard),
              wrong: cell.faults.length > 0,
              held: held?.key === cell.key,
              over: over?.key === cell.key,
              chosen: chosen?.key === cell.key,
              same:
                chosen?.kind === 'cell' &&
                chosen.slot !== null &&
                cell.slot?.candidate === chosen.slot.candidate,
            }"
            :data-place="cell.key"
            :data-held="cell.slot ? '' : undefined"
            :tabindex="cell.key === here || (here === '' && cell === grids[0]?.cells[0]) ? 0 : -1"
            :aria-label="sayCell(cell)"
            :title="sayCell(cell)"
            :style="{ gridColumn: columnAt(grid, cell.column), gridRow: 2 * cell.row + 3 }"
            @click="chosen = cell"
            @focus="focused(cell)"
            @keydown="onKey($event, cell)"
          >
            <template v-if="cell.slot">
              {{ numberOf(cell.slot.candidate)
              }}<sup v-if="cell.slot.second" aria-hidden="true">2</sup
              ><i v-if="stretched.has(cell.slot.candidate)" aria-hidden="true">+</i
              ><b v-if="cell.faults.length > 0" aria-hidden="true">!</b>
            </template>
            <template v-else>·</template>
          </button>
        </div>
      </div>
    </section>
    <p class="soft legend">
      <span><sup>2</sup> marked by two</span>
      <span><i>+</i> extra time</span>
      <span><b>!</b> something is wrong</span>
      <span>· a free place</span>
      <span v-if="editable">
        Drag a candidate or an examiner onto another, or pick up with Enter, go with the arrow keys
        and put down with Enter; i tells about a place.
      </span>
    </p>
    <p v-if="outcome" class="outcome" :class="outcome.tone" role="status">
      <b aria-hidden="true">{{ { good: '✓', bad: '✕', soft: '!', plain: '…' }[outcome.tone] }}</b>
      {{ outcome.words }}
    </p>
  </div>
</template>

<style scoped>
.circuit + .circuit {
  margin-top: 14px;
}
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
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin-top: 10px;
  font-size: 0.88rem;
}
.outcome {
  position: sticky;
  bottom: 8px;
  z-index: 4;
  margin: 6px 0 0;
  padding: 8px 12px;
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  border-radius: 4px;
}
.outcome.bad {
  border-color: var(--madder);
}
.outcome.good {
  border-color: var(--petrol);
}
.outcome.soft {
  border-color: var(--ochre);
  color: var(--ink);
}
</style>
