<script setup lang="ts">
import type { StationRecord, StationStandard } from '@kritikos/core/standards/setStandard';
import { FIVE_POINT_SCALE } from '@kritikos/core/scoring/globalRating';
import { Chart, Legend, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';
import type { ChartData, ChartOptions, Plugin } from 'chart.js';
import { computed, ref, watch } from 'vue';
import { Scatter } from 'vue-chartjs';
import { useTheme } from 'vuetify';
import PlotFrame from '../plots/PlotFrame.vue';
import { jitter } from './jitter.ts';

const props = defineProps<{
  records: readonly StationRecord[];
  numbers: ReadonlyMap<string, number>;
  result: StationStandard;
  interval: { lower: number | null; upper: number | null } | undefined;
  borderline: number;
  label: string;
}>();

const theme = useTheme();
const colours = computed(() => {
  const { primary, secondary, 'on-surface': ink } = theme.current.value.colors;
  return { primary: String(primary), secondary: String(secondary), ink: String(ink) };
});
const points = computed(() =>
  props.records.flatMap((r) =>
    r.percent === null || r.grade === null
      ? []
      : [{ x: r.grade + jitter(r.candidate), y: r.percent, candidate: r.candidate }],
  ),
);

const rows = computed(() =>
  props.records.flatMap(({ candidate, grade, percent }) =>
    percent === null || grade === null
      ? []
      : [[`Candidate ${props.numbers.get(candidate) ?? ''}`, grade, percent]],
  ),
);

/** Where the cut stands: a level line in its 95 % band (t interval of the line), and the borderline point that it was read at. */
const cutLines: Plugin<'scatter'> = {
  id: 'cut',
  afterDatasetsDraw(chart) {
    const { ctx, chartArea, scales } = chart;
    const { cut } = props.result;
    if (cut === null || !scales.x || !scales.y) return;
    const y = scales.y.getPixelForValue(cut);
    const x = scales.x.getPixelForValue(props.borderline);
    const { lower, upper } = props.interval ?? { lower: null, upper: null };
    ctx.save();
    if (lower !== null && upper !== null && !props.result.byHand) {
      const top = scales.y.getPixelForValue(Math.min(100, upper));
      const bottom = scales.y.getPixelForValue(Math.max(0, lower));
      ctx.fillStyle = `${colours.value.secondary}22`;
      ctx.fillRect(chartArea.left, top, chartArea.width, bottom - top);
    }
    ctx.strokeStyle = colours.value.secondary;
    ctx.lineWidth = 2;
    ctx.beginPath();
    ctx.moveTo(chartArea.left, y);
    ctx.lineTo(chartArea.right, y);
    ctx.stroke();
    ctx.setLineDash([3, 3]);
    ctx.lineWidth = 1;
    ctx.beginPath();
    ctx.moveTo(x, chartArea.bottom);
    ctx.lineTo(x, y);
    ctx.stroke();
    ctx.fillStyle = colours.value.secondary;
    ctx.font = `600 12px "Source Sans 3 Variable"`;
    ctx.fillText(`cut ${cut.toFixed(1)}`, chartArea.left + 4, y - 4);
    ctx.restore();
  },
};

Chart.register(LinearScale, LineElement, PointElement, Tooltip, Legend);

// The lines are drawn by a plugin, so a new interval must ask for a new drawing.
const chart = ref<{ chart: Chart | null } | null>(null);
watch(
  () => [props.interval, props.result.cut, props.borderline],
  () => chart.value?.chart?.draw(),
  { flush: 'post' },
);

const data = computed<ChartData<'scatter'>>(() => {
  const { line } = props.result.regression;
  const at = (x: number) => ({ x, y: (line?.intercept ?? 0) + (line?.slope ?? 0) * x });
  return {
    datasets: [
      {
        label: 'candidate',
        data: points.value,
        pointRadius: 4,
        clip: false,
        pointBackgroundColor: `${colours.value.primary}88`,
        pointBorderColor: colours.value.primary,
      },
      {
        label: 'regression',
        data: line ? [at(0.8), at(5.2)] : [],
        showLine: true,
        pointRadius: 0,
        borderWidth: 2,
        borderColor: colours.value.ink,
      },
    ],
  };
});

const options = computed<ChartOptions<'scatter'>>(() => {
  const ink = colours.value.ink;
  const text = { color: ink, font: { family: '"Source Sans 3 Variable", sans-serif', size: 12 } };
  const grid = { color: `${ink}1c` };
  return {
    responsive: true,
    maintainAspectRatio: false,
    animation: false,
    plugins: {
      legend: { display: false },
      tooltip: {
        filter: (item) => item.datasetIndex === 0,
        callbacks: {
          label: (item) => {
            const record = points.value[item.dataIndex];
            const number = record ? props.numbers.get(record.candidate) : undefined;
            return `Candidate ${number}: ${item.parsed.y?.toFixed(1)} %`;
          },
        },
      },
    },
    scales: {
      x: {
        min: 0.6,
        max: 5.4,
        grid,
        title: { display: true, text: 'Overall grade', ...text },
        afterBuildTicks: (axis) => {
          axis.ticks = FIVE_POINT_SCALE.map(({ grade }) => ({ value: grade }));
        },
        ticks: {
          ...text,
          callback: (value) =>
            FIVE_POINT_SCALE.find((g) => g.grade === Number(value))?.label.split(' ') ?? '',
        },
      },
      y: {
        min: 0,
        max: 100,
        grid,
        title: { display: true, text: 'Checklist score, %', ...text },
        ticks: text,
      },
    },
  };
});
</script>

<template>
  <PlotFrame
    :title="label"
    :columns="['Candidate', 'Overall grade', 'Checklist score, %']"
    :rows="rows"
  >
    <div class="plot">
      <Scatter
        ref="chart"
        :data="data"
        :options="options"
        :plugins="[cutLines]"
        role="img"
        :aria-label="label"
      />
    </div>
  </PlotFrame>
</template>

<style scoped>
.plot {
  height: 250px;
}
</style>
