<script setup lang="ts">
import { mdiCalendarClock, mdiFileDelimitedOutline, mdiUndo } from '@mdi/js';
import type { Plan, Timetable } from '@kritikos/contracts/timetable';
import { hardWords } from '@kritikos/core/timetable/faults';
import type { Fault } from '@kritikos/core/timetable/faults';
import { computed, ref } from 'vue';
import ActDialog from '../shell/ActDialog.vue';
import { counted } from '../shell/counted.ts';
import { clockOf, sayMinutes } from './clock.ts';

/** What a plan is worth: how long, how near to the shortest, what is not met; and what to do with it. */
const props = defineProps<{
  plan: Plan;
  faults: readonly Fault[];
  /** The number of the plan that is published, if one is. */
  published: number | null;
  copies: Timetable['copies'];
  busy: boolean;
}>();
const emit = defineEmits<{ undo: []; publish: []; drop: []; rest: []; table: [] }>();

const clock = computed(() => clockOf(props.plan.zone));
const share = computed(() => (props.plan.bound > 0 ? props.plan.length / props.plan.bound : 1));
const hard = computed(() => hardWords(props.faults));
const pairs = computed(() => props.plan.slots.filter(({ second }) => second !== null).length);
const stale = computed(() => props.copies.filter((copy) => copy.stale));
/** Who has extra time, and how many go round with them and wait at the bells. */
const delays = computed(() => {
  const { slots, problem } = props.plan;
  const extra = new Map(problem.candidates.map(({ id, extraTime }) => [id, extraTime]));
  const waves = new Map<string, Set<string>>();
  for (const { day, circuit, wave, candidate } of slots) {
    const key = `${day} ${circuit} ${wave}`;
    waves.set(key, (waves.get(key) ?? new Set()).add(candidate));
  }
  return [...waves.values()].flatMap((own) => {
    const long = [...own].filter((who) => (extra.get(who) ?? 0) > 0);
    return long.length > 0 ? [{ long, others: own.size - long.length }] : [];
  });
});
const asking = ref(false);
function publish() {
  asking.value = false;
  emit('publish');
}
const unmetShown = ref(6);
</script>

<template>
  <section class="panel">
    <div class="head">
      <div>
        <h2>
          Plan {{ plan.number }} <span class="state" :class="plan.state">{{ plan.state }}</span>
        </h2>
        <p class="soft">
          by {{ plan.madeBy
          }}<template v-if="plan.replannedAt"
            >, planned again from {{ clock.at(Date.parse(plan.replannedAt) / 60_000) }} on plan
            {{ plan.follows }}</template
          ><template v-if="plan.changes.length > 0"
            >, changed by hand
            {{ plan.changes.length === 1 ? 'once' : `${plan.changes.length} times` }}:
            {{ plan.changes[0]?.words }}</template
          >
        </p>
      </div>
      <div class="acts">
        <v-btn
          size="small"
          :prepend-icon="mdiFileDelimitedOutline"
          :disabled="busy"
          @click="emit('table')"
        >
          Table
        </v-btn>
        <v-btn size="small" :prepend-icon="mdiCalendarClock" :disabled="busy" @click="emit('rest')">
          Plan the rest again
        </v-btn>
        <template v-if="plan.state === 'draft'">
          <v-btn
            size="small"
            :prepend-icon="mdiUndo"
            :disabled="busy || plan.changes.length === 0"
            @click="emit('undo')"
          >
            Undo
          </v-btn>
          <v-btn size="small" :disabled="busy" @click="emit('drop')">Drop</v-btn>
          <v-btn
            size="small"
            color="primary"
            variant="flat"
            :disabled="busy || hard.length > 0"
            @click="asking = true"
          >
            Publish
          </v-btn>
        </template>
      </div>
    </div>
    <v-alert v-if="plan.state === 'superseded'" type="warning" class="mb-2">
      {{
        published === null
          ? 'This plan does not hold any more.'
          : `Plan ${published} is the one that holds.`
      }}
      What was printed or sent from this one is stale.
    </v-alert>
    <v-alert v-else-if="plan.state === 'draft' && published !== null" type="info" class="mb-2">
      Plan {{ published }} is published and holds until you publish this one.
    </v-alert>
    <dl class="figures">
      <div>
        <dt>Length</dt>
        <dd>{{ sayMinutes(plan.length) }}</dd>
      </div>
      <div>
        <dt>No plan is shorter than</dt>
        <dd>
          {{ sayMinutes(plan.bound) }}
          <small class="soft">{{
            share <= 1.0005 ? 'reached' : `${(100 * (share - 1)).toFixed(1)} % above`
          }}</small>
        </dd>
      </div>
      <div>
        <dt>Marked twice</dt>
        <dd>
          {{ pairs }} <small class="soft">of {{ plan.wish.pairs }} asked</small>
        </dd>
      </div>
      <div v-if="plan.precision">
        <dt>A severity will be known to</dt>
        <dd>
          <template v-if="plan.precision.halfWidth !== null">
            ± {{ plan.precision.halfWidth.toFixed(1) }}
            <small class="soft"
              >percent points, simulated; at worst ± {{ plan.precision.worst?.toFixed(1) }}</small
            >
          </template>
          <template v-else>not at all</template>
        </dd>
      </div>
    </dl>
    <p v-for="{ long, others } in delays" :key="long.join()" class="soft">
      {{ long.join(', ') }} {{ long.length === 1 ? 'has' : 'have' }} extra time;
      {{
        others === 0
          ? 'nobody else waits for it'
          : `${counted(others, 'other')} in the wave ${others === 1 ? 'waits' : 'wait'} at its bells`
      }}.
    </p>
    <template v-if="hard.length > 0">
      <h3>The day cannot be run so</h3>
      <ul>
        <li v-for="words in hard.slice(0, 6)" :key="words">{{ words }}</li>
        <li v-if="hard.length > 6" class="soft">and {{ hard.length - 6 }} more</li>
      </ul>
    </template>
    <template v-if="plan.unmet.length > 0">
      <h3>What could not be met</h3>
      <ul>
        <li v-for="one in plan.unmet.slice(0, unmetShown)" :key="one.rule + one.who + one.why">
          <b>{{ one.who }}</b>: {{ one.why }}
        </li>
      </ul>
      <v-btn
        v-if="plan.unmet.length > unmetShown"
        size="small"
        variant="text"
        @click="unmetShown = 1000"
      >
        {{ plan.unmet.length - unmetShown }} more
      </v-btn>
    </template>
    <template v-if="copies.length > 0">
      <h3>What left the house</h3>
      <ul>
        <li v-for="copy in copies.slice(0, 5)" :key="copy.takenAt">
          {{ copy.what }} of plan {{ copy.number }}, by {{ copy.takenBy }}
          <b v-if="copy.stale" class="stale">stale: it does not hold any more</b>
          <span v-else class="soft">still holds</span>
        </li>
      </ul>
    </template>
    <ActDialog
      v-model="asking"
      :title="`Publish plan ${plan.number}?`"
      act="Publish"
      away="Leave it a draft"
      @act="publish"
    >
      <p>
        It is the plan from then on: candidates stand in its circuits, examiners at its stations,
        and the sheets follow from it. Sheets that somebody has begun stay.
        <template v-if="published !== null">
          Plan {{ published }} is superseded<template v-if="copies.length > stale.length"
            >, and what was printed or sent from it is stale</template
          >.</template
        >
        <template v-if="faults.length > 0">
          {{ counted(faults.length, 'thing') }} in it {{ faults.length === 1 ? 'is' : 'are' }} not
          as it should be: {{ faults[0]?.words }}.</template
        >
      </p>
    </ActDialog>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 10px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: start;
}
.state {
  font-family: var(--sans);
  font-size: 0.82rem;
  font-weight: 600;
  border: 1.5px solid currentcolor;
  border-radius: 3px;
  padding: 0 6px;
  vertical-align: 2px;
}
.state.published {
  color: var(--petrol);
}
.state.superseded,
.stale {
  color: var(--madder);
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 32px;
  margin: 8px 0;
}
dt {
  color: var(--soft);
  font-size: 0.88rem;
}
dd {
  margin: 0;
  font-size: 1.1rem;
}
dd small {
  font-size: 0.82rem;
}
ul {
  padding-left: 18px;
}
h3 {
  margin-top: 8px;
}
</style>
