<script setup lang="ts">
import type { Plan } from '@kritikos/contracts/timetable';
import { quarantineOf } from '@kritikos/core/timetable/quarantine';
import { computed } from 'vue';
import { clockOf, sayMinutes } from './clock.ts';

/** When the candidates of each session come together and may go, so that nobody hears of the stations before. */
const props = defineProps<{ plan: Plan }>();
const clock = computed(() => clockOf(props.plan.zone));
const dateOf = (day: number) => clock.value.dateOf(props.plan.problem.days[day]?.start ?? 0);
const gatherings = computed(() =>
  quarantineOf(
    props.plan.problem,
    props.plan.slots,
    props.plan.wish.quarantineMinutes ?? 0,
    dateOf,
  ),
);
const dates = computed(() => new Set(gatherings.value.map(({ day }) => dateOf(day))));
</script>

<template>
  <section class="panel">
    <h2>Gathering</h2>
    <p class="soft">
      Sessions of a date have the same stations: everybody of a session is there before anybody of
      the one ahead may leave.
      <template v-if="dates.size > 1">
        Between dates nothing can be kept secret; use other stations on another date.
      </template>
    </p>
    <table class="ledger">
      <thead>
        <tr>
          <th>Session</th>
          <th class="number">Candidates</th>
          <th>All there by</th>
          <th>Nobody leaves before</th>
          <th class="number">Longest wait</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in gatherings" :key="one.day">
          <td>{{ dateOf(one.day) }}, session {{ one.day + 1 }}</td>
          <td class="number">{{ one.candidates }}</td>
          <td class="figures">{{ clock.at(one.reportBy) }}</td>
          <td class="figures">
            {{ one.heldUntil === null ? 'free to go' : clock.at(one.heldUntil) }}
          </td>
          <td class="number">
            {{ sayMinutes(Math.max(one.longestBefore, one.longestAfter)) }}
            {{ one.longestAfter > one.longestBefore ? 'after' : 'before' }}
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
