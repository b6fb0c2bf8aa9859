<script setup lang="ts">
import { pairsFor, simulatedKappa } from '@kritikos/core/timetable/precision';
import type { PrecisionWish } from '@kritikos/core/timetable/precision';
import type { Plan } from '@kritikos/contracts/timetable';
import { computed, ref } from 'vue';
import NumberField from '../checklists/NumberField.vue';
import SeverityWish from './SeverityWish.vue';

/** How sure one wants to be of the agreement, turned into sheets that are marked twice. */
const props = defineProps<{
  stations: number;
  candidates: number;
  /** From one reading to the next, at the station that takes longest. */
  roundMinutes: number;
  wished: number;
  /** The plan that is open; a severity is simulated on it. */
  plan: Plan | null;
  disabled: boolean;
}>();
const emit = defineEmits<{ take: [pairs: number] }>();

const MEASURES = [
  { value: 'kappa', title: 'Kappa of an item' },
  { value: 'intraclass', title: 'ICC of the scores' },
  { value: 'severity', title: 'Severity of an examiner' },
] as const;
const SCOPES = [
  { value: 'station', title: 'at every station by itself' },
  { value: 'examination', title: 'over all stations together' },
] as const;
const of = ref<'kappa' | 'intraclass' | 'severity'>('kappa');
const each = ref<'station' | 'examination'>('examination');
const expected = ref<number | null>(0.6);
const prevalence = ref<number | null>(0.7);
const halfWidth = ref<number | null>(0.15);
const hours = ref<number | null>(null);

const wish = computed((): PrecisionWish => {
  const common = {
    expected: expected.value ?? 0,
    halfWidth: halfWidth.value ?? 0,
    each: each.value,
  };
  return of.value === 'kappa'
    ? { of: 'kappa', prevalence: prevalence.value ?? 0, ...common }
    : { of: 'intraclass', ...common };
});
const answer = computed(() => {
  try {
    const { stations, candidates, roundMinutes } = props;
    return {
      ...pairsFor(
        wish.value,
        { stations, candidates },
        hours.value === null ? null : { second: hours.value, roundMinutes },
      ),
      problem: '',
    };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { needed: 0, pairs: 0, halfWidth: null, limit: null, problem: error.message };
  }
});
const parts = computed(() => (each.value === 'station' ? props.stations : 1));
/** The formula is of large samples: what the product will show is simulated beside it. */
const shown = computed(() => {
  const own = wish.value;
  const many = Math.floor(answer.value.pairs / parts.value);
  return own.of === 'kappa' && answer.value.problem === '' && many > 1 && many <= 2000
    ? simulatedKappa(own, many, 150, 7)
    : null;
});
const percent = (share: number) => `${Math.round(100 * share)} %`;
</script>

<template>
  <section class="panel">
    <h2>How many are marked twice</h2>
    <p class="soft">
      Say how sure you want to be afterwards; the number of sheets follows. They are spread over
      candidates, circuits and the time of day, and connect the examiners first.
    </p>
    <div class="fields">
      <v-select v-model="of" :items="MEASURES" label="Of what" :disabled="disabled" />
      <template v-if="of !== 'severity'">
        <v-select v-model="each" :items="SCOPES" label="Where" :disabled="disabled" />
        <NumberField v-model="expected" label="Expected value" :disabled="disabled" />
        <NumberField
          v-if="of === 'kappa'"
          v-model="prevalence"
          label="Share who get the mark"
          :disabled="disabled"
        />
        <NumberField v-model="halfWidth" label="Half-width wished" :disabled="disabled" />
        <NumberField v-model="hours" label="Hours of second examiners" :disabled="disabled" />
      </template>
    </div>
    <SeverityWish
      v-if="of === 'severity'"
      class="mt-3"
      :plan="plan"
      :wished="wished"
      :disabled="disabled"
      @take="emit('take', $event)"
    />
    <v-alert v-else-if="answer.problem" type="warning" role="alert" class="mt-3">{{
      answer.problem
    }}</v-alert>
    <div v-else class="answer" role="status">
      <p>
        <b class="figures">{{ answer.needed }}</b> sheets marked twice give ± {{ halfWidth }}
        {{ each === 'station' ? `at each of ${stations} stations` : 'over the examination' }}.
        <template v-if="answer.limit">
          {{ answer.limit === 'hours' ? 'The hours allow' : 'There are candidates for' }}
          <b class="figures">{{ answer.pairs }}</b><template v-if="answer.halfWidth !== null"
            >, which give ± {{ answer.halfWidth.toFixed(2) }}</template
          ><template v-else>, too few for the formula</template>.
        </template>
      </p>
      <p v-if="shown" class="soft">
        <template v-if="shown.halfWidth !== null">
          Simulated with that many: the interval that is shown will be ±
          {{ shown.halfWidth.toFixed(2) }} on average<template v-if="shown.shown < 1"
            >, and in {{ percent(1 - shown.shown) }} of examinations there will be none</template
          >.
        </template>
        <template v-else>Simulated with that many there is no interval at all.</template>
        Formula: {{ of === 'kappa' ? 'Donner & Eliasziw 1992' : 'Bonett 2002' }}.
      </p>
      <p v-else-if="of === 'intraclass'" class="soft">Formula: Bonett 2002, two examiners.</p>
      <v-btn
        size="small"
        :disabled="disabled || answer.pairs === wished"
        @click="emit('take', answer.pairs)"
      >
        {{ answer.pairs === wished ? 'Taken' : `Ask for ${answer.pairs}` }}
      </v-btn>
    </div>
  </section>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 10px;
}
.answer {
  margin-top: 10px;
}
</style>
