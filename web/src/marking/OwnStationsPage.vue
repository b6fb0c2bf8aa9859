<script setup lang="ts">
import { mdiCalendarExportOutline } from '@mdi/js';
import { computed, watch } from 'vue';
import { useSession } from '../accounts/session.ts';
import { call, linkTo, NoConnection } from '../http/api.ts';
import { useRead } from '../http/useReading.ts';
import { counted } from '../shell/counted.ts';
import LoadState from '../shell/LoadState.vue';
import { keepStations, keptStations } from './deviceStore.ts';
import { dueAt, signOf, stateOf } from './ownSheetWords.ts';
import { isOver, ownDays } from './ownDay.ts';
import OwnStationPanel from './OwnStationPanel.vue';
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

const now = computed(() => data.value?.filter((own) => !isOver(own, new Date())) ?? []);
const earlier = computed(() => data.value?.filter((own) => isOver(own, new Date())) ?? []);
const days = computed(() => ownDays(now.value));
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
    <section v-for="own in days" :key="own.day" class="panel">
      <h2>{{ own.day }}, by time</h2>
      <ol class="day figures">
        <li
          v-for="turn in own.turns"
          :key="turn.sheet.id"
          :class="{ done: turn.sheet.submittedAt }"
        >
          <router-link
            :to="`/sheets/${turn.sheet.id}`"
            :aria-label="`Candidate ${turn.sheet.candidateNumber} at station ${turn.station.position}, ${dueAt(turn.sheet, turn.station)}, ${stateOf(turn.sheet)}`"
          >
            <b>{{ dueAt(turn.sheet, turn.station) }}</b>
            <span>station {{ turn.station.position }} · {{ turn.station.title }}</span>
            <span>{{ turn.sheet.candidateNumber }} {{ signOf(turn.sheet) }}</span>
          </router-link>
        </li>
      </ol>
    </section>
    <OwnStationPanel v-for="station in now" :key="station.stationId" :station="station" />
    <details v-if="earlier.length > 0">
      <summary>{{ counted(earlier.length, 'earlier station') }}</summary>
      <OwnStationPanel v-for="station in earlier" :key="station.stationId" :station="station" />
    </details>
  </div>
</template>

<style scoped>
section {
  margin-top: 14px;
}
details {
  margin-top: 18px;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  color: var(--petrol);
  text-decoration: underline;
  cursor: pointer;
}
.day {
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
}
.day a {
  display: grid;
  grid-template-columns: 4.2em 1fr auto;
  gap: 8px;
  min-height: 44px;
  align-items: center;
  border-top: 1px solid var(--rule);
  text-decoration: none;
  color: var(--ink);
}
.day .done a {
  color: var(--soft);
}
</style>
