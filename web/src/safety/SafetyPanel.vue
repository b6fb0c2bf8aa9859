<script setup lang="ts">
import { LAID_TO } from '@kritikos/contracts/safety';
import type { FollowUp, SafetyOccurrence } from '@kritikos/contracts/safety';
import { minutesAndSeconds } from '@kritikos/core/marking/stationClock';
import { computed, ref } from 'vue';
import { call, messageOf } from '../http/api.ts';
import ActDialog from '../shell/ActDialog.vue';
import { counted } from '../shell/counted.ts';

/** The safety events of an examination: what examiners wrote, and what the lead found out and did. */
const props = withDefaults(
  defineProps<{
    examination: string;
    occurrences: readonly SafetyOccurrence[];
    /** Whether the rule asks for them; not said where no rule is at hand. */
    asked?: boolean | undefined;
  }>(),
  { asked: undefined },
);
const emit = defineEmits<{ changed: [] }>();

const LAID_WORDS: Readonly<Record<FollowUp['laidTo'], string>> = {
  candidate: 'The candidate’s doing',
  'another cause': 'Not the candidate’s doing',
};
const open = computed(() => props.occurrences.filter(({ followUp }) => followUp === null).length);

const following = ref<SafetyOccurrence | null>(null);
const writing = computed({
  get: () => following.value !== null,
  set: (is) => {
    if (!is) following.value = null;
  },
});
const laidTo = ref<FollowUp['laidTo'] | null>(null);
const text = ref('');
const problem = ref('');

function follow(one: SafetyOccurrence) {
  following.value = one;
  laidTo.value = one.followUp?.laidTo ?? null;
  text.value = problem.value = '';
}

async function write() {
  if (!following.value || !laidTo.value) return;
  try {
    await call('POST /examinations/:examination/safety/:event', {
      params: { examination: props.examination, event: following.value.id },
      body: { laidTo: laidTo.value, text: text.value },
    });
    following.value = null;
    emit('changed');
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
</script>

<template>
  <section v-if="occurrences.length > 0" class="panel" aria-label="Safety events">
    <h2>{{ counted(occurrences.length, 'safety event', 'safety events') }}</h2>
    <p v-if="open > 0" class="caution">
      {{ counted(open, 'is', 'are') }} not followed up: nobody has said yet what it was.
    </p>
    <p v-if="asked === false" class="soft">The rule does not ask for them; it can, beside.</p>
    <p v-else-if="asked" class="soft">
      By the rule, one that is laid to the candidate fails the examination, and one that is not
      followed up leaves the candidate undecided.
    </p>
    <article v-for="one in occurrences" :key="one.id">
      <p>
        <b
          >Candidate {{ one.candidateNumber }}, station {{ one.position }} {{ one.station }}, with
          {{ minutesAndSeconds(one.remaining) }} left.</b
        >
        {{ one.examiner }}: {{ one.note || 'wrote nothing of it.' }}
        <span v-if="one.late" class="caution"> It came after the sheet was submitted.</span>
        <router-link :to="`/examinations/${examination}/sheets/${one.sheetId}`"
          >The sheet of candidate {{ one.candidateNumber }}</router-link
        >
      </p>
      <p v-if="one.followUp" class="found">
        <b>{{ LAID_WORDS[one.followUp.laidTo] }}.</b> {{ one.followUp.text }}
        <span class="soft">{{ one.followUp.by }}, {{ one.followUp.at.slice(0, 10) }}</span>
      </p>
      <v-btn size="small" class="no-print" @click="follow(one)">
        {{ one.followUp ? 'Say it anew' : 'Follow it up' }}
        <span class="d-sr-only">: candidate {{ one.candidateNumber }}, {{ one.station }}</span>
      </v-btn>
    </article>
    <ActDialog
      v-model="writing"
      title="Follow up a safety event"
      act="Write it down"
      :width="520"
      :problem="problem"
      :disabled="!laidTo || text.trim().length < 10"
      @act="write"
    >
      <p v-if="following">
        Candidate {{ following.candidateNumber }}, {{ following.station }}.
        {{ following.note || 'The examiner wrote nothing of it; ask before you judge.' }}
      </p>
      <v-radio-group v-model="laidTo" label="Whose doing was it?" hide-details>
        <v-radio v-for="one in LAID_TO" :key="one" :value="one" :label="LAID_WORDS[one]" />
      </v-radio-group>
      <v-textarea
        v-model="text"
        label="What it was, and what was done about it"
        rows="3"
        maxlength="1000"
      />
      <p class="soft">
        It stays with the examination under your name. What is said anew stands beside it, and the
        newest counts; a decision that is signed keeps what it knew.
      </p>
    </ActDialog>
  </section>
</template>

<style scoped>
article {
  padding: 6px 0;
  border-top: 1px solid var(--rule);
  display: grid;
  gap: 4px;
  justify-items: start;
}
.found {
  padding-left: 10px;
  border-left: 3px solid var(--petrol);
}
</style>
