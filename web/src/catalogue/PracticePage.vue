<script setup lang="ts">
import { angleInWords } from '@kritikos/core/figure/describe';
import { RANGES } from '@kritikos/core/figure/pose';
import { asQuestion, compareAnswer, partOf } from '@kritikos/core/figure/practice';
import { SURFACES } from '@kritikos/core/figure/spec';
import type { FigureSpec, HandSpec, Surface } from '@kritikos/core/figure/spec';
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import ProcedureFigure from '../figure/ProcedureFigure.vue';
import { useKnownProcedures } from './useKnownProcedures.ts';

const { choice } = useKnownProcedures();
const asked = computed(() =>
  choice.value.flatMap((p) =>
    p.figure?.decides && p.figure.hands.length > 0 ? [{ procedure: p, figure: p.figure }] : [],
  ),
);
const chosen = ref(String(useRoute().query.procedure ?? ''));
const placeOf = (id: string) => asked.value.findIndex(({ procedure }) => procedure.id === id);
// Where none is asked for, the question that stands here stays, whatever the shelf brings in while
// somebody is at it; one of the shelf that is asked for is there as soon as that was read.
if (chosen.value === '') chosen.value = asked.value[0]?.procedure.id ?? '';
const place = computed(() => Math.max(0, placeOf(chosen.value)));
type Asked = (typeof asked.value)[number];
const current = computed(() => asked.value[place.value] as Asked);
function another() {
  const next = asked.value[(place.value + 1) % asked.value.length];
  chosen.value = next?.procedure.id ?? '';
}
const degrees = ref(0);
const hands = ref<HandSpec[]>([]);
const answered = ref(false);
const direction = ref<Surface | null>(null);
/** Which way the force goes, where the procedure has a straight one. */
const wanted = computed(() => current.value.figure.forces.find((f) => f.kind === 'straight'));

const limits = computed(() => {
  const decides = current.value.figure.decides;
  const [low, high] = decides ? RANGES[decides.angle] : [0, 0];
  return { low: Math.max(-90, low), high };
});
const SEGMENT_WORDS: Record<string, string> = { upperArm: 'upper arm', shank: 'lower leg' };
const segments = computed(() =>
  (partOf(current.value.figure.decides?.angle ?? 'kneeFlexion') === 'arm'
    ? ['upperArm', 'forearm', 'hand', 'trunk']
    : ['pelvis', 'thigh', 'shank', 'foot']
  ).map((value) => ({ value, title: SEGMENT_WORDS[value] ?? value })),
);

watch(
  () => current.value.procedure.id,
  () => {
    const { figure } = current.value;
    answered.value = false;
    // Starts from places that are not the answer.
    const { low, high } = limits.value;
    const middle = figure.decides ? (figure.decides.band[0] + figure.decides.band[1]) / 2 : 0;
    const far = [low + 0.2 * (high - low), high - 0.2 * (high - low)] as const;
    degrees.value = Math.round(
      Math.abs(far[0] - middle) > Math.abs(far[1] - middle) ? far[0] : far[1],
    );
    const elsewhere = segments.value[0]?.value as HandSpec['segment'];
    hands.value = figure.hands.map((hand) => ({
      ...hand,
      segment: elsewhere,
      at: 0.5,
      surface: 'front' as const,
    }));
    direction.value = null;
  },
  { immediate: true },
);
const question = computed<FigureSpec>(() => {
  const drawn = asQuestion(current.value.figure, degrees.value, hands.value);
  return wanted.value && direction.value
    ? { ...drawn, forces: [{ ...wanted.value, towards: direction.value }] }
    : drawn;
});
const verdict = computed(() => compareAnswer(current.value.figure, degrees.value, hands.value));
const change = (i: number, more: Partial<HandSpec>) => {
  hands.value = hands.value.map((hand, k) => (k === i ? { ...hand, ...more } : hand));
};
const ROLE = {
  holds: 'The hand that holds still',
  moves: 'The hand that moves',
  feels: 'The hand that feels',
};
</script>

<template>
  <div class="page">
    <router-link to="/catalogue">Catalogue</router-link>
    <div class="head">
      <h1>Practice: {{ current.procedure.names[0] }}</h1>
      <v-btn size="small" @click="another">Another one</v-btn>
    </div>
    <p>{{ current.procedure.title }}. Set the angle, place the hands, then look.</p>
    <div class="board">
      <section class="panel">
        <h2>Yours</h2>
        <ProcedureFigure :spec="question" class="figure" />
        <label class="set">
          {{ current.figure.decides ? angleInWords(current.figure.decides.angle, degrees) : '' }}
        </label>
        <v-slider
          v-model="degrees"
          :min="limits.low"
          :max="limits.high"
          :step="1"
          aria-label="The deciding angle, in degrees"
        />
        <div v-for="(hand, i) in hands" :key="i" class="hand">
          <b>{{ ROLE[hand.role] }}</b>
          <v-select
            :model-value="hand.segment"
            :items="segments"
            label="On"
            @update:model-value="change(i, { segment: $event as HandSpec['segment'] })"
          />
          <v-select
            :model-value="hand.surface"
            :items="[...SURFACES]"
            label="Side"
            @update:model-value="change(i, { surface: $event })"
          />
          <v-slider
            :model-value="hand.at"
            :min="0"
            :max="1"
            :step="0.05"
            :aria-label="`${ROLE[hand.role]}: how far along`"
            @update:model-value="change(i, { at: $event })"
          />
        </div>
        <v-select
          v-if="wanted"
          v-model="direction"
          :items="[...SURFACES]"
          :label="`The force on the ${SEGMENT_WORDS[wanted.segment] ?? wanted.segment} goes towards its`"
          class="direction"
        />
        <v-btn color="primary" variant="flat" @click="answered = true">Show what is accepted</v-btn>
      </section>
      <section class="panel" aria-live="polite">
        <h2>Accepted</h2>
        <p v-if="!answered" class="soft">It appears here when you have decided.</p>
        <template v-else>
          <ProcedureFigure :spec="current.figure" class="figure" />
          <p v-if="verdict.angle">
            <b>{{
              verdict.angle === 'inside'
                ? '✓ Angle inside the band.'
                : verdict.angle === 'near'
                  ? `◐ Angle ${verdict.off}° outside the band: half.`
                  : `▲ Angle ${verdict.off}° outside the band.`
            }}</b>
          </p>
          <p v-for="(right, i) in verdict.hands" :key="i">
            {{ right ? '✓' : '▲' }} {{ ROLE[current.figure.hands[i]?.role ?? 'holds'] }}:
            {{ right ? 'where it belongs' : 'compare its place' }}
          </p>
          <p v-if="wanted">
            {{
              direction === wanted.towards
                ? '✓ Direction right.'
                : `▲ The force goes towards the ${wanted.towards} side.`
            }}
          </p>
          <p class="caution">{{ current.procedure.checklist.stopRule }}</p>
        </template>
      </section>
    </div>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.board {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  align-items: start;
}
.figure {
  height: 290px;
}
.direction {
  margin: 8px 0 12px;
}
.set {
  font-weight: 600;
}
.hand {
  display: grid;
  grid-template-columns: 1.3fr 1fr 1fr 1fr;
  gap: 10px;
  align-items: center;
  margin-bottom: 8px;
}
@media (max-width: 1000px) {
  .hand {
    grid-template-columns: 1fr 1fr;
  }
  .hand > b,
  .hand > .v-slider {
    grid-column: 1 / -1;
  }
}
@media (max-width: 800px) {
  .board {
    grid-template-columns: 1fr;
  }
}
</style>
