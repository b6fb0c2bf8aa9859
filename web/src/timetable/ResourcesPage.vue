<script setup lang="ts">
import type { HouseProposal } from '@kritikos/contracts/house';
import type { PlaceResource, Resources } from '@kritikos/contracts/timetable';
import { useDebounceFn } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { ApiProblem, call, messageOf } from '../http/api.ts';
import { useInTurn } from '../http/useInTurn.ts';
import { useReading } from '../http/useReading.ts';
import ProposalList from '../house/ProposalList.vue';
import LoadState from '../shell/LoadState.vue';
import EquipmentTab from './EquipmentTab.vue';
import ExaminersTab from './ExaminersTab.vue';
import PatientsTab from './PatientsTab.vue';
import ResourceFileInput from './ResourceFileInput.vue';
import RoomsTab from './RoomsTab.vue';

const props = defineProps<{ examination: string }>();
const store = useExamination();
const params = computed(() => ({ examination: props.examination }));
const { data, error, reload, take } = useReading(
  'GET /examinations/:examination/resources',
  () => ({
    params: params.value,
  }),
);
const tab = ref<'examiners' | 'patients' | 'rooms' | 'equipment'>('examiners');
const COLUMNS = {
  examiners:
    'email; regions with | between, or all; from and until such as 2027-05-21 08:30; conflicts such as 12: supervisor | 15: sister',
  patients: 'name; must not undergo, keys of procedures with | between; most in a row; from; until',
  rooms: 'room; couches',
  equipment: 'thing; pieces',
} as const;
const problem = ref('');
const { inTurn, busy } = useInTurn();
const heldOn = computed(() => store.current?.heldOn ?? '');
const zone = computed(() => store.current?.zone ?? 'UTC');

/** Only what was changed is sent; where it is not taken, what holds comes back. */
async function keep(act: () => Promise<Resources>) {
  problem.value = '';
  try {
    await inTurn(async () => take(await act()));
  } catch (thrown) {
    const errors = thrown instanceof ApiProblem ? (thrown.problem.errors ?? []) : [];
    problem.value = [messageOf(thrown), ...errors.map(({ detail }) => detail)].join(' ');
    await reload();
  }
}
type Examiner = Resources['examiners'][number];
type Patient = Resources['patients'][number];
/** Each change is made out of what holds when its turn has come, so that an earlier one is in it. */
const keepExaminer = (who: Examiner, now: Partial<Examiner>) =>
  keep(() => {
    const { examiners = [] } = data.value ?? {};
    const holds = examiners.find(({ accountId }) => accountId === who.accountId) ?? who;
    const { accountId, takesPart, present, regions, conflicts } = { ...holds, ...now };
    const reasons = conflicts.map(({ candidateId, reason }) => ({ candidateId, reason }));
    const body = {
      examiners: [{ accountId, takesPart, present, regions, conflicts: reasons }],
    };
    return call('PUT /examinations/:examination/resources/examiners', {
      params: params.value,
      body,
    });
  });
const keepPatient = (who: Patient, now: Partial<Patient> & { retired?: boolean }) =>
  keep(() => {
    const holds = data.value?.patients.find(({ id }) => id === who.id) ?? who;
    const { id, name, takesPart, present, barred, mostInARow, retired } = {
      retired: false,
      ...holds,
      ...now,
    };
    return call('PUT /examinations/:examination/resources/patients', {
      params: params.value,
      body: { patients: [{ id, name, takesPart, present, barred, mostInARow, retired }] },
    });
  });
const addPatient = (name: string) =>
  keep(() =>
    call('PUT /examinations/:examination/resources/patients', {
      params: params.value,
      body: { patients: [{ id: null, name, takesPart: true }] },
    }),
  );
async function decide({ id }: HouseProposal, taken: boolean) {
  await keep(async () => {
    await call('PUT /house/proposals/:proposal', {
      params: { proposal: id },
      body: { take: taken },
    });
    return call('GET /examinations/:examination/resources', { params: params.value });
  });
}
const keepRooms = (body: {
  rooms: { id: string | null; name: string; couches: number }[];
  removed: string[];
}) =>
  keep(() =>
    call('PUT /examinations/:examination/resources/rooms', { params: params.value, body }),
  );
const keepPlaces = (body: {
  places: PlaceResource[];
  cleared: Pick<PlaceResource, 'stationId' | 'circuit'>[];
}) =>
  keep(() =>
    call('PUT /examinations/:examination/resources/places', { params: params.value, body }),
  );
const placeAll = () =>
  keep(() => call('POST /examinations/:examination/resources/places', { params: params.value }));
/** What was counted since it was last sent, by the thing: all of it goes together. */
const counted = new Map<string, number | null>();
const sendCounted = useDebounceFn(() => {
  const equipment = [...counted].map(([what, pieces]) => ({ what, pieces }));
  counted.clear();
  return keep(() =>
    call('PUT /examinations/:examination/resources/equipment', {
      params: params.value,
      body: { equipment },
    }),
  );
}, 400);
function keepEquipment(what: string, pieces: number | null) {
  counted.set(what, pieces);
  void sendCounted();
}
</script>

<template>
  <div class="page">
    <h1>Who and what may be used</h1>
    <p class="soft">
      The <router-link :to="`/examinations/${examination}/timetable`">timetable</router-link> asks
      for no more than it needs: whoever has no region examines all, whoever has no times is there
      all day, and what nobody counted limits nothing.
    </p>
    <v-alert v-if="problem" type="error" role="alert" class="mb-2">{{ problem }}</v-alert>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <p v-if="!data.keepsHouse" class="soft">
        Who takes part, when, and where stations stand is yours to say. Rooms, people, equipment and
        what somebody may examine are the house’s: what you change of them goes to its office first.
      </p>
      <section v-if="data.proposals.length > 0" class="panel mb-3">
        <h2>
          {{ data.keepsHouse ? 'Proposed for this examination' : 'Proposed, and not decided yet' }}
        </h2>
        <ProposalList
          :proposals="data.proposals"
          :decides="data.keepsHouse"
          :busy="busy"
          @decide="decide"
        />
      </section>
      <v-tabs v-model="tab" density="compact" color="primary">
        <v-tab value="examiners">Examiners</v-tab>
        <v-tab value="patients">Simulated patients</v-tab>
        <v-tab value="rooms">Rooms and couches</v-tab>
        <v-tab value="equipment">Equipment</v-tab>
      </v-tabs>
      <section class="panel">
        <ExaminersTab
          v-if="tab === 'examiners'"
          :examination="examination"
          :resources="data"
          :held-on="heldOn"
          :zone="zone"
          :disabled="false"
          @keep="keepExaminer"
        />
        <PatientsTab
          v-else-if="tab === 'patients'"
          :resources="data"
          :held-on="heldOn"
          :zone="zone"
          :disabled="false"
          @keep="keepPatient"
          @add="addPatient"
        />
        <RoomsTab
          v-else-if="tab === 'rooms'"
          :resources="data"
          :disabled="false"
          @room="keepRooms({ rooms: [$event], removed: [] })"
          @remove="keepRooms({ rooms: [], removed: [$event] })"
          @place="keepPlaces({ places: [$event], cleared: [] })"
          @clear="keepPlaces({ places: [], cleared: [$event] })"
          @all="placeAll"
        />
        <EquipmentTab v-else :resources="data" :disabled="false" @keep="keepEquipment" />
        <ResourceFileInput
          :key="tab"
          class="mt-4"
          :examination="examination"
          :of="tab"
          :columns="COLUMNS[tab]"
          :disabled="busy"
          @taken="take"
        />
      </section>
    </template>
  </div>
</template>
