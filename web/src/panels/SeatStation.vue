<script setup lang="ts">
import type { Said, Sitting } from '@kritikos/contracts/panels';
import { DIFFICULTIES, RELEVANCES } from '@kritikos/core/panels/panel';
import type { Placement } from '@kritikos/core/panels/panel';
import { ref } from 'vue';
import DrawnFigure from '../figure/DrawnFigure.vue';
import ChoiceRow from './ChoiceRow.vue';
import { DIFFICULTY_WORDS, RELEVANCE_WORDS, shareWords, stepsOf } from './panelWords.ts';
import ShareInput from './ShareInput.vue';
import SpreadStrip from './SpreadStrip.vue';
import StripLegend from './StripLegend.vue';

/** One station as a judge sees it: the drawing, the task, the checklist, and a place to say what they think. */
const props = defineProps<{
  station: Sitting['stations'][number];
  method: Sitting['panel']['method'];
  words: Readonly<Record<string, Omit<Said, 'id'>>>;
  before: Sitting['before'];
  disabled: boolean;
}>();
const emit = defineEmits<{
  say: [subject: string, share: number | null, placement: Placement | null];
}>();
const half = ref<Record<string, Partial<Placement>>>({});

const shareOf = (subject: string) => props.words[subject]?.share ?? null;
const placeOf = (subject: string): Partial<Placement> =>
  props.words[subject]?.placement ?? half.value[subject] ?? {};
const said = (subject: string) => props.before?.subjects.find(({ key }) => key === subject);

function put(subject: string, part: Partial<Placement>) {
  const { difficulty, relevance } = { ...placeOf(subject), ...part };
  if (difficulty && relevance) emit('say', subject, null, { difficulty, relevance });
  else half.value = { ...half.value, [subject]: { ...placeOf(subject), ...part } };
}
/** What was said of it in the round before, for the strip. */
const spreadOf = (subject: string) => {
  const { values = [], own = null, earned = null } = said(subject) ?? {};
  return { values, own, earned };
};
const YES_NO = [
  { value: 1, words: 'Would earn it' },
  { value: 0, words: 'Would not' },
];
const DIFFICULTY_CHOICES = DIFFICULTIES.map((value) => ({ value, words: DIFFICULTY_WORDS[value] }));
const RELEVANCE_CHOICES = RELEVANCES.map((value) => ({ value, words: RELEVANCE_WORDS[value] }));
</script>

<template>
  <section>
    <h2>{{ station.position }} · {{ station.title }}</h2>
    <p class="task">{{ station.task }}</p>
    <details :open="!before">
      <summary>The drawing and the patient</summary>
      <div v-for="figure in station.figures" :key="figure.title" class="drawing">
        <DrawnFigure :svg="figure.svg" />
        <div class="soft">{{ figure.title }}</div>
      </div>
      <p>{{ station.patient }}</p>
      <p class="caution">
        <b>{{ station.stopRule }}</b>
      </p>
    </details>
    <StripLegend v-if="before" :earned="before.subjects.some((own) => own.earned !== null)" />
    <template v-if="station.subject !== null">
      <ShareInput
        class="whole"
        :label="`Station ${station.position}`"
        :model-value="shareOf(station.subject)"
        :steps="stepsOf(method, station.points, true)"
        :say="shareWords(method, station.points)"
        :disabled="disabled"
        @update:model-value="emit('say', station.subject, $event, null)"
      />
      <SpreadStrip
        v-if="said(station.subject)"
        label="Round before"
        v-bind="spreadOf(station.subject)"
      />
    </template>
    <ol>
      <li v-for="(item, i) in station.items" :key="i">
        <div v-if="item.phase !== station.items[i - 1]?.phase" class="serif phase">
          {{ item.phase }}
        </div>
        <div>
          {{ item.text }}
          <b v-if="item.critical" class="critical">fails the station if missed</b>
        </div>
        <div v-if="item.earns" class="soft earns">{{ item.earns }}</div>
        <template v-if="item.subject !== null">
          <ChoiceRow
            v-if="method === 'angoff-yes-no'"
            :label="item.text"
            :choices="YES_NO"
            :disabled="disabled"
            :picked="shareOf(item.subject)"
            @pick="emit('say', item.subject, $event, null)"
          />
          <template v-else-if="method === 'ebel'">
            <ChoiceRow
              :label="`How hard: ${item.text}`"
              :choices="DIFFICULTY_CHOICES"
              :disabled="disabled"
              :picked="placeOf(item.subject).difficulty ?? null"
              @pick="put(item.subject, { difficulty: $event })"
            />
            <ChoiceRow
              :label="`How much it matters: ${item.text}`"
              :choices="RELEVANCE_CHOICES"
              :disabled="disabled"
              :picked="placeOf(item.subject).relevance ?? null"
              @pick="put(item.subject, { relevance: $event })"
            />
          </template>
          <ShareInput
            v-else
            :label="item.text"
            :model-value="shareOf(item.subject)"
            :steps="stepsOf(method, item.points, false)"
            :say="shareWords(method, item.points)"
            :disabled="disabled"
            @update:model-value="emit('say', item.subject, $event, null)"
          />
          <div v-if="said(item.subject)" class="before">
            <SpreadStrip :label="`Round before, ${item.text}`" v-bind="spreadOf(item.subject)" />
            <span v-if="said(item.subject)?.split" class="critical">you were of two minds</span>
          </div>
        </template>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.task {
  font-family: var(--serif);
  font-size: 1.05rem;
}
summary {
  cursor: pointer;
  min-height: 44px;
  display: flex;
  align-items: center;
  color: var(--petrol);
  text-decoration: underline;
}
.drawing {
  margin: 0 0 6px;
}
ol {
  list-style: none;
  padding: 0;
  margin: 10px 0 0;
}
li {
  border-top: 1px solid var(--rule);
  padding: 10px 0;
}
.phase {
  font-size: 1.05rem;
  margin-bottom: 4px;
}
.earns {
  font-size: 0.88rem;
  margin: 2px 0 4px;
}
.critical {
  color: var(--madder);
}
.before {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  font-size: 0.9rem;
}
.before > :first-child {
  flex: 1 1 200px;
}
.whole {
  border: 1px solid var(--rule);
  border-radius: 3px;
  padding: 6px 10px;
  margin: 8px 0;
}
</style>
