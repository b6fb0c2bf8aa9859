<script setup lang="ts">
import { drawFigure } from '@kritikos/core/figure/draw';
import { figureSvg } from '@kritikos/core/figure/svg';
import { usePreferredReducedMotion, useRafFn } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import ProcedureFigure from '../figure/ProcedureFigure.vue';
import { download } from '../http/download.ts';
import LoadState from '../shell/LoadState.vue';
import NotFoundPage from '../shell/NotFoundPage.vue';
import PatientKey from './PatientKey.vue';
import SchoolsTable from './SchoolsTable.vue';
import WorthTable from './WorthTable.vue';
import { useKnownProcedures } from './useKnownProcedures.ts';
import { KIND_WORDS, regionWords } from './words.ts';
import WideTable from '../shell/WideTable.vue';

const props = defineProps<{ procedure: string }>();
const { known, retired, read, nameOf, error, reload } = useKnownProcedures();
const found = computed(() => known.value.find(props.procedure));
const side = ref<'left' | 'right'>('right');
const schoolKey = ref('');
const school = computed(
  () => found.value?.schools.find((s) => s.key === schoolKey.value) ?? found.value?.schools[0],
);
const figure = computed(() => school.value?.figure ?? found.value?.figure ?? null);
/** A school that differs in order, time, means or criterion, which no drawing shows. */
const looksLikeFirst = computed(
  () => school.value && !school.value.figure && school.value !== found.value?.schools[0],
);

const share = ref(100);
const moves = computed(() => figure.value?.from !== undefined);
const still = usePreferredReducedMotion();
const SECONDS = 2.5;
const { pause, resume, isActive } = useRafFn(
  ({ delta }) => {
    share.value = Math.min(100, share.value + (delta / 1000 / SECONDS) * 100);
    if (share.value >= 100) pause();
  },
  { immediate: false },
);
function play() {
  if (still.value === 'reduce') {
    share.value = share.value >= 100 ? 0 : 100;
    return;
  }
  share.value = 0;
  resume();
}
/** One procedure as a file: what a procedure of the school’s own can begin as. */
async function save() {
  if (!found.value) return;
  const { asOpenCatalogue } = await import('@kritikos/contracts/openCatalogue');
  download(`${found.value.id}.json`, 'application/json', asOpenCatalogue([found.value]));
}
function saveDrawing() {
  if (!figure.value || !found.value) return;
  const svg = figureSvg(drawFigure(figure.value, { side: side.value }));
  download(`${found.value.id}-${side.value}.svg`, 'image/svg+xml', svg);
}
watch(figure, () => {
  pause();
  share.value = 100;
});
</script>

<template>
  <NotFoundPage v-if="!found && read" />
  <div v-else-if="!found" class="page">
    <LoadState :error="error" loading @retry="reload" />
  </div>
  <div v-else class="page">
    <div class="head">
      <router-link to="/catalogue">Catalogue</router-link>
      <button type="button" class="linkish" @click="save">Save the procedure as JSON</button>
    </div>
    <h1>{{ found.names[0] }}</h1>
    <p v-if="known.isOwn(found.id)" class="soft">
      The school’s own, from its <router-link to="/catalogue/shelf">shelf</router-link
      >{{ retired.has(found.id) ? '; retired, no new station asks it' : '' }}.
    </p>
    <p class="soft">
      {{ found.title }}
      <template v-if="found.names.length > 1">
        · also: {{ found.names.slice(1).join(', ') }}
      </template>
      · {{ regionWords(found.region) }}, {{ KIND_WORDS[found.kind] }} ·
      {{ found.structures.join(', ') }}
    </p>
    <p><b>When to add it:</b> {{ found.indication }}</p>
    <div class="top">
      <section class="panel">
        <ProcedureFigure
          v-if="figure"
          :spec="figure"
          :side="side"
          :share="share / 100"
          class="figure"
        />
        <p v-if="looksLikeFirst" class="quiet">
          Body, hands and force are those of “{{ found.schools[0]?.label }}”; what differs stands in
          the table.
        </p>
        <div class="controls">
          <v-btn-toggle v-model="side" mandatory density="compact" variant="outlined">
            <v-btn value="left">Left</v-btn>
            <v-btn value="right">Right</v-btn>
          </v-btn-toggle>
          <router-link
            v-if="found.figure?.decides"
            :to="{ path: '/catalogue/practice', query: { procedure: found.id } }"
          >
            Practise
          </router-link>
          <v-btn v-if="figure" size="small" @click="saveDrawing">Save drawing</v-btn>
          <template v-if="moves">
            <v-btn size="small" :disabled="isActive" @click="play">Play</v-btn>
            <v-slider
              v-model="share"
              :min="0"
              :max="100"
              :step="1"
              aria-label="Position in the movement, from start to end"
            />
          </template>
        </div>
      </section>
      <section>
        <h2>How it is done</h2>
        <p><b>Patient.</b> {{ found.patient }}</p>
        <p><b>Examiner.</b> {{ found.examiner }}</p>
        <ol>
          <li v-for="step in found.steps" :key="step">{{ step }}</li>
        </ol>
        <div class="caution">
          <b>{{ found.checklist.stopRule }}</b>
          <div v-for="caution in found.checklist.cautions" :key="caution">{{ caution }}</div>
          <div v-if="found.contraindications.length > 0">
            Not for: {{ found.contraindications.join('; ').replace(/\.$/, '') }}.
          </div>
          <div class="soft">
            Local policy, consent and a licensed clinician’s judgement come first.
          </div>
        </div>
      </section>
    </div>

    <SchoolsTable v-model="schoolKey" :schools="found.schools" />

    <div class="two">
      <section class="panel">
        <h2>How it is read</h2>
        <p><b>Positive.</b> {{ found.positive }}</p>
        <p><b>Negative.</b> {{ found.negative }}</p>
        <table v-if="found.rules.length > 0" class="ledger">
          <thead>
            <tr>
              <th>Finding</th>
              <th>Speaks for</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="rule in found.rules" :key="rule.when">
              <td>{{ rule.when }}</td>
              <td>{{ rule.speaksFor }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="found.confounders.length > 0">
          <b>Can mislead.</b> {{ found.confounders.join('; ') }}.
        </p>
        <p><b>Does not prove.</b> {{ found.doesNotProve }}</p>
      </section>
      <section class="panel">
        <h2>What goes wrong, and what it spoils</h2>
        <WideTable label="Rules">
          <table class="ledger">
            <tbody>
              <tr v-for="fault in found.checklist.faults" :key="fault.key">
                <td>{{ fault.text }}</td>
                <td class="soft">
                  {{ found.checklist.items.find((item) => item.key === fault.item)?.text }}
                </td>
              </tr>
            </tbody>
          </table>
        </WideTable>
        <template v-if="found.measurements.length > 0">
          <h3>Measured</h3>
          <p v-for="m in found.measurements" :key="m.what">
            {{ m.what }}: {{ m.landmarks }}; {{ m.instrument }}, {{ m.unit }}; normal
            {{ m.normal }}; tolerance {{ m.tolerance }}.
          </p>
        </template>
        <p v-if="found.followUp.length > 0">
          <b>Next:</b>
          <router-link
            v-for="next in found.followUp"
            :key="next"
            :to="`/catalogue/${next}`"
            class="next"
          >
            {{ nameOf(next) }}
          </router-link>
        </p>
      </section>
    </div>

    <WorthTable :procedure="found" />
    <PatientKey :procedure="found" :side="side" />
  </div>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.top,
.two {
  display: grid;
  grid-template-columns: 1.15fr 1fr;
  gap: 14px;
  align-items: start;
  margin: 8px 0 14px;
}
.two {
  grid-template-columns: 1fr 1fr;
}
.figure {
  height: 330px;
}
.controls {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  min-height: 40px;
}
.controls .v-slider {
  min-width: 140px;
}
ol {
  margin: 6px 0 10px;
  padding-left: 1.3em;
}
.next {
  margin-left: 8px;
}
@media (max-width: 800px) {
  .top,
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
