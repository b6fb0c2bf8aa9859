<script setup lang="ts">
import type { Plan } from '@kritikos/contracts/timetable';
import type { PlanChange } from '@kritikos/core/timetable/changes';
import { computed } from 'vue';
import type { Place } from './boardGrid.ts';
import { clockOf } from './clock.ts';

/** What is at a place of the board, and everything that can be changed there without dragging. */
const props = defineProps<{ plan: Plan; place: Place }>();
const emit = defineEmits<{ change: [PlanChange]; close: [] }>();

const clock = computed(() => clockOf(props.plan.zone));
const slot = computed(() => (props.place.kind === 'cell' ? props.place.slot : null));
const editable = computed(() => props.plan.state === 'draft');
const way = computed(() =>
  props.plan.slots
    .filter(({ candidate }) => candidate === slot.value?.candidate)
    .sort((a, b) => a.start - b.start),
);
const about = computed(() =>
  props.plan.problem.candidates.find(({ id }) => id === slot.value?.candidate),
);
const post = computed(() => {
  const { day, circuit, wave, station } = props.place;
  return { day, circuit, wave, station };
});
const here = computed(() =>
  props.plan.slots.filter(
    ({ day, circuit, wave, station }) =>
      day === post.value.day &&
      circuit === post.value.circuit &&
      wave === post.value.wave &&
      station === post.value.station,
  ),
);
const nobody = { value: null, title: 'nobody' };
const examiners = computed(() =>
  props.plan.problem.examiners.map(({ id, stations }) => ({
    value: id,
    title: id,
    props: {
      subtitle:
        stations === null || stations.includes(post.value.station) ? '' : 'not for this station',
    },
  })),
);
const patients = computed(() =>
  props.plan.problem.patients.map(({ id, stations }) => ({
    value: id,
    title: id,
    props: { subtitle: stations.includes(post.value.station) ? '' : 'must not play here' },
  })),
);
const others = computed(() =>
  props.plan.problem.candidates
    .map(({ id }) => id)
    .filter(
      (id) => id !== slot.value?.candidate && props.plan.slots.some((one) => one.candidate === id),
    ),
);
</script>

<template>
  <section class="panel" aria-label="The place that is chosen">
    <div class="head">
      <h2>{{ slot?.candidate ?? place.station }}</h2>
      <v-btn size="small" variant="text" @click="emit('close')">Close</v-btn>
    </div>
    <template v-if="place.kind === 'cell'">
      <p class="soft">{{ place.station }}, {{ clock.at(place.start) }}</p>
      <ul v-if="place.faults.length > 0" class="faults">
        <li v-for="fault in place.faults" :key="fault.words">
          <b aria-hidden="true">!</b> {{ fault.words }}
        </li>
      </ul>
      <template v-if="slot">
        <p v-if="about && about.extraTime > 0">
          {{ Math.round(100 * about.extraTime) }} % more time; the bells of this wave wait for it.
        </p>
        <p v-if="about && about.conflicts.length > 0">
          Not to be marked by {{ about.conflicts.join(', ') }}.
        </p>
        <ol class="way figures">
          <li v-for="one in way" :key="one.start" :class="{ now: one.start === place.start }">
            {{ clock.at(one.start) }} {{ one.station ?? 'rest' }}
          </li>
        </ol>
        <div v-if="editable" class="fields">
          <v-autocomplete
            :model-value="null"
            :items="others"
            label="Change places with"
            @update:model-value="
              $event && emit('change', { kind: 'exchange', one: slot.candidate, other: $event })
            "
          />
          <v-autocomplete
            :model-value="slot.second"
            :items="[nobody, ...examiners]"
            label="Second examiner here"
            @update:model-value="
              emit('change', {
                kind: 'second',
                candidate: slot.candidate,
                station: place.station,
                second: $event,
              })
            "
          />
        </div>
      </template>
      <p v-else class="soft">
        Nobody is here then. A candidate who is dragged here goes round from here.
      </p>
    </template>
    <div v-if="editable" class="fields">
      <v-autocomplete
        :model-value="here[0]?.examiner ?? null"
        :items="[nobody, ...examiners]"
        label="Examiner here in this wave"
        @update:model-value="emit('change', { kind: 'examiner', post, examiner: $event })"
      />
      <v-autocomplete
        v-if="plan.problem.patients.length > 0"
        :model-value="here[0]?.patient ?? null"
        :items="[nobody, ...patients]"
        label="Simulated patient in this wave"
        @update:model-value="emit('change', { kind: 'patient', post, patient: $event })"
      />
    </div>
    <dl v-else-if="here[0]">
      <dt>Examiner</dt>
      <dd>{{ slot?.examiner ?? here[0].examiner ?? 'nobody' }}</dd>
      <template v-if="slot?.second">
        <dt>Second</dt>
        <dd>{{ slot.second }}</dd>
      </template>
      <template v-if="here[0].patient">
        <dt>Patient</dt>
        <dd>{{ slot?.patient ?? here[0].patient }}</dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: start;
}
.way {
  list-style: none;
  margin: 6px 0 10px;
  padding: 0;
  font-size: 0.92rem;
}
.way .now {
  font-weight: 650;
}
.fields {
  display: grid;
  gap: 10px;
  margin-top: 8px;
}
.faults {
  list-style: none;
  padding: 0;
}
.faults b {
  color: var(--madder);
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 12px;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
}
</style>
