<script setup lang="ts">
import {
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import type { ChartData, ChartOptions } from 'chart.js';
import { computed } from 'vue';
import { Line } from 'vue-chartjs';
import PlotFrame from '../plots/PlotFrame.vue';
import { usePlotTheme } from '../plots/usePlotTheme.ts';
import { BIN, sharesByBin } from './sharesByBin.ts';

const props = defineProps<{
  cohorts: readonly { name: string; scores: readonly number[] }[];
  label: string;
}>();
const theme = usePlotTheme();
Chart.register(LineController, LineElement, PointElement, LinearScale, Tooltip, Legend);

// Cohorts are told apart by line and sign, not by colour alone.
const DASHES = [[], [7, 4], [2, 3], [10, 3, 2, 3], [5, 2], [1, 4]];
const SIGNS = ['circle', 'triangle', 'rect', 'rectRot', 'cross', 'star'];

const data = computed<ChartData<'line', { x: number; y: number }[]>>(() => ({
  datasets: props.cohorts.map(({ name, scores }, i) => {
    const colour = i === 0 ? theme.value.primary : theme.value.secondary;
    return {
      label: name,
      data: sharesByBin(scores).map(({ from, share }) => ({ x: from + BIN / 2, y: 100 * share })),
      borderColor: colour,
      pointBackgroundColor: colour,
      pointStyle: SIGNS[i % SIGNS.length] ?? 'circle',
      pointRadius: 4,
      borderDash: DASHES[i % DASHES.length] ?? [],
      borderWidth: 2,
      // The outline of bars: between two classes nothing was counted that a curve could say.
      stepped: 'middle',
    };
  }),
}));

const rows = computed(() => {
  const shares = props.cohorts.map(({ scores }) => sharesByBin(scores));
  return sharesByBin([]).map(({ from }, bin) => [
    from,
    ...shares.map((own) => own[bin]?.share ?? 0),
  ]);
});

const options = computed<ChartOptions<'line'>>(() => ({
  responsive: true,
  maintainAspectRatio: false,
  animation: false,
  plugins: {
    legend: {
      labels: { ...theme.value.text, usePointStyle: true },
    },
    tooltip: {
      callbacks: {
        title: ([item]) => {
          const from = (item?.parsed.x ?? 0) - BIN / 2;
          return `${from} to under ${from + BIN} %`;
        },
        label: (item) => `${item.dataset.label}: ${item.parsed.y?.toFixed(0)} % of candidates`,
      },
    },
  },
  scales: {
    x: {
      type: 'linear',
      min: 0,
      max: 100,
      grid: theme.value.grid,
      title: { display: true, text: 'Mean over the stations, %', ...theme.value.text },
      ticks: { ...theme.value.text, stepSize: 10 },
    },
    y: {
      min: 0,
      grid: theme.value.grid,
      title: { display: true, text: 'Candidates, %', ...theme.value.text },
      ticks: theme.value.text,
    },
  },
}));
</script>

<template>
  <PlotFrame
    title="Mean over the stations, by cohort"
    :columns="['From, %', ...cohorts.map(({ name }) => `${name}, share`)]"
    :rows="rows"
  >
    <div class="plot">
      <Line :data="data" :options="options" role="img" :aria-label="label" />
    </div>
  </PlotFrame>
</template>

<style scoped>
.plot {
  height: 280px;
}
</style>
