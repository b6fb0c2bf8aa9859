<script setup lang="ts">
import type { Panel } from '@kritikos/contracts/panels';
import { computed } from 'vue';
import { counted } from '../shell/counted.ts';
import WideTable from '../shell/WideTable.vue';
import SpreadStrip from './SpreadStrip.vue';

/** What came of the closed rounds, side by side: cuts, judges, and the items they split on. */
const props = defineProps<{ panel: Panel; examination: string }>();
const SHOWN = 8;
const rounds = computed(() => props.panel.rounds.filter(({ open }) => !open));
const last = computed(() => rounds.value.at(-1));
const names = computed(() => new Map(props.panel.seats.map(({ id, name }) => [id, name])));
const titles = computed(
  () =>
    new Map(props.panel.stations.map(({ id, position, title }) => [id, `${position} ${title}`])),
);
const number = (value: number | null | undefined, digits = 1) =>
  value === null || value === undefined ? '–' : value.toFixed(digits);
const sentence = computed(() => {
  const { cut, spread } = last.value ?? {};
  if (!cut || cut.estimate === null) return cut?.notes.join(' ') ?? '';
  const before = rounds.value.at(-2);
  const error =
    cut.standardError === null ? '' : `, with a standard error of ${cut.standardError.toFixed(1)}`;
  const moved =
    before && before.cut.estimate !== null
      ? `; round ${before.number} had come to ${before.cut.estimate.toFixed(1)} %, and the judges stand ${
          (spread ?? 0) < (before.spread ?? 0) ? 'nearer' : 'no nearer'
        } to each other`
      : '';
  return `A candidate passes with ${cut.estimate.toFixed(1)} % in the judgement of ${counted(cut.n, 'judge')}${error}${moved}.`;
});
const judges = computed(() =>
  props.panel.seats.flatMap(({ id, name }) => {
    const own = rounds.value.map((round) => round.judges.find((judge) => judge.seat === id));
    return own.some((judge) => judge && judge.cut !== null) ? [{ id, name, own }] : [];
  }),
);
const far = computed(() =>
  (last.value?.judges ?? []).filter((judge) => judge.far).map(({ seat }) => names.value.get(seat)),
);
const split = computed(() =>
  (last.value?.subjects ?? [])
    .filter((own) => own.split)
    .sort((a, b) => (b.spread ?? 0) - (a.spread ?? 0))
    .map((own) => ({ ...own, subject: props.panel.subjects.find(({ key }) => key === own.key) })),
);
</script>

<template>
  <div class="results">
    <p class="lead-sentence">{{ sentence }}</p>
    <p
      v-for="note in last?.cut.estimate === null ? [] : (last?.cut.notes ?? [])"
      :key="note"
      class="soft"
    >
      {{ note }}
    </p>
    <div class="columns">
      <WideTable :label="`Cuts of ${panel.title}`">
        <table class="ledger">
          <thead>
            <tr>
              <th>Cut, %</th>
              <th v-for="round in rounds" :key="round.number" class="number">
                Round {{ round.number }}
              </th>
              <th class="number">Standard error</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, s) in last?.stations ?? []" :key="one.station">
              <td>{{ titles.get(one.station) }}</td>
              <td v-for="round in rounds" :key="round.number" class="number">
                {{ number(round.stations[s]?.cut.estimate) }}
              </td>
              <td class="number">{{ number(one.cut.standardError) }}</td>
            </tr>
            <tr class="whole">
              <td>The examination</td>
              <td v-for="round in rounds" :key="round.number" class="number">
                {{ number(round.cut.estimate) }}
              </td>
              <td class="number">{{ number(last?.cut.standardError) }}</td>
            </tr>
          </tbody>
        </table>
      </WideTable>
      <WideTable :label="`Judges of ${panel.title}, one by one`">
        <table class="ledger">
          <thead>
            <tr>
              <th>Judge’s cut, %</th>
              <th v-for="round in rounds" :key="round.number" class="number">
                Round {{ round.number }}
              </th>
              <th
                class="number"
                title="Correlation over the items with what candidates earned before"
              >
                With the data
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="judge in judges" :key="judge.id">
              <td>
                {{ judge.name }}
                <b v-if="judge.own.at(-1)?.far" class="far">stands apart</b>
              </td>
              <td v-for="(own, r) in judge.own" :key="r" class="number">{{ number(own?.cut) }}</td>
              <td class="number">{{ number(judge.own.at(-1)?.againstData, 2) }}</td>
            </tr>
          </tbody>
        </table>
      </WideTable>
    </div>
    <p v-if="far.length > 0">
      {{ far.join(', ') }} {{ far.length === 1 ? 'stands' : 'stand' }} more than two standard
      deviations, and five points, from the others. It may be the better reading: ask why.
    </p>
    <template v-if="split.length > 0">
      <h3>What the judges split on</h3>
      <ul class="split">
        <li v-for="one in split.slice(0, SHOWN)" :key="one.key">
          <span>
            {{ one.subject ? titles.get(one.subject.station) : '' }}: {{ one.subject?.text }}
            <span v-if="one.subject?.earned != null" class="soft">
              · candidates earned {{ Math.round(100 * one.subject.earned) }} %
            </span>
          </span>
          <SpreadStrip
            :label="one.subject?.text ?? ''"
            :values="one.values"
            :earned="one.subject?.earned ?? null"
          />
        </li>
        <li v-if="split.length > SHOWN" class="soft">and {{ split.length - SHOWN }} more</li>
      </ul>
    </template>
    <p class="soft">
      It stands beside the other methods under
      <router-link :to="`/examinations/${examination}/standards`">Set the standard</router-link>.
    </p>
  </div>
</template>

<style scoped>
.results {
  margin-top: 12px;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 420px), 1fr));
  gap: 16px;
  align-items: start;
}
.whole td {
  font-weight: 600;
  border-top: 1.5px solid var(--ink);
}
.far {
  color: var(--madder);
}
.split {
  list-style: none;
  padding: 0;
}
.split li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 14px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 6px 0;
}
@media (max-width: 900px) {
  .split li {
    grid-template-columns: 1fr;
  }
}
</style>
