<script setup lang="ts">
import type { Plan } from '@kritikos/contracts/timetable';
import type { PlanChange } from '@kritikos/core/timetable/changes';
import { sayChange } from '@kritikos/core/timetable/changes';
import type { Fault } from '@kritikos/core/timetable/faults';
import { computed, nextTick, ref, watch } from 'vue';
import { gridsOf } from './boardGrid.ts';
import type { Place } from './boardGrid.ts';
import CircuitBoard from './CircuitBoard.vue';
import { dropOn, stepFrom } from './dropOn.ts';
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

const stations = computed(() => props.plan.problem.stations.map(({ id }) => id));
const grids = computed(() => gridsOf(props.plan.slots, props.faults, stations.value, props.day));
const places = computed<Place[]>(() =>
  grids.value.flatMap(({ cells, stints }) => [...stints, ...cells]),
);
const byKey = computed(() => new Map(places.value.map((place) => [place.key, place])));
const editable = computed(() => props.plan.state === 'draft');
/** The place that the tab key leads to. */
const here = ref('');
const held = ref<Place | null>(null);
const over = ref<Place | null>(null);
/** Before anybody was anywhere on this sheet it is the first couch. */
const inTurn = computed(() =>
  byKey.value.has(here.value) ? here.value : (grids.value[0]?.cells[0]?.key ?? ''),
);

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
function carry(from: string, to: string | null) {
  held.value = byKey.value.get(from) ?? null;
  over.value = to === null ? null : (byKey.value.get(to) ?? null);
}
function letGo(from: string, to: string | null) {
  const [one, other] = [byKey.value.get(from), to === null ? null : byKey.value.get(to)];
  if (one) settle(one, other ?? null);
}

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
// What was chosen is looked at as it is now.
watch(byKey, (now) => {
  if (chosen.value) chosen.value = now.get(chosen.value.key) ?? null;
});
</script>

<template>
  <div class="board" :class="{ holding: held !== null }">
    <section v-for="grid in grids" :key="grid.circuit" class="circuit">
      <h3>Circuit {{ plan.circuitNames[grid.circuit] ?? grid.circuit + 1 }}</h3>
      <CircuitBoard
        :plan="plan"
        :grid="grid"
        :held="held?.key ?? null"
        :over="over?.key ?? null"
        :chosen="chosen"
        :in-turn="inTurn"
        @choose="chosen = $event"
        @reach="here = $event.key"
        @press="onKey"
        @carry="carry"
        @drop="letGo"
      />
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
