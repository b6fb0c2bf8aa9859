<script setup lang="ts">
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import type { ChartData, ChartOptions, Plugin } from 'chart.js';
import { computed } from 'vue';
import { Chart as Drawing } from 'vue-chartjs';
import { usePlotTheme } from './usePlotTheme.ts';

/** One estimate with its interval, in a row of its own. */
export interface ForestRow {
  readonly label: string;
  readonly estimate: number | null;
  readonly lower: number | null;
  readonly upper: number | null;
  /** Set apart by another sign and colour, with a word in the tooltip. */
  readonly apart?: string;
}

const props = defineProps<{
  rows: readonly ForestRow[];
  /** What the axis counts, with its unit. */
  axis: string;
  label: string;
  /** Where a line is drawn to hold the rows against. */
  zero?: number;
  range?: readonly [number, number];
  digits?: number;
}>();
const theme = usePlotTheme();
Chart.register(
  BarController,
  BarElement,
  LineController,
  LineElement,
  PointElement,
  CategoryScale,
  LinearScale,
  Tooltip,
  Legend,
);

const said = (x: number | null | undefined) =>
  x === null || x === undefined ? '–' : x.toFixed(props.digits ?? 1).replace('-', '−');
const colourOf = (row: ForestRow) => (row.apart ? theme.value.secondary : theme.value.primary);

type Mark = number | [number, number] | null;
const data = computed<ChartData<'bar' | 'line', Mark[]>>(() => ({
  labels: props.rows.map((row) => row.label),
  datasets: [
    {
      type: 'bar',
      label: '95 % interval',
      data: props.rows.map(({ lower, upper }) =>
        lower === null || upper === null ? null : [lower, upper],
      ),
      backgroundColor: props.rows.map(colourOf),
      barThickness: 3,
    },
    {
      type: 'line',
      label: 'estimate',
      data: props.rows.map((row) => row.estimate),
      showLine: false,
      pointStyle: props.rows.map((row) => (row.apart ? 'triangle' : 'circle')),
      pointRadius: props.rows.map((row) => (row.apart ? 6 : 5)),
      pointBackgroundColor: props.rows.map(colourOf),
      pointBorderColor: props.rows.map(colourOf),
    },
  ],
}));

const options = computed<ChartOptions<'bar' | 'line'>>(() => ({
  indexAxis: 'y',
  responsive: true,
  maintainAspectRatio: false,
  animation: false,
  plugins: {
    legend: { display: false },
    tooltip: {
      callbacks: {
        label: (item) => {
          const row = props.rows[item.dataIndex];
          const interval = `${said(row?.lower)} to ${said(row?.upper)}`;
          return `${said(row?.estimate)} (95 % ${interval})${row?.apart ? `, ${row.apart}` : ''}`;
        },
      },
    },
  },
  scales: {
    x: {
      ...(props.range ? { min: props.range[0], max: props.range[1] } : {}),
      grid: theme.value.grid,
      title: { display: true, text: props.axis, ...theme.value.text },
      ticks: theme.value.text,
    },
    y: { grid: { display: false }, ticks: { ...theme.value.text, autoSkip: false } },
  },
}));

const zeroLine: Plugin<'bar' | 'line'> = {
  id: 'zero',
  beforeDatasetsDraw({ ctx, chartArea, scales }) {
    if (props.zero === undefined || !scales.x) return;
    const x = scales.x.getPixelForValue(props.zero);
    if (x < chartArea.left || x > chartArea.right) return;
    ctx.save();
    ctx.strokeStyle = theme.value.ink;
    ctx.setLineDash([4, 3]);
    ctx.beginPath();
    ctx.moveTo(x, chartArea.top);
    ctx.lineTo(x, chartArea.bottom);
    ctx.stroke();
    ctx.restore();
  },
};
</script>

<template>
  <div :style="{ height: `${rows.length * 26 + 64}px` }">
    <Drawing
      type="bar"
      :data="data"
      :options="options"
      :plugins="[zeroLine]"
      role="img"
      :aria-label="label"
    />
  </div>
</template>
