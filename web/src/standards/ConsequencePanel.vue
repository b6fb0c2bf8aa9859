<script setup lang="ts">
import { counted } from '../shell/counted.ts';
import type { StandardsPage } from '@kritikos/contracts/standards';
import type { DecisionSureness } from '@kritikos/core/standards/decisionSureness';
import type { Standard } from '@kritikos/core/standards/setStandard';
import { computed } from 'vue';
import FileAndCommand from '../sources/FileAndCommand.vue';
import { namesOf } from './namesOf.ts';

const props = defineProps<{
  standard: Standard | null;
  candidates: StandardsPage['candidates'];
  decision: StandardsPage['decisions'][number] | undefined;
  sureness: DecisionSureness | null;
  numbers: ReadonlyMap<string, number>;
  examination: string;
}>();

const stations = computed(() => props.standard?.stations.length ?? 0);
const meanCut = computed(() =>
  props.standard?.examCut ? props.standard.examCut.total / Math.max(1, stations.value) : null,
);
const of = (outcome: string) =>
  props.candidates.filter((c) => props.standard?.outcomes.get(c.id)?.outcome === outcome);
const failing = computed(() => of('fail'));
const incomplete = computed(() => of('incomplete'));
const signedMean = computed(() =>
  props.decision ? props.decision.total / Math.max(1, props.decision.cuts.length) : null,
);
</script>

<template>
  <section class="panel" aria-live="polite">
    <h2>Consequence</h2>
    <template v-if="standard?.examCut && meanCut !== null">
      <p class="big figures">
        <b>{{ standard.passed }}</b> pass · <b>{{ standard.failed }}</b> fail
        <template v-if="standard.incomplete"> · {{ standard.incomplete }} incomplete</template>
      </p>
      <p class="figures">
        Mean of {{ counted(stations, 'station') }} must reach <b>{{ meanCut.toFixed(1) }} %</b>
        <span v-if="signedMean !== null" class="soft"
          >; signed:&nbsp;{{ signedMean.toFixed(1) }}&nbsp;%</span
        >
        <FileAndCommand
          of="the standard and whom it passes, by the settings as they were last left"
          :examination="{ id: examination, query: { figure: 'standard' } }"
        />
      </p>
      <div v-if="sureness" class="sure">
        <p>
          Within one standard error of the mark:
          <b class="figures">{{ namesOf(sureness.near, numbers) }}</b>
        </p>
        <p v-if="sureness.quality">
          By the score alone, a second examination like this one would decide alike for
          <b class="figures">{{ Math.round(100 * sureness.quality.consistency) }} %</b> of
          candidates, and
          <b class="figures">{{ Math.round(100 * sureness.quality.accuracy) }} %</b> are on the side
          where they belong (Livingston and Lewis).
          <FileAndCommand
            of="how sure the mark is"
            :examination="{ id: examination, query: { figure: 'sureness' } }"
          />
        </p>
        <p v-for="note in sureness.notes" :key="note" class="soft">{{ note }}</p>
      </div>
      <ul v-if="failing.length > 0" tabindex="0" aria-label="Who fails, and why">
        <li v-for="c in failing" :key="c.id">
          <router-link class="figures" :to="`/examinations/${examination}/results/${c.id}`">{{
            c.number
          }}</router-link>
          {{ standard.outcomes.get(c.id)?.reasons.join(' ') }}
        </li>
      </ul>
      <template v-if="incomplete.length > 0">
        <h3>Incomplete</h3>
        <ul tabindex="0" aria-label="Whose outcome is open, and why">
          <li v-for="c in incomplete" :key="c.id">
            <router-link class="figures" :to="`/examinations/${examination}/results/${c.id}`">{{
              c.number
            }}</router-link>
            {{ standard.outcomes.get(c.id)?.reasons.join(' ') }}
          </li>
        </ul>
      </template>
    </template>
    <p v-else class="soft">
      A station has no cut yet. Its regression needs marked candidates of different overall grades;
      until then a cut can be set by hand.
    </p>
  </section>
</template>

<style scoped>
.sure {
  font-size: 0.92rem;
  margin-bottom: 8px;
}
.sure p {
  margin: 0 0 4px;
}
.big {
  font-size: 1.3rem;
  margin: 4px 0;
}
h3 {
  margin: 8px 0 0;
  font-size: 0.92rem;
}
ul {
  margin: 6px 0;
  padding-left: 0;
  list-style: none;
  font-size: 0.88rem;
  max-height: 190px;
  overflow-y: auto;
}
li {
  border-bottom: 1px solid var(--rule);
  padding: 2px 0;
}
</style>
