<script setup lang="ts">
import type { PlanSummary, TimetableWish } from '@kritikos/contracts/timetable';
import { sayChange } from '@kritikos/core/timetable/changes';
import type { PlanChange } from '@kritikos/core/timetable/changes';
import { useDebounceFn, useEventListener } from '@vueuse/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { ApiProblem, call, messageOf, takeFile } from '../http/api.ts';
import { useInTurn } from '../http/useInTurn.ts';
import { useReading } from '../http/useReading.ts';
import JobProgress from '../jobs/JobProgress.vue';
import { useJob } from '../jobs/useJob.ts';
import { counted } from '../shell/counted.ts';
import LoadState from '../shell/LoadState.vue';
import type { Place } from './boardGrid.ts';
import { clockOf } from './clock.ts';
import DutiesTab from './DutiesTab.vue';
import GatheringList from './GatheringList.vue';
import LinksGraph from './LinksGraph.vue';
import PlacePanel from './PlacePanel.vue';
import PlanBoard from './PlanBoard.vue';
import PlanHead from './PlanHead.vue';
import PrecisionPanel from './PrecisionPanel.vue';
import RestDialog from './RestDialog.vue';
import { usePlan } from './usePlan.ts';
import WishForm from './WishForm.vue';

const props = defineProps<{ examination: string }>();
const store = useExamination();
const params = computed(() => ({ examination: props.examination }));
const { data, error, reload, take } = useReading(
  'GET /examinations/:examination/timetable',
  () => ({
    params: params.value,
  }),
);
const { plan, faults, problem, said, busy, open, judge, change, undo } = usePlan(
  () => props.examination,
);
const { job, follow, cancel, running } = useJob();
const { inTurn } = useInTurn();

const wish = ref<TimetableWish | null>(null);
const wishProblem = ref('');
const wishErrors = ref<Record<string, string[]>>({});
const shown = ref('');
const day = ref(0);
const chosen = shallowRef<Place | null>(null);
const resting = ref(false);
const tab = ref<'board' | 'duties' | 'links' | 'gathering'>('board');

watch(
  data,
  async (now) => {
    if (!now) return;
    wish.value ??= now.wish;
    const known = now.plans.find(({ id }) => id === shown.value);
    if (!known) return show(now.plans[0]?.id ?? '');
    const { revision, state } = plan.value ?? known;
    // Another lead changed it meanwhile.
    if (!busy.value && (known.revision !== revision || known.state !== state)) await open(known.id);
  },
  { immediate: true },
);
async function show(id: string) {
  shown.value = id;
  chosen.value = null;
  await open(id === '' ? null : id);
  day.value = plan.value?.slots[0]?.day ?? 0;
}

/** The wish is kept as it is written; what cannot be is said beside it, and nothing is lost. */
async function keep() {
  if (!wish.value) return;
  wishProblem.value = '';
  wishErrors.value = {};
  try {
    const body = wish.value;
    take(
      await inTurn(() =>
        call('PUT /examinations/:examination/timetable', { params: params.value, body }),
      ),
    );
  } catch (thrown) {
    wishProblem.value = messageOf(thrown);
    if (!(thrown instanceof ApiProblem)) return;
    for (const { pointer, detail } of thrown.problem.errors ?? []) {
      const at = pointer.slice(1);
      wishErrors.value = { ...wishErrors.value, [at]: [detail] };
      wishProblem.value += ` ${at.replaceAll('/', ' ')} ${detail}.`;
    }
  }
}
const keepSoon = useDebounceFn(keep, 500);
function write(now: TimetableWish) {
  wish.value = now;
  void keepSoon();
}

async function planIt() {
  await keep();
  if (wishProblem.value) return;
  try {
    follow(await call('POST /examinations/:examination/timetable', { params: params.value }));
  } catch (thrown) {
    wishProblem.value = messageOf(thrown);
  }
}
watch(job, async (now) => {
  if (!now || now.state === 'waiting' || now.state === 'running') return;
  // Stopped by hand there may be a plan too: the best that was found until then.
  const before = data.value?.plans[0]?.id;
  await reload();
  const made = data.value?.plans[0];
  if (made && made.id !== before) await show(made.id);
});

const alter = (wanted: PlanChange) => change(wanted, sayChange(wanted));
useEventListener('keydown', (event: KeyboardEvent) => {
  const typing = (event.target as HTMLElement | null)?.closest('input, textarea');
  if ((event.ctrlKey || event.metaKey) && event.key === 'z' && !typing) {
    event.preventDefault();
    void undo();
  }
});
async function act(what: () => Promise<NonNullable<typeof data.value>>) {
  problem.value = '';
  try {
    take(await what());
    await store.open(props.examination);
    await show(
      data.value?.plans.find(({ id }) => id === shown.value)?.id ?? data.value?.plans[0]?.id ?? '',
    );
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
const at = (one: PlanSummary) => ({ ...params.value, timetable: one.id });
const publish = (one: PlanSummary) =>
  act(() =>
    call('PUT /examinations/:examination/timetables/:timetable/publication', {
      params: at(one),
      body: { revision: plan.value?.revision ?? one.revision },
    }),
  );
const drop = (one: PlanSummary) =>
  act(() => call('DELETE /examinations/:examination/timetables/:timetable', { params: at(one) }));
async function takeTable({ id, number }: PlanSummary) {
  problem.value = '';
  try {
    await takeFile(
      'POST /examinations/:examination/timetables/:timetable/copies',
      `plan-${number}.csv`,
      { ...params.value, timetable: id },
    );
    await reload();
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
async function taken(id: string) {
  await reload();
  await show(id);
}

const sessions = computed(() => {
  const clock = clockOf(data.value?.zone ?? 'UTC');
  return [...new Set((plan.value?.slots ?? []).map((slot) => slot.day))]
    .sort((a, b) => a - b)
    .map((value) => {
      const whole = plan.value?.problem.days[value];
      const title = whole
        ? `${clock.dateOf(whole.start)}, ${clock.at(whole.start)}`
        : `Session ${value + 1}`;
      return { value, title };
    });
});
const choices = computed(() =>
  (data.value?.plans ?? []).map(({ id, number, state, follows }) => ({
    value: id,
    title: `Plan ${number}, ${state}${follows ? `, from plan ${follows}` : ''}`,
  })),
);
const longest = computed(() =>
  Math.max(1, ...(store.current?.stationList ?? []).map(({ minutes }) => minutes)),
);
const published = computed(() => data.value?.plans.find(({ state }) => state === 'published'));
</script>

<template>
  <div class="page">
    <h1>Timetable</h1>
    <p class="soft">
      Who is where, when and with whom.
      <router-link :to="`/examinations/${examination}/resources`"
        >Who and what may be used</router-link
      >
      is asked for only where a plan needs it.
    </p>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data && wish">
      <div class="asked">
        <section class="panel">
          <h2>What is asked</h2>
          <WishForm
            :model-value="wish"
            :disabled="running"
            :errors="wishErrors"
            @update:model-value="write"
          />
          <v-alert v-if="wishProblem" type="error" role="alert" class="mt-3">{{
            wishProblem
          }}</v-alert>
          <div class="do">
            <v-btn color="primary" variant="flat" :disabled="running" @click="planIt">
              {{ data.plans.length === 0 ? 'Plan the day' : 'Plan anew' }}
            </v-btn>
            <span class="soft">
              {{ counted(store.current?.candidates ?? 0, 'candidate') }},
              {{ counted(store.current?.stations ?? 0, 'station') }}. A plan is a draft until you
              publish it.
            </span>
          </div>
          <JobProgress
            v-if="job"
            :job="job"
            what="Planning"
            stopped="Stopped. Where a plan was found by then, it is the draft, and says that it was stopped."
            class="mt-3"
            @cancel="cancel"
          />
        </section>
        <PrecisionPanel
          :stations="store.current?.stations ?? 0"
          :candidates="store.current?.candidates ?? 0"
          :round-minutes="wish.readingMinutes + wish.changeMinutes + longest"
          :wished="wish.pairs"
          :plan="plan"
          :disabled="running"
          @take="write({ ...wish, pairs: $event })"
        />
      </div>
      <v-alert v-if="problem" type="error" role="alert" class="mt-3">{{ problem }}</v-alert>
      <p v-if="said" role="status" class="mt-2">{{ said }}</p>
      <section v-if="data.plans.length === 0" class="panel mt-4">
        <h2>No plan yet</h2>
        <p class="soft">
          Say the sessions and press “Plan the day”: the rotation, the examiners and who is marked
          twice come out of it, with what could not be met and why.
        </p>
      </section>
      <template v-else>
        <div class="which">
          <v-select :model-value="shown" :items="choices" label="Plan" @update:model-value="show" />
          <v-btn-toggle
            v-if="sessions.length > 1"
            v-model="day"
            mandatory
            density="compact"
            color="primary"
          >
            <v-btn v-for="one in sessions" :key="one.value" :value="one.value">{{
              one.title
            }}</v-btn>
          </v-btn-toggle>
        </div>
        <template v-if="plan">
          <PlanHead
            :plan="plan"
            :faults="faults"
            :published="published?.number ?? null"
            :copies="data.copies"
            :busy="busy"
            @undo="undo"
            @publish="publish(plan)"
            @drop="drop(plan)"
            @rest="resting = true"
            @table="takeTable(plan)"
          />
          <v-tabs v-model="tab" density="compact" class="mt-3" color="primary">
            <v-tab value="board">Board</v-tab>
            <v-tab value="duties">Who does what</v-tab>
            <v-tab value="links">Who can be compared</v-tab>
            <v-tab v-if="plan.wish.quarantineMinutes !== null" value="gathering">Gathering</v-tab>
          </v-tabs>
          <div v-if="tab === 'board'" class="work" :class="{ beside: chosen }">
            <section class="panel">
              <PlanBoard
                v-model:chosen="chosen"
                :plan="plan"
                :faults="faults"
                :day="day"
                :judge="judge"
                @change="alter"
              />
            </section>
            <PlacePanel
              v-if="chosen"
              :plan="plan"
              :place="chosen"
              @change="alter"
              @close="chosen = null"
            />
          </div>
          <DutiesTab v-else-if="tab === 'duties'" :plan="plan" />
          <LinksGraph v-else-if="tab === 'links'" :slots="plan.slots" />
          <GatheringList v-else :plan="plan" />
          <RestDialog v-model="resting" :examination="examination" :plan="plan" @taken="taken" />
        </template>
      </template>
    </template>
  </div>
</template>

<style scoped>
.asked {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 16px;
  align-items: start;
}
.do {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  margin-top: 12px;
}
.which {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: center;
  margin: 18px 0 10px;
}
.which > :first-child {
  max-width: 320px;
}
.work {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
  align-items: start;
}
.work.beside {
  grid-template-columns: minmax(0, 1fr) 300px;
}
@media (max-width: 1000px) {
  .asked,
  .work.beside {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
