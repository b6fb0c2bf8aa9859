<script setup lang="ts">
import { mdiChevronLeft, mdiChevronRight } from '@mdi/js';
import { cellKey, EBEL_CELLS } from '@kritikos/core/panels/panel';
import { questionsOf, toJudge } from '@kritikos/core/panels/toJudge';
import { computed, nextTick, ref, watch, watchEffect } from 'vue';
import { useTheme } from 'vuetify';
import { counted } from '../shell/counted.ts';
import ClosedRound from './ClosedRound.vue';
import {
  BORDERLINE,
  DIFFICULTY_WORDS,
  leftWords,
  QUESTION_WORDS,
  RELEVANCE_WORDS,
  shareWords,
  taskWords,
} from './panelWords.ts';
import SeatStation from './SeatStation.vue';
import ShareInput from './ShareInput.vue';
import { useSitting } from './useSitting.ts';

const theme = useTheme();
const dark = matchMedia('(prefers-color-scheme: dark)');
const prefersDark = ref(dark.matches);
dark.addEventListener('change', ({ matches }) => (prefersDark.value = matches));
watchEffect(() => theme.change(prefersDark.value ? 'hall' : 'paper'));

const { sitting, words, waiting, problem, away, open, load, say, handIn } = useSitting(
  location.hash.slice(1),
);
const percent = shareWords('angoff-percent', 1);

/** One thing at a time: the stations, then the grid and the questions where they are asked, then handing in. */
const step = ref(0);
const questions = computed(() => (sitting.value ? questionsOf(sitting.value.panel) : []));
const steps = computed(() => [
  ...(sitting.value?.stations.map(({ position }) => `Station ${position}`) ?? []),
  ...(sitting.value?.panel.method === 'ebel' ? ['The grid'] : []),
  ...(questions.value.length > 0 ? ['The whole'] : []),
  'Handing in',
]);
const station = computed(() => sitting.value?.stations[step.value]);
// Every round begins at the beginning.
watch(
  () => sitting.value?.round?.number,
  () => (step.value = 0),
);
const top = ref<HTMLElement>();
watch(step, () => nextTick(() => top.value?.scrollIntoView({ block: 'start' })));

const subjects = computed(
  () =>
    sitting.value?.stations.flatMap(({ items, subject }) =>
      subject === null ? items.flatMap((item) => item.subject ?? []) : [subject],
    ) ?? [],
);
const cells = computed(() => {
  const count = new Map<string, number>();
  for (const subject of subjects.value) {
    const placed = words.value[subject]?.placement;
    if (placed) count.set(cellKey(placed), (count.get(cellKey(placed)) ?? 0) + 1);
  }
  return EBEL_CELLS.flatMap((cell) => {
    const items = count.get(cellKey(cell)) ?? 0;
    return items > 0 ? [{ ...cell, key: cellKey(cell), items }] : [];
  });
});
const progress = computed(() => toJudge(subjects.value, questions.value, words.value));
const blanks = computed(() => progress.value.asked - progress.value.judged);
const thing = computed(() => (sitting.value?.panel.level === 'station' ? 'station' : 'item'));
</script>

<template>
  <v-app>
    <main ref="top" class="seat">
      <template v-if="sitting">
        <header>
          <div>
            <b class="serif">{{ sitting.panel.title }}</b>
            <div class="soft">{{ sitting.panel.examination }} · {{ sitting.seat.name }}</div>
          </div>
          <div class="kept" role="status" :class="{ away }">
            <template v-if="waiting.length > 0"
              >{{ counted(waiting.length, 'answer') }}
              {{
                away
                  ? waiting.length === 1
                    ? 'waits for the network'
                    : 'wait for the network'
                  : 'on the way'
              }}</template
            >
            <template v-else-if="away">no network</template>
            <template v-else-if="open">all is kept</template>
          </div>
        </header>
        <v-alert v-if="problem && !away" type="warning" role="alert" class="my-2">{{
          problem
        }}</v-alert>

        <section v-if="!sitting.round" class="panel">
          <h2>The first round is not open yet</h2>
          <p>{{ taskWords(sitting.panel.method, sitting.panel.level) }}</p>
          <p>{{ BORDERLINE }}</p>
          <p class="soft">
            {{ sitting.panel.lead }} opens the round; this page shows it then. The link works on any
            device of yours.
          </p>
        </section>

        <section v-else-if="sitting.handedIn && sitting.round.open" class="panel">
          <h2>Round {{ sitting.round.number }} is handed in</h2>
          <p>
            {{ sitting.progress.handedIn }} of {{ counted(sitting.progress.seats, 'judge') }} have
            handed in. When the round is closed you see here what was said, without names.
          </p>
          <v-btn height="48" @click="handIn(false)">Take it back and change something</v-btn>
        </section>

        <section v-else-if="!sitting.round.open" class="panel">
          <h2>Round {{ sitting.round.number }} is closed</h2>
          <ClosedRound
            v-if="sitting.before"
            :before="sitting.before"
            :stations="sitting.stations"
          />
          <p class="soft">
            Talk about it. If {{ sitting.panel.lead }} opens another round, this page shows it, with
            what you said before.
          </p>
        </section>

        <template v-else>
          <p class="asks">
            <b>Round {{ sitting.round.number }}.</b>
            {{ taskWords(sitting.panel.method, sitting.panel.level) }}
            <span class="soft">{{ BORDERLINE }}</span>
          </p>
          <nav aria-label="Steps">
            <v-btn
              :icon="mdiChevronLeft"
              size="48"
              variant="text"
              aria-label="Back"
              :disabled="step === 0"
              @click="step--"
            />
            <div class="where">
              <b>{{ steps[step] }}</b>
              <span class="soft figures"
                >{{ step + 1 }} of {{ steps.length }} · {{ leftWords(progress) }}</span
              >
            </div>
            <v-btn
              :icon="mdiChevronRight"
              size="48"
              variant="text"
              aria-label="On"
              :disabled="step === steps.length - 1"
              @click="step++"
            />
          </nav>
          <SeatStation
            v-if="station"
            :key="station.id"
            :station="station"
            :method="sitting.panel.method"
            :words="words"
            :before="sitting.before"
            :disabled="!open"
            @say="say"
          />
          <section v-else-if="steps[step] === 'The grid'">
            <h2>Of each kind, what share would a borderline candidate earn?</h2>
            <p v-if="cells.length === 0" class="panel">
              Nothing stands in the grid yet. Go back and place the {{ thing }}s.
            </p>
            <div v-for="cell in cells" :key="cell.key" class="cell">
              {{ RELEVANCE_WORDS[cell.relevance] }},
              {{ DIFFICULTY_WORDS[cell.difficulty].toLowerCase() }}
              <span class="soft">· {{ counted(cell.items, thing) }}</span>
              <ShareInput
                :label="cell.key"
                :model-value="words[cell.key]?.share ?? null"
                :steps="20"
                :say="percent"
                :disabled="!open"
                @update:model-value="say(cell.key, $event)"
              />
            </div>
          </section>
          <section v-else-if="steps[step] === 'The whole'">
            <h2>Of the examination as a whole</h2>
            <div v-for="question in questions" :key="question" class="cell">
              {{ QUESTION_WORDS[question] }}
              <ShareInput
                :label="QUESTION_WORDS[question]"
                :model-value="words[question]?.share ?? null"
                :steps="100"
                :say="percent"
                :disabled="!open"
                @update:model-value="say(question, $event)"
              />
            </div>
          </section>
          <section v-else class="panel">
            <h2>Hand in round {{ sitting.round.number }}</h2>
            <p v-if="blanks > 0" role="alert">
              <b>{{ leftWords(progress) }}.</b> What is blank is left out of your cut; a station
              that is blank leaves you out of the panel’s.
            </p>
            <p v-else>{{ leftWords(progress) }}. You can take it back while the round is open.</p>
            <v-btn height="52" color="primary" variant="flat" @click="handIn(true)">
              {{ blanks > 0 ? 'Hand in with blanks' : 'Hand in' }}
            </v-btn>
          </section>
          <v-btn v-if="step < steps.length - 1" height="52" block class="mt-4" @click="step++">
            On to {{ steps[step + 1]?.toLowerCase() }}
          </v-btn>
        </template>
      </template>
      <section v-else-if="problem" class="panel" role="alert">
        <h2>{{ away ? 'The server cannot be reached' : 'This seat cannot be taken' }}</h2>
        <p>{{ problem }}</p>
        <v-btn height="48" @click="load">Try again</v-btn>
      </section>
      <v-progress-linear v-else indeterminate color="primary" aria-label="Loading" />
      <footer class="soft">
        The examination assesses students; it diagnoses nobody. Local policy and a licensed
        clinician’s judgement come first.
      </footer>
    </main>
  </v-app>
</template>

<style scoped>
.seat {
  max-width: 760px;
  width: 100%;
  margin: 0 auto;
  padding: 10px 16px 40px;
}
header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 12px;
  border-bottom: 1.5px solid var(--ink);
  padding-bottom: 6px;
  margin-bottom: 8px;
}
header b {
  font-size: 1.1rem;
}
.kept {
  color: var(--soft);
  font-size: 0.88rem;
}
.kept.away {
  color: var(--madder);
  font-weight: 600;
}
nav {
  position: sticky;
  top: 0;
  z-index: 2;
  background: var(--paper);
  display: grid;
  grid-template-columns: 48px 1fr 48px;
  align-items: center;
  border-bottom: 1px solid var(--rule);
  margin-bottom: 10px;
}
.where {
  text-align: center;
  display: grid;
}
.where span {
  font-size: 0.86rem;
}
.cell {
  border-top: 1px solid var(--rule);
  padding: 10px 0;
}
.asks {
  margin: 6px 0;
}
footer {
  margin-top: 26px;
  font-size: 0.84rem;
}
</style>
