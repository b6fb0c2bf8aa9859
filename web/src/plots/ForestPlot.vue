<script setup lang="ts">
import { Chart, Legend, LinearScale, Tooltip } from 'chart.js';
import type { ChartData, ChartOptions } from 'chart.js';
import { PointWithErrorBar, ScatterWithErrorBarsController } from 'chartjs-chart-error-bars';
import Annotation from 'chartjs-plugin-annotation';
import { computed } from 'vue';
import { createTypedChart } from 'vue-chartjs';
import PlotFrame from './PlotFrame.vue';
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
  /** What a row is called, over the table. */
  of: string;
  /** Where a line is drawn to hold the rows against. */
  zero?: number;
  range?: readonly [number, number];
  digits?: number;
}>();
const theme = usePlotTheme();
Chart.register(PointWithErrorBar, LinearScale, Tooltip, Legend, Annotation);

const Drawing = createTypedChart('scatterWithErrorBars', ScatterWithErrorBarsController);

const said = (x: number | null | undefined) =>
  x === null || x === undefined ? '–' : x.toFixed(props.digits ?? 1).replace('-', '−');

/** Rows without an estimate keep their place and draw nothing. */
const drawn = computed(() =>
  props.rows.flatMap((row, place) => (row.estimate === null ? [] : [{ ...row, place }])),
);
function colourOf(place: number): string {
  return drawn.value[place]?.apart ? theme.value.secondary : theme.value.primary;
}

const data = computed<ChartData<'scatterWithErrorBars'>>(() => ({
  datasets: [
    {
      label: props.axis,
      data: drawn.value.map(({ estimate, lower, upper, place }) => ({
        x: estimate ?? 0,
        xMin: lower ?? estimate ?? 0,
        xMax: upper ?? estimate ?? 0,
        y: place,
        yMin: place,
        yMax: place,
      })),
    },
  ],
}));

const options = computed<ChartOptions<'scatterWithErrorBars'>>(() => ({
  responsive: true,
  maintainAspectRatio: false,
  animation: false,
  // What is set apart has another sign as well as another colour.
  elements: {
    pointWithErrorBar: {
      pointStyle: ({ dataIndex }) => (drawn.value[dataIndex]?.apart ? 'triangle' : 'circle'),
      radius: ({ dataIndex }) => (drawn.value[dataIndex]?.apart ? 6 : 5),
      hoverRadius: 7,
      backgroundColor: ({ dataIndex }) => colourOf(dataIndex),
      borderColor: ({ dataIndex }) => colourOf(dataIndex),
      errorBarColor: ({ dataIndex }) => colourOf(dataIndex),
      errorBarWhiskerColor: ({ dataIndex }) => colourOf(dataIndex),
      errorBarLineWidth: 2,
      errorBarWhiskerLineWidth: 2,
      errorBarWhiskerSize: 8,
    },
  },
  plugins: {
    legend: { display: false },
    tooltip: {
      callbacks: {
        title: ([item]) => drawn.value[item?.dataIndex ?? -1]?.label ?? '',
        label: (item) => {
          const row = drawn.value[item.dataIndex];
          const interval = `${said(row?.lower)} to ${said(row?.upper)}`;
          return `${said(row?.estimate)} (95 % ${interval})${row?.apart ? `, ${row.apart}` : ''}`;
        },
      },
    },
    annotation: {
      annotations:
        props.zero === undefined
          ? {}
          : {
              zero: {
                type: 'line',
                xMin: props.zero,
                xMax: props.zero,
                borderColor: theme.value.ink,
                borderWidth: 1,
                borderDash: [4, 3],
                drawTime: 'beforeDatasetsDraw',
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
    y: {
      type: 'linear',
      reverse: true,
      min: -0.5,
      max: props.rows.length - 0.5,
      grid: { display: false },
      afterBuildTicks: (scale) => {
        scale.ticks = props.rows.map((_, value) => ({ value }));
      },
      ticks: {
        ...theme.value.text,
        autoSkip: false,
        callback: (value) => shortened(props.rows[Number(value)]?.label ?? ''),
      },
    },
  },
}));

const LONGEST = 44;
/** The whole label stands in the tooltip and in the table. */
function shortened(label: string): string {
  return label.length <= LONGEST ? label : `${label.slice(0, LONGEST - 1).trimEnd()}…`;
}

const columns = computed(() => [props.of, props.axis, 'Lower, 95 %', 'Upper, 95 %', 'Note']);
const figures = computed(() =>
  props.rows.map(({ label, estimate, lower, upper, apart }) => [
    label,
    estimate,
    lower,
    upper,
    apart ?? '',
  ]),
);
</script>

<template>
  <PlotFrame :title="axis" :columns="columns" :rows="figures">
    <div :style="{ height: `${rows.length * 26 + 64}px` }">
      <Drawing :data="data" :options="options" role="img" :aria-label="label" />
    </div>
  </PlotFrame>
</template>
