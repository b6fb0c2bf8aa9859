<script setup lang="ts">
import type { Plan } from '@kritikos/contracts/timetable';
import { USUAL_SPREADS } from '@kritikos/core/timetable/precision';
import type { PairsForSeverity } from '@kritikos/core/timetable/precision';
import { proxy, wrap } from 'comlink';
import { onScopeDispose, ref, shallowRef, watch } from 'vue';
import NumberField from '../checklists/NumberField.vue';
import type { PrecisionWork } from './precision.worker.ts';

/** How many sheets are marked twice for severities to be known so well, by simulating this plan. */
const props = defineProps<{ plan: Plan | null; wished: number; disabled: boolean }>();
const emit = defineEmits<{ take: [pairs: number] }>();
const halfWidth = ref<number | null>(4);
const found = shallowRef<PairsForSeverity | null>(null);
const share = ref<number | null>(null);
let worker: Worker | null = null;

function stop() {
  worker?.terminate();
  worker = null;
  share.value = null;
}
async function simulate() {
  if (!props.plan || !halfWidth.value || halfWidth.value <= 0) return;
  stop();
  found.value = null;
  share.value = 0;
  const own = new Worker(new URL('./precision.worker.ts', import.meta.url), { type: 'module' });
  worker = own;
  const { problem, slots, seed } = JSON.parse(JSON.stringify(props.plan)) as Plan;
  const answer = await wrap<PrecisionWork>(own).severity(
    problem,
    slots,
    halfWidth.value,
    seed,
    proxy((now: number) => (share.value = now)),
  );
  if (worker !== own) return;
  found.value = answer;
  stop();
}
onScopeDispose(stop);
watch([halfWidth, () => props.plan?.id], () => {
  stop();
  found.value = null;
});
const said = (width: number | null) => (width === null ? 'unknown' : `± ${width.toFixed(1)}`);
</script>

<template>
  <div class="severity">
    <div class="ask">
      <NumberField
        v-model="halfWidth"
        label="Half-width wished, percent points"
        :disabled="disabled"
      />
      <v-btn
        v-if="share === null"
        size="small"
        :disabled="disabled || !plan || !halfWidth"
        @click="simulate"
      >
        Simulate
      </v-btn>
      <v-btn v-else size="small" @click="stop">Stop</v-btn>
    </div>
    <p v-if="!plan" class="soft">
      Who meets whom decides it, so it is simulated on a plan. Plan the day once, then ask.
    </p>
    <v-progress-linear
      v-if="share !== null"
      :model-value="100 * share"
      color="primary"
      height="8"
      aria-label="Simulating"
    />
    <div v-if="found" role="status">
      <p v-if="found.pairs !== null">
        <b class="figures">{{ found.pairs }}</b> sheets marked twice give
        {{ said(found.halfWidth) }}.
      </p>
      <p v-else>
        This plan cannot give it: its examiners can mark {{ found.most.pairs }} twice, which gives
        {{ said(found.most.halfWidth) }}. More candidates or stations would.
      </p>
      <p class="soft">
        With nobody marked twice {{ said(found.none) }}; with all {{ found.most.pairs }} that there
        are hands for {{ said(found.most.halfWidth) }}. Simulated on plan {{ plan?.number }}, with
        spreads as they usually are: candidates {{ USUAL_SPREADS.candidates }}, examiners
        {{ USUAL_SPREADS.examiners }} percent points.
      </p>
      <v-btn
        v-if="found.pairs !== null"
        size="small"
        :disabled="disabled || found.pairs === wished"
        @click="emit('take', found.pairs ?? 0)"
      >
        {{ found.pairs === wished ? 'Taken' : `Ask for ${found.pairs}` }}
      </v-btn>
    </div>
  </div>
</template>

<style scoped>
.severity {
  display: grid;
  gap: 10px;
}
.ask {
  display: grid;
  grid-template-columns: minmax(160px, 1fr) auto;
  gap: 10px;
  align-items: center;
}
</style>
