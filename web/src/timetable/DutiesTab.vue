<script setup lang="ts">
import type { Plan } from '@kritikos/contracts/timetable';
import { handOversIn } from '@kritikos/core/timetable/handOvers';
import { computed } from 'vue';
import { counted } from '../shell/counted.ts';
import WideTable from '../shell/WideTable.vue';
import { clockOf, sayMinutes } from './clock.ts';

/** Who is marked twice and by whom, and who takes over from whom. */
const props = defineProps<{ plan: Plan }>();
const clock = computed(() => clockOf(props.plan.zone));
const pairs = computed(() => props.plan.slots.filter(({ second }) => second !== null));
const changes = computed(() => handOversIn(props.plan.problem, props.plan.slots));
/** How many sheets each examiner has, so that nobody carries the day alone. */
const duties = computed(() => {
  const counts = new Map<string, { first: number; second: number; minutes: number }>();
  for (const { examiner, second, start, end } of props.plan.slots) {
    for (const [who, part] of [
      [examiner, 'first'],
      [second, 'second'],
    ] as const) {
      if (who === null) continue;
      const own = counts.get(who) ?? { first: 0, second: 0, minutes: 0 };
      own[part]++;
      own.minutes += end - start;
      counts.set(who, own);
    }
  }
  return [...counts].sort(([, a], [, b]) => b.minutes - a.minutes);
});
const nameOf = (circuit: number) => props.plan.circuitNames[circuit] ?? String(circuit + 1);
</script>

<template>
  <div class="three">
    <section class="panel">
      <h2>Marked twice</h2>
      <p v-if="pairs.length === 0" class="soft">
        Nobody. Ask for some sheets above; without them nobody can say later how far examiners
        agree.
      </p>
      <WideTable v-else label="Marked twice">
        <table class="ledger">
          <thead>
            <tr>
              <th>Candidate</th>
              <th>Station</th>
              <th>At</th>
              <th>By</th>
              <th>And by</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in pairs" :key="`${one.candidate} ${one.start}`">
              <td>{{ one.candidate.replace('candidate ', '') }}</td>
              <td>{{ one.station }}</td>
              <td class="figures">{{ clock.at(one.start) }}</td>
              <td>{{ one.examiner }}</td>
              <td>{{ one.second }}</td>
            </tr>
          </tbody>
        </table>
      </WideTable>
    </section>
    <div class="stack">
      <section class="panel">
        <h2>Who takes over</h2>
        <p v-if="changes.length === 0" class="soft">
          Everybody stays at their station in a session.
        </p>
        <ul v-else>
          <li v-for="one in changes" :key="`${one.at} ${one.circuit} ${one.station}`">
            {{ clock.at(one.at) }}, {{ one.station }}, circuit {{ nameOf(one.circuit) }}:
            {{ one.to }} {{ one.isRelief ? 'stands in once for' : 'takes over from' }}
            {{ one.from }}, {{ sayMinutes(one.minutes) }} between
          </li>
        </ul>
      </section>
      <section class="panel">
        <h2>What each examiner carries</h2>
        <table class="ledger">
          <thead>
            <tr>
              <th>Examiner</th>
              <th class="number">Sheets</th>
              <th class="number">As second</th>
              <th class="number">Watching</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="[who, one] in duties" :key="who">
              <td>{{ who }}</td>
              <td class="number">{{ one.first }}</td>
              <td class="number">{{ one.second }}</td>
              <td class="number">{{ sayMinutes(one.minutes) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="plan.problem.examiners.length > duties.length" class="soft">
          {{
            counted(plan.problem.examiners.length - duties.length, 'examiner is', 'examiners are')
          }}
          not needed.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px;
  align-items: start;
}
.stack {
  display: grid;
  gap: 14px;
}
ul {
  padding-left: 18px;
}
@media (max-width: 900px) {
  .three {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
