<script setup lang="ts">
import type { Plan, Replanned } from '@kritikos/contracts/timetable';
import { computed, ref, watch } from 'vue';
import { call, messageOf } from '../http/api.ts';
import { clockOf } from './clock.ts';
import ModalDialog from '../shell/ModalDialog.vue';

/** The rest of a day planned again: what happened, then whom it concerns, then the new draft. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ examination: string; plan: Plan }>();
const emit = defineEmits<{ taken: [plan: string] }>();

const clock = computed(() => clockOf(props.plan.zone));
const starts = computed(() =>
  [...new Set(props.plan.slots.map(({ start }) => start))].sort((a, b) => a - b),
);
const moments = computed(() =>
  starts.value.map((start) => ({
    value: start,
    title: `${clock.value.at(start)}, ${clock.value.dateOf(start)}`,
  })),
);
const now = ref(0);
const examiners = ref<string[]>([]);
const patients = ref<string[]>([]);
const gone = ref<string[]>([]);
const late = ref<string[]>([]);
const from = ref(0);
const told = ref<Replanned | null>(null);
const problem = ref('');
const busy = ref(false);
const names = (list: readonly { id: string }[]) => list.map(({ id }) => id);

watch(
  open,
  (is) => {
    if (!is) return;
    const minute = Date.now() / 60_000;
    // On the day it is now; before it, the middle is as good as any.
    const [first = 0, last = 0] = [starts.value[0], starts.value.at(-1)];
    const middle = starts.value[Math.floor(starts.value.length / 2)] ?? 0;
    now.value =
      minute > first && minute < last
        ? (starts.value.findLast((start) => start <= minute) ?? middle)
        : middle;
    from.value = now.value;
    [examiners.value, patients.value, gone.value, late.value] = [[], [], [], []];
    told.value = null;
    problem.value = '';
  },
  { immediate: true },
);
watch([now, examiners, patients, gone, late, from], () => (told.value = null));
const nothing = computed(
  () =>
    examiners.value.length + patients.value.length + gone.value.length + late.value.length === 0,
);

async function ask(take: boolean) {
  const iso = (minute: number) => new Date(Math.round(minute * 60_000)).toISOString();
  busy.value = true;
  problem.value = '';
  try {
    told.value = await call('POST /examinations/:examination/timetables/:timetable/rest', {
      params: { examination: props.examination, timetable: props.plan.id },
      body: {
        now: iso(now.value),
        examiners: examiners.value,
        patients: patients.value,
        gone: gone.value,
        late: late.value.map((candidate) => ({
          candidate,
          from: iso(Math.max(now.value, from.value)),
        })),
        take,
      },
    });
    if (told.value.plan) {
      open.value = false;
      emit('taken', told.value.plan);
    }
  } catch (thrown) {
    problem.value = messageOf(thrown);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <ModalDialog v-model="open" max-width="680" scrollable>
    <v-card title="Plan the rest again from now">
      <v-card-text class="d-grid ga-3">
        <p class="soft">
          What has begun by then stays as it was. The rest is planned again so that as few people as
          can be are told something new. Nothing changes before you have seen whom it concerns.
        </p>
        <v-select v-model="now" :items="moments" label="What has begun stays, until" />
        <v-autocomplete
          v-model="examiners"
          :items="names(plan.problem.examiners)"
          label="Examiners who cannot go on"
          multiple
          chips
          closable-chips
          hide-selected
        />
        <v-autocomplete
          v-if="plan.problem.patients.length > 0"
          v-model="patients"
          :items="names(plan.problem.patients)"
          label="Simulated patients who cannot go on"
          multiple
          chips
          closable-chips
          hide-selected
        />
        <v-autocomplete
          v-model="gone"
          :items="names(plan.problem.candidates)"
          label="Candidates who do not come"
          multiple
          chips
          closable-chips
          hide-selected
        />
        <div class="late">
          <v-autocomplete
            v-model="late"
            :items="names(plan.problem.candidates)"
            label="Candidates who come late"
            multiple
            chips
            closable-chips
            hide-selected
          />
          <v-select
            v-if="late.length > 0"
            v-model="from"
            :items="moments"
            label="They are there from"
          />
        </div>
        <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
        <section v-if="told" aria-label="The difference" role="status">
          <h3>
            {{
              told.people.length === 0
                ? 'Nobody is told anything new'
                : `${told.people.length} are told something new, ${told.same} nothing`
            }}
          </h3>
          <ul class="people">
            <li v-for="one in told.people" :key="`${one.as} ${one.who}`">
              <b>{{ one.who }}</b>
              <span v-if="one.as !== 'candidate'" class="soft">{{ one.as }}</span>
              <div v-for="words in one.words" :key="words">{{ words }}</div>
            </li>
          </ul>
          <template v-if="told.unmet.length > 0">
            <h3>What could not be met</h3>
            <ul class="people">
              <li v-for="one in told.unmet" :key="one.who + one.why">
                <b>{{ one.who }}</b>: {{ one.why }}
              </li>
            </ul>
          </template>
        </section>
      </v-card-text>
      <v-card-actions>
        <v-btn @click="open = false">Leave it</v-btn>
        <v-btn
          v-if="!told"
          color="primary"
          variant="flat"
          :disabled="nothing"
          :loading="busy"
          @click="ask(false)"
        >
          Show the difference
        </v-btn>
        <v-btn v-else color="primary" variant="flat" :loading="busy" @click="ask(true)">
          Make it a draft
        </v-btn>
      </v-card-actions>
    </v-card>
  </ModalDialog>
</template>

<style scoped>
.late {
  display: grid;
  gap: 10px;
}
.people {
  list-style: none;
  padding: 0;
}
.people .soft {
  margin-left: 6px;
}
.people li {
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
