<script setup lang="ts">
import { mdiCalendarExportOutline } from '@mdi/js';
import type { OwnStation } from '@kritikos/contracts/marking';
import { watch } from 'vue';
import { useSession } from '../accounts/session.ts';
import { call, linkTo, NoConnection } from '../http/api.ts';
import { useRead } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import { keepStations, keptStations } from './deviceStore.ts';
import { ofOthers, send, setAsideCount, stopped, waiting } from './sending.ts';

const session = useSession();
const { data, error, reload } = useRead(
  () => ['own stations'],
  async () => {
    const who = session.account?.id ?? '';
    void send();
    try {
      const stations = await call('GET /own/stations');
      await keepStations(who, stations);
      return stations;
    } catch (thrown) {
      const kept = thrown instanceof NoConnection ? await keptStations(who) : undefined;
      if (!kept) throw thrown;
      return kept;
    }
  },
);

// A sheet submitted a moment ago may still be on its way when the page opens.
watch(waiting, (left) => {
  if (left === 0) void reload();
});

const count = (n: number, whose = '') =>
  n === 1 ? `1 mark${whose} waits` : `${n} marks${whose} wait`;
const WHY = {
  '': '',
  offline: '; the server cannot be reached',
  'signed out': '; you are signed out',
  busy: '; the server is busy',
};

type OwnSheet = OwnStation['sheets'][number];
const next = (station: OwnStation) =>
  station.sheets.find((s) => !s.submittedAt && (station.assigned || s.startedAt));
const submitted = (station: OwnStation) => station.sheets.filter((s) => s.submittedAt).length;
const stateOf = (sheet: OwnSheet) =>
  sheet.submittedAt ? 'submitted' : sheet.startedAt ? 'under way' : 'to mark';
/** The time on the wall of the house; a station kept by an older version of the page has none. */
const dueAt = ({ due }: OwnSheet, { zone }: OwnStation) =>
  due
    ? new Intl.DateTimeFormat('en-GB', {
        hour: '2-digit',
        minute: '2-digit',
        timeZone: zone,
      }).format(new Date(due))
    : '';
const signOf = (sheet: OwnSheet) => (sheet.submittedAt ? '✓' : sheet.startedAt ? '◐' : '');
</script>

<template>
  <div class="page">
    <div class="d-flex align-center flex-wrap ga-3">
      <h1>My stations</h1>
      <v-spacer />
      <v-btn
        v-if="data && data.length > 0"
        variant="text"
        :prepend-icon="mdiCalendarExportOutline"
        :href="linkTo('GET /own/calendar', {})"
        download
      >
        Into my calendar
      </v-btn>
    </div>
    <p class="soft" role="status">
      {{
        waiting === 0
          ? 'Everything that you marked on this device is saved.'
          : `${count(waiting)} on this device${WHY[stopped]}.`
      }}
    </p>
    <p v-if="setAsideCount > 0" role="alert">
      <b>{{ count(setAsideCount) }} for your decision:</b> the server refused
      {{ setAsideCount === 1 ? 'it' : 'them' }}. Open the sheet to do it again or to drop it.
    </p>
    <p v-if="ofOthers > 0" class="soft">
      {{ count(ofOthers, ' of another examiner') }} on this device. They are sent when that examiner
      signs in here.
    </p>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <p v-if="data?.length === 0" class="panel">
      You are not assigned to a station yet. The lead assigns examiners when preparing the
      examination.
    </p>
    <section v-for="station in data ?? []" :key="station.stationId" class="panel">
      <div class="head">
        <div>
          <h2>Station {{ station.position }} · {{ station.title }}</h2>
          <div class="soft">
            {{ station.procedureTitle }} · {{ station.minutes }} minutes ·
            {{ station.examinationTitle }}
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
  </div>
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
