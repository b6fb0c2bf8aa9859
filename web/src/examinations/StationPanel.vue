<script setup lang="ts">
import type { Account } from '@kritikos/contracts/accounts';
import type { Examination, Station } from '@kritikos/contracts/examinations';
import { refDebounced } from '@vueuse/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { call, messageOf } from '../http/api.ts';
import { useInTurn } from '../http/useInTurn.ts';
import { useReading } from '../http/useReading.ts';
import { useExamination } from './examinationStore.ts';
import { vKept } from '../shell/kept.ts';

const props = defineProps<{ examiners: Account[] }>();
const store = useExamination();
const stations = computed(() => store.current?.stationList ?? []);
/** The bank finds by title, procedure, misspelt too, region and equipment; what is written asks it. */
const words = ref('');
const asked = refDebounced(words, 200);
const added = ref<string | null>(null);
const { data: bank } = useReading(
  'GET /bank-stations',
  () => ({ query: { limit: 60, ...(asked.value === '' ? {} : { words: asked.value }) } }),
  { keep: true },
);
const usable = computed(() =>
  (bank.value?.stations ?? []).map(({ versionId, title, minutes, region }) => ({
    value: versionId,
    title,
    props: { subtitle: `${region}, ${minutes} minutes` },
  })),
);
/** What is written in the field is a question until something is chosen, which stands there then. */
function ask(written: string) {
  const chosen = usable.value.find(({ value }) => value === added.value);
  if (written !== chosen?.title) words.value = written.trim().slice(0, 120);
}
const problem = ref('');
const told = useTemplateRef<HTMLElement>('told');
// The panel is long: what went wrong at its top is said at its end, and must be seen.
watch(problem, async (now) => {
  await nextTick();
  if (now) told.value?.scrollIntoView({ block: 'nearest' });
});
const { inTurn } = useInTurn();

async function change(action: () => Promise<Examination>) {
  try {
    await inTurn(async () => store.take(await action()));
    problem.value = '';
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}

const add = () =>
  change(async () => {
    const made = await call('POST /examinations/:examination/stations', {
      params: { examination: store.current?.id ?? '' },
      body: { bankVersionId: added.value ?? '' },
    });
    added.value = null;
    return made;
  });

type Assigned = Omit<Station['examiners'][number], 'name' | 'sheets'>;
const assign = (station: Station, examiners: Assigned[]) =>
  change(() =>
    call('PUT /stations/:station/examiners', {
      params: { station: station.id },
      body: { examiners },
    }),
  );

const takeOffered = (station: Station) =>
  change(() =>
    call('PATCH /stations/:station', {
      params: { station: station.id },
      body: { checklistVersionId: station.offered?.versionId ?? '' },
    }),
  );

/** Keeps one reading; an empty field gives it back to the derived number. */
function read(station: Station, item: string, typed: string) {
  const value = Number(typed.trim().replace(',', '.'));
  if (typed.trim() !== '' && !Number.isFinite(value)) {
    problem.value = `“${typed}” is not a number.`;
    return;
  }
  return change(() => {
    // Out of what holds when its turn has come: another reading is in it by then.
    const now = stations.value.find(({ id }) => id === station.id) ?? station;
    const others = Object.entries(now.patientReadings).filter(([key]) => key !== item);
    const readings = Object.fromEntries(
      typed.trim() === '' ? others : [...others, [item, value] as const],
    );
    return call('PUT /stations/:station/readings', {
      params: { station: station.id },
      body: { readings },
    });
  });
}

const present = (station: Station) =>
  station.examiners.map(({ accountId, every, circuit }) => ({ accountId, every, circuit }));
const free = (station: Station) =>
  props.examiners.filter((e) => !station.examiners.some((s) => s.accountId === e.id));
const SHARES = [
  { every: 1, title: 'every candidate' },
  { every: 2, title: 'every second' },
  { every: 3, title: 'every third' },
  { every: 5, title: 'every fifth' },
];
const circuits = computed(() => store.current?.circuits ?? []);
const CIRCUITS = computed(() => [
  { circuit: null, title: 'all circuits' },
  ...circuits.value.map((circuit) => ({ circuit, title: `circuit ${circuit}` })),
]);
const setAssigned = (station: Station, accountId: string, part: Partial<Assigned>) =>
  assign(
    station,
    present(station).map((e) => (e.accountId === accountId ? { ...e, ...part } : e)),
  );
</script>

<template>
  <section class="panel">
    <div class="d-flex align-center ga-3">
      <h2>Stations</h2>
      <v-spacer />
      <router-link :to="`/examinations/${store.current?.id}/blueprint`">
        Blueprint and order
      </router-link>
    </div>
    <p v-if="stations.length === 0" class="soft">
      No station yet. Choose one of the bank; its checklist comes with it.
    </p>
    <div v-for="station in stations" :key="station.id" class="station">
      <div>
        <b>{{ station.position }} · {{ station.title }}</b>
        <div class="soft">
          {{ station.procedureTitle }}, {{ station.minutes }} minutes, version {{ station.version
          }}{{ station.frozenAt ? ', frozen' : '' }}
        </div>
        <div v-if="station.offered" class="offer">
          The catalogue has corrected this checklist.
          <button class="linkish" type="button" @click="takeOffered(station)">
            Take version {{ station.offered.version }}
          </button>
        </div>
        <details v-if="station.readable.length > 0">
          <summary>
            Numbers of this patient{{
              Object.keys(station.patientReadings).length > 0 ? ', read' : ''
            }}
          </summary>
          <p class="soft">
            Read them on the person who plays the patient; what is read stands above the derived
            number. Leave a field empty to keep the derived one.
          </p>
          <label v-for="r in station.readable" :key="r.item" class="reading">
            <span>{{ r.text }}</span>
            <input
              v-kept="station.patientReadings[r.item]"
              :placeholder="r.derived"
              :aria-label="`${r.text}, ${r.unit}, read on the patient of station ${station.position}`"
              inputmode="decimal"
              @change="read(station, r.item, ($event.target as HTMLInputElement).value)"
            />
            <span class="soft">{{ r.unit }}</span>
          </label>
        </details>
      </div>
      <div class="who">
        <div v-for="e in station.examiners" :key="e.accountId" class="line">
          <span>{{ e.name }}</span>
          <v-select
            :model-value="e.every"
            :items="SHARES"
            item-value="every"
            aria-labelledby=""
            :aria-label="`What ${e.name} marks`"
            @update:model-value="(every: number) => setAssigned(station, e.accountId, { every })"
          />
          <v-select
            v-if="circuits.length > 1"
            :model-value="e.circuit"
            :items="CIRCUITS"
            item-value="circuit"
            aria-labelledby=""
            :aria-label="`Where ${e.name} marks`"
            @update:model-value="
              (circuit: string | null) => setAssigned(station, e.accountId, { circuit })
            "
          />
          <button
            class="linkish"
            type="button"
            :aria-label="`Take ${e.name} off station ${station.position}`"
            @click="
              assign(
                station,
                present(station).filter((x) => x.accountId !== e.accountId),
              )
            "
          >
            take off
          </button>
        </div>
        <v-select
          v-if="free(station).length > 0"
          :model-value="null"
          :items="free(station)"
          item-title="name"
          item-value="id"
          :label="`Add an examiner to station ${station.position}`"
          @update:model-value="
            (accountId: string | null) =>
              accountId &&
              assign(station, [...present(station), { accountId, every: 1, circuit: null }])
          "
        />
      </div>
    </div>
    <form class="add" @submit.prevent="add">
      <v-autocomplete
        v-model="added"
        label="Station of the bank"
        :items="usable"
        no-filter
        no-data-text="Nothing like that in the bank."
        @update:search="ask"
      />
      <v-btn type="submit" :disabled="!added">Add station</v-btn>
      <router-link to="/bank">Make a new one in the bank</router-link>
    </form>
    <div ref="told">
      <v-alert v-if="problem" type="error" role="alert" class="mt-2">{{ problem }}</v-alert>
    </div>
  </section>
</template>

<style scoped>
.station {
  display: grid;
  gap: 6px;
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
}
.offer {
  margin-top: 4px;
  color: var(--petrol);
  font-weight: 600;
}
details {
  margin-top: 4px;
}
.reading {
  display: grid;
  grid-template-columns: 1fr 84px 34px;
  gap: 6px;
  align-items: center;
  padding: 2px 0;
}
.reading input {
  min-height: 32px;
  border: 1px solid rgba(var(--v-theme-on-surface), 0.45);
  border-radius: 2px;
  background: var(--paper);
  color: var(--ink);
  padding: 0 6px;
  font: inherit;
}
.who {
  display: grid;
  gap: 6px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.line > span {
  flex: 1 1 130px;
}
.line > .v-input {
  flex: 0 0 172px;
}
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  margin-top: 12px;
}
.add > .v-input {
  flex: 1 1 220px;
}
</style>
