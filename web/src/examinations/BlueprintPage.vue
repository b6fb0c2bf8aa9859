<script setup lang="ts">
import { BLUEPRINT_ROWS } from '@kritikos/contracts/blueprint';
import type { BlueprintRows, BlueprintStationRead } from '@kritikos/contracts/blueprint';
import type { Examination } from '@kritikos/contracts/examinations';
import { alikeStations, doubledProcedures } from '@kritikos/core/examinations/alikeStations';
import { blueprintCells, blueprintGaps } from '@kritikos/core/examinations/blueprint';
import type { BlueprintColumn } from '@kritikos/core/examinations/blueprint';
import { needsOf } from '@kritikos/core/examinations/needs';
import { refDebounced } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useKnownProcedures } from '../catalogue/useKnownProcedures.ts';
import { call, messageOf } from '../http/api.ts';
import { useInTurn } from '../http/useInTurn.ts';
import { useReading } from '../http/useReading.ts';
import ActDialog from '../shell/ActDialog.vue';
import LoadState from '../shell/LoadState.vue';
import BlueprintGrid from './BlueprintGrid.vue';
import { asNeedy, asWeighed, ROW_WORDS, sayRow } from './blueprintRows.ts';
import { useExamination } from './examinationStore.ts';
import NeedsList from './NeedsList.vue';
import StationOrder from './StationOrder.vue';

const props = defineProps<{ examination: string }>();
const store = useExamination();
const { known, nameOf } = useKnownProcedures();
const { data, error, reload, take, whileChanging } = useReading(
  'GET /examinations/:examination/blueprint',
  () => ({ params: { examination: props.examination } }),
);
const { inTurn } = useInTurn();
const rows = ref<BlueprintRows>('region');
const choices = BLUEPRINT_ROWS.map((value) => ({ value, title: ROW_WORDS[value] }));
const opened = computed(() => store.current?.markingOpenedAt != null);
const problem = ref('');
const said = ref('');

const stations = computed(() => data.value?.stations ?? []);
const titles = computed(() => new Map(stations.value.map(({ id, title }) => [id, title])));
const titleOf = (id: string) => `“${titles.value.get(id) ?? ''}”`;
const weighed = computed(() => asWeighed(stations.value, rows.value, known.value));
const cells = computed(() => blueprintCells(weighed.value));
const wanted = computed(() => data.value?.wanted[rows.value] ?? {});
const gaps = computed(() => blueprintGaps(cells.value, wanted.value));
const doublings = computed(() => doubledProcedures(weighed.value));
const alike = computed(() => alikeStations(weighed.value));
const needs = computed(() =>
  needsOf(asNeedy(stations.value, known.value), data.value?.circuits ?? 1),
);

const search = ref('');
const settled = refDebounced(search, 200);
const { data: bank } = useReading(
  'GET /bank-stations',
  () => ({ query: { words: settled.value || undefined, limit: 60 } }),
  { keep: true },
);
const free = computed(() => {
  const used = new Set(stations.value.map(({ bankStationId }) => bankStationId));
  return (bank.value?.stations ?? []).filter(({ id }) => !used.has(id));
});

async function change(act: () => Promise<Examination>, words = '') {
  problem.value = '';
  said.value = '';
  try {
    await inTurn(async () => {
      store.take(await whileChanging(act));
      await reload();
    });
    said.value = words;
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
const params = computed(() => ({ examination: props.examination }));
/** The new order stands on the page at once; the server has the last word. */
function show(ids: readonly string[]) {
  const now = data.value;
  if (!now) return;
  const placed = ids.flatMap((id) => now.stations.filter((station) => station.id === id));
  take({ ...now, stations: placed });
}
/** The newest order that the server has not been told; the orders between need not travel. */
let untold: string[] | null = null;
let telling = false;
/** One order is on the way at a time: what answers an older one must not put the page back to it. */
async function order(ids: string[]) {
  show(ids);
  untold = ids;
  if (telling) return;
  telling = true;
  problem.value = '';
  try {
    await whileChanging(async () => {
      while (untold) {
        const body = { stations: untold };
        untold = null;
        store.take(
          await inTurn(() =>
            call('PUT /examinations/:examination/stations/order', { params: params.value, body }),
          ),
        );
      }
    });
  } catch (thrown) {
    problem.value = messageOf(thrown);
    untold = null;
  } finally {
    telling = false;
  }
  await reload();
}
const add = (bankVersionId: string, position: number) =>
  change(() =>
    call('POST /examinations/:examination/stations', {
      params: params.value,
      body: { bankVersionId, position },
    }),
  );
const removing = ref<BlueprintStationRead | null>(null);
const asking = computed({
  get: () => removing.value !== null,
  set: (open) => {
    if (!open) removing.value = null;
  },
});
const lost = computed(() => {
  const own = store.current?.stationList.find(({ id }) => id === removing.value?.id);
  return own?.examiners.length ?? 0;
});
function remove(station: BlueprintStationRead) {
  removing.value = station;
  if (lost.value === 0) void takeOut();
}
async function takeOut() {
  const station = removing.value;
  removing.value = null;
  if (!station) return;
  await change(
    () => call('DELETE /stations/:station', { params: { station: station.id } }),
    `${station.title} is out; it stays in the bank.`,
  );
}
const renew = (station: BlueprintStationRead) =>
  change(
    () => call('POST /stations/:station/renewal', { params: { station: station.id } }),
    `${station.title} is in its newest version now.`,
  );
async function want(row: string, column: BlueprintColumn, percent: number | null) {
  const kind = rows.value;
  problem.value = '';
  try {
    await inTurn(async () => {
      const now = data.value;
      if (!now) return;
      // Out of what holds when its turn has come: an earlier cell is in it by then.
      const { [column]: _, ...others } = now.wanted[kind][row] ?? {};
      void _;
      const changed = percent === null ? others : { ...others, [column]: percent };
      const body = { ...now.wanted, [kind]: { ...now.wanted[kind], [row]: changed } };
      const answer = await whileChanging(() =>
        call('PUT /examinations/:examination/blueprint', { params: params.value, body }),
      );
      // The order on the page may be newer than the one that this answer was made with.
      const order = new Map((data.value?.stations ?? []).map(({ id }, i) => [id, i]));
      const place = ({ id }: { id: string }) => order.get(id) ?? Infinity;
      take({ ...answer, stations: [...answer.stations].sort((a, b) => place(a) - place(b)) });
    });
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
</script>

<template>
  <div class="page">
    <div class="d-flex align-center ga-3 flex-wrap">
      <h1>Blueprint</h1>
      <v-spacer />
      <router-link :to="`/examinations/${examination}/preparation`">Back to prepare</router-link>
    </div>
    <p class="soft">
      What is examined, in per cent of the whole: every station counts alike, within it an item
      counts by its weight. Write into a cell how much you want there.
      <template v-if="data?.follows">
        Copied from
        <router-link :to="`/examinations/${data.follows.id}`">{{
          data.follows.title
        }}</router-link>, {{ data.follows.heldOn }}; stations in the same version are anchors.
      </template>
    </p>
    <v-alert v-if="opened" type="info" class="mb-2">
      Marking was opened: the stations stay as they are and where they are.
    </v-alert>
    <p v-if="said" role="status">{{ said }}</p>
    <v-alert v-if="problem" type="error" role="alert" class="mb-2">{{ problem }}</v-alert>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <div v-if="data" class="columns">
      <div class="stack">
        <v-btn-toggle v-model="rows" mandatory density="compact" color="primary">
          <v-btn v-for="one in choices" :key="one.value" :value="one.value">{{ one.title }}</v-btn>
        </v-btn-toggle>
        <BlueprintGrid
          :rows="rows"
          :cells="cells"
          :wanted="wanted"
          :titles="titles"
          :disabled="false"
          @want="want"
        />
        <section class="panel">
          <h2>What stands out</h2>
          <p
            v-if="gaps.short.length + gaps.over.length + doublings.length + alike.length === 0"
            class="soft"
          >
            Nothing is short of what is wanted, asked twice, or too alike.
          </p>
          <ul v-else class="plain">
            <li v-for="gap in gaps.short" :key="`s${gap.row}${gap.column}`">
              <b>Short:</b> {{ sayRow(gap.row, rows) }}, {{ gap.column }}:
              {{ gap.percent.toFixed(0) }} % of {{ gap.wanted }} % wanted
            </li>
            <li v-for="gap in gaps.over" :key="`o${gap.row}${gap.column}`">
              <b>Over:</b> {{ sayRow(gap.row, rows) }}, {{ gap.column }}:
              {{ gap.percent.toFixed(0) }} % where {{ gap.wanted }} % is wanted
            </li>
            <li v-for="one in doublings" :key="one.procedure">
              <b>Twice:</b> {{ nameOf(one.procedure) }} is asked at
              {{ one.stations.map(titleOf).join(' and ') }}
            </li>
            <li v-for="pair in alike" :key="pair.stations.join()">
              <b>Too alike:</b> {{ pair.stations.map(titleOf).join(' and ') }} ask
              {{ Math.round(100 * pair.share) }} % in the same words
            </li>
          </ul>
        </section>
        <NeedsList :needs="needs" :circuits="data.circuits" />
      </div>
      <StationOrder
        :stations="stations"
        :bank="free"
        :disabled="opened"
        @order="order"
        @add="add"
        @remove="remove"
        @renew="renew"
      >
        <template #search>
          <v-text-field
            v-model="search"
            label="Find in the bank"
            clearable
            @click:clear="search = ''"
          />
        </template>
      </StationOrder>
    </div>
    <ActDialog
      v-model="asking"
      :title="`Take ${removing?.title} out?`"
      act="Take it out"
      away="Leave it"
      :width="440"
      color="secondary"
      @act="takeOut"
    >
      <p>
        {{ lost === 1 ? 'The examiner who is' : `The ${lost} examiners who are` }} assigned there
        and the sheets that are planned go with it. The station stays in the bank.
      </p>
    </ActDialog>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 16px;
  align-items: start;
}
.stack {
  display: grid;
  gap: 14px;
}
.plain {
  list-style: none;
  padding: 0;
}
.plain li {
  padding: 3px 0;
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
