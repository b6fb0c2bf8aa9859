<script setup lang="ts">
import type { Trust } from '@kritikos/contracts/trust';
import { computed } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { useReading } from '../http/useReading.ts';
import PlotFrame from '../plots/PlotFrame.vue';
import LoadState from '../shell/LoadState.vue';
import FileAndCommand from '../sources/FileAndCommand.vue';
import WideTable from '../shell/WideTable.vue';

const store = useExamination();
const id = store.current?.id ?? '';
const { data, error, reload } = useReading('GET /examinations/:examination/trust', () => ({
  params: { examination: id },
}));

/** What each part of the variance is, for somebody who never heard of variance. */
const SOURCES: Readonly<
  Record<Trust['shares'][number]['source'], { title: string; means: string; sign: string }>
> = {
  candidate: {
    title: 'The candidates',
    means: 'some are better than others: what the examination is after',
    sign: '●',
  },
  station: {
    title: 'The stations',
    means: 'some are harder than others, for everybody',
    sign: '■',
  },
  'candidate:station': {
    title: 'Candidate with station',
    means: 'somebody has a good knee and a bad shoulder, or a bad ten minutes',
    sign: '▲',
  },
  examiner: {
    title: 'The examiner, and chance',
    means: 'two examiners of the same performance would not have given the same score',
    sign: '◆',
  },
  rest: {
    title: 'Everything else',
    means:
      'good and bad stations of a candidate, examiners and chance, which cannot be told apart here',
    sign: '◆',
  },
};
const two = (x: number | null | undefined) =>
  x === null || x === undefined ? '–' : x.toFixed(2).replace('-', '−');
const doubles = computed(() => (data.value?.designs ?? []).some((d) => d.examiners === 2));
/** A row a number of stations, with one examiner each and with two. */
const rows = computed(() => {
  const designs = data.value?.designs ?? [];
  return [...new Set(designs.map((d) => d.stations))].map((stations) => ({
    stations,
    one: designs.find((d) => d.stations === stations && (d.examiners ?? 1) === 1),
    two: designs.find((d) => d.stations === stations && d.examiners === 2),
  }));
});
</script>

<template>
  <div class="page">
    <h1>How far it can be trusted</h1>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <p class="lead-sentence">{{ data.sentence }}</p>
      <p v-for="note in data.notes" :key="note" class="caution">{{ note }}</p>
      <section v-if="data.shares.length > 0" class="panel">
        <h2>Where the differences between sheets come from</h2>
        <PlotFrame
          plain
          title="Where the differences between sheets come from"
          :columns="['Part', 'Share', 'Variance']"
          :rows="data.shares.map((s) => [SOURCES[s.source].title, s.share, s.variance])"
        >
          <div
            class="bar"
            role="img"
            :aria-label="
              data.shares
                .map((s) => `${SOURCES[s.source].title} ${Math.round(100 * s.share)} per cent`)
                .join(', ')
            "
          >
            <span
              v-for="(s, i) in data.shares"
              :key="s.source"
              :class="`part part-${i}`"
              :style="{ flexGrow: Math.max(s.share, 0.004) }"
              >{{
                s.share > 0.06 ? `${SOURCES[s.source].sign} ${Math.round(100 * s.share)} %` : ''
              }}</span
            >
          </div>
        </PlotFrame>
        <table class="ledger">
          <thead>
            <tr>
              <th>Part</th>
              <th>What it is</th>
              <th class="number">Share</th>
              <th class="number">Variance</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in data.shares" :key="s.source">
              <td>{{ SOURCES[s.source].sign }} {{ SOURCES[s.source].title }}</td>
              <td class="soft">{{ SOURCES[s.source].means }}</td>
              <td class="number">{{ Math.round(100 * s.share) }} %</td>
              <td class="number">{{ s.variance.toFixed(1) }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section class="panel">
        <div class="d-flex align-center ga-1">
          <h2>The figures</h2>
          <FileAndCommand
            of="how far the examination can be trusted"
            :examination="{ id, query: { figure: 'trust' } }"
          />
        </div>
        <dl>
          <div>
            <dt>Alpha over the stations (95 %)</dt>
            <dd>
              {{ two(data.alpha.estimate) }} ({{ two(data.alpha.lower) }} to
              {{ two(data.alpha.upper) }})
            </dd>
          </div>
          <div>
            <dt>Generalizability, to rank candidates</dt>
            <dd>{{ two(data.held?.generalizability) }}</dd>
          </div>
          <div>
            <dt>Dependability Φ, to hold them against a mark</dt>
            <dd>{{ two(data.held?.dependability) }}</dd>
          </div>
          <div>
            <dt>The same at the required mean</dt>
            <dd>{{ two(data.atCut) }}</dd>
          </div>
          <div>
            <dt>Standard error of a candidate’s mean</dt>
            <dd>{{ data.held ? `${data.held.sem.toFixed(1)} points` : '–' }}</dd>
          </div>
        </dl>
        <p class="soft">
          From {{ data.sheets }} sheets of {{ data.candidates }} candidates at
          {{ data.stations }} stations.
        </p>
      </section>
      <section v-if="rows.length > 0" class="panel">
        <h2>What more would buy</h2>
        <p class="soft">
          Dependability and standard error of a mean over so many stations of this kind{{
            doubles ? ', with one examiner at each or with two' : ''
          }}.
        </p>
        <WideTable label="Dependability by number of stations and examiners">
          <table class="ledger">
            <thead>
              <tr>
                <th class="number">Stations</th>
                <th class="number">Φ, one examiner</th>
                <th class="number">Error, points</th>
                <template v-if="doubles">
                  <th class="number">Φ, two examiners</th>
                  <th class="number">Error, points</th>
                </template>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="r in rows"
                :key="r.stations"
                :class="{ here: r.stations === data.stations }"
              >
                <td class="number">
                  {{ r.stations }}{{ r.stations === data.stations ? ', as held' : '' }}
                </td>
                <td class="number">{{ two(r.one?.dependability) }}</td>
                <td class="number">{{ r.one?.sem.toFixed(1) }}</td>
                <template v-if="doubles">
                  <td class="number">{{ two(r.two?.dependability) }}</td>
                  <td class="number">{{ r.two?.sem.toFixed(1) }}</td>
                </template>
              </tr>
            </tbody>
          </table>
        </WideTable>
      </section>
    </template>
  </div>
</template>

<style scoped>
section {
  margin-top: 14px;
}
.bar {
  display: flex;
  gap: 2px;
  height: 44px;
  margin: 6px 0 10px;
}
.part {
  display: flex;
  flex-basis: 0;
  align-items: center;
  justify-content: center;
  min-width: 2px;
  overflow: hidden;
  white-space: nowrap;
  font-weight: 600;
  border: 1px solid var(--ink);
  color: var(--ink);
}
.part-0 {
  background: rgba(var(--v-theme-primary), 0.38);
}
.part-1 {
  background: repeating-linear-gradient(
    45deg,
    transparent 0 6px,
    rgba(var(--v-theme-on-surface), 0.12) 6px 8px
  );
}
.part-2 {
  background: rgba(var(--v-theme-secondary), 0.22);
}
.part-3 {
  background: repeating-linear-gradient(
    -45deg,
    transparent 0 6px,
    rgba(var(--v-theme-secondary), 0.3) 6px 8px
  );
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 26px;
  margin: 4px 0 8px;
}
dt {
  font-size: 0.85rem;
  color: var(--soft);
}
dd {
  margin: 0;
  font-weight: 600;
  font-size: 1.1rem;
}
</style>
