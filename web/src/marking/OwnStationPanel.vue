<script setup lang="ts">
import type { OwnStation } from '@kritikos/contracts/marking';
import { dueAt, signOf, stateOf } from './ownSheetWords.ts';

/** One of the examiner's stations, with its candidates. */
defineProps<{ station: OwnStation }>();

const next = (station: OwnStation) =>
  station.sheets.find((s) => !s.submittedAt && (station.assigned || s.startedAt));
const reopened = (station: OwnStation) => station.sheets.filter((s) => s.reopened);
const submitted = (station: OwnStation) => station.sheets.filter((s) => s.submittedAt).length;
</script>

<template>
  <section class="panel">
    <div class="head">
      <div>
        <h2>Station {{ station.position }} · {{ station.title }}</h2>
        <div class="soft">
          {{ station.procedureTitle }} · {{ station.minutes }} minutes ·
          {{ station.examinationTitle }}, {{ station.cohort }} · {{ station.heldOn }}
        </div>
      </div>
      <v-spacer />
      <v-btn v-if="station.assigned" size="large" :to="`/stations/${station.stationId}/briefing`">
        {{ station.briefingConfirmed ? 'Briefing' : 'Read the briefing' }}
      </v-btn>
      <v-btn
        v-if="next(station)"
        size="large"
        variant="flat"
        color="primary"
        :disabled="!station.markingOpen && !next(station)?.startedAt"
        :to="`/sheets/${next(station)?.id}`"
      >
        {{ next(station)?.startedAt ? 'Continue candidate' : 'Next: candidate' }}
        {{ next(station)?.candidateNumber }}
      </v-btn>
    </div>
    <p v-if="!station.assigned" class="soft">
      The lead took you off this station. What you have begun can be finished here.
    </p>
    <p v-else-if="!station.markingOpen" class="soft">Marking is not open.</p>
    <p v-for="sheet in reopened(station)" :key="sheet.id" class="caution">
      The lead reopened the sheet of candidate {{ sheet.candidateNumber }}: {{ sheet.reopened }}
    </p>
    <div class="candidates">
      <router-link
        v-for="sheet in station.sheets"
        :key="sheet.id"
        :to="`/sheets/${sheet.id}`"
        class="candidate figures"
        :class="{ submitted: sheet.submittedAt }"
        :aria-label="`Candidate ${sheet.candidateNumber}, ${stateOf(sheet)}${sheet.due ? `, at ${dueAt(sheet, station)}` : ''}`"
      >
        {{ sheet.candidateNumber
        }}<small v-if="signOf(sheet) || !sheet.due">{{ signOf(sheet) }}</small>
        <small v-if="sheet.due" class="due">{{ dueAt(sheet, station) }}</small>
      </router-link>
    </div>
    <div class="soft figures">
      {{ submitted(station) }} of {{ station.sheets.length }} submitted
    </div>
  </section>
</template>

<style scoped>
section {
  margin-top: 14px;
}
.head {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
/* Where the buttons do not fit beside the title they begin a line of their own. */
@media (max-width: 600px) {
  .head > .v-spacer {
    display: none;
  }
}
.candidates {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 12px 0 6px;
}
.candidate {
  width: 48px;
  height: 48px;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  border: 1.5px solid rgba(var(--v-theme-on-surface), 0.55);
  border-radius: 3px;
  text-decoration: none;
  color: var(--ink);
  font-weight: 600;
  line-height: 1;
}
.candidate small {
  height: 12px;
  font-size: 0.75rem;
}
.candidate .due {
  font-weight: 400;
  font-size: 0.7rem;
}
.candidate.submitted {
  border: 1px solid var(--rule);
  font-weight: 400;
  color: var(--soft);
}
</style>
