<script setup lang="ts">
import { Chart, Legend, LinearScale, PointElement, Tooltip } from 'chart.js';
import type { ChartData, ChartOptions } from 'chart.js';
import Annotation from 'chartjs-plugin-annotation';
import { computed, ref } from 'vue';
import { Scatter } from 'vue-chartjs';
import { useRouter } from 'vue-router';
import { useReading } from '../http/useReading.ts';
import PlotFrame from '../plots/PlotFrame.vue';
import { usePlotTheme } from '../plots/usePlotTheme.ts';
import LoadState from '../shell/LoadState.vue';
import FileAndCommand from '../sources/FileAndCommand.vue';
import ModalDialog from '../shell/ModalDialog.vue';

/** Two examiners' readings of one number: difference against mean, with the limits of agreement. */
const props = defineProps<{ examination: string; station: string; item: string }>();
const emit = defineEmits<{ close: [] }>();
const router = useRouter();
const theme = usePlotTheme();
Chart.register(LinearScale, PointElement, Tooltip, Legend, Annotation);

const pair = ref(0);
const { data, error, reload } = useReading(
  'GET /stations/:station/agreement/limits',
  () => ({ params: { station: props.station }, query: { item: props.item, pair: pair.value } }),
  { keep: true },
);
const named = computed(() =>
  (data.value?.pairs ?? []).map(({ first, second, candidates }, value) => ({
    value,
    title: `${first} − ${second}, ${candidates} candidates`,
  })),
);
const points = computed(() =>
  (data.value?.points ?? []).map((point) => ({
    ...point,
    x: (point.first + point.second) / 2,
    y: point.first - point.second,
  })),
);
const plot = computed<ChartData<'scatter'>>(() => ({
  datasets: [
    {
      label: 'candidates',
      data: points.value.map(({ x, y }) => ({ x, y })),
      pointRadius: 5,
      pointBackgroundColor: theme.value.primary,
      pointBorderColor: theme.value.primary,
    },
  ],
}));

const lines = computed(() => {
  const limits = data.value?.limits;
  if (!limits) return {};
  const { bias, lowerLimit, upperLimit } = limits;
  const level = (of: typeof bias, label: string, dash: number[]) => ({
    type: 'line' as const,
    yMin: of.estimate,
    yMax: of.estimate,
    borderColor: theme.value.secondary,
    borderWidth: 2,
    borderDash: dash,
    label: {
      display: true,
      content: `${label} ${signed(of.estimate)}`,
      position: 'end' as const,
      backgroundColor: 'transparent',
      color: theme.value.ink,
      yAdjust: -9,
      padding: 2,
      font: { ...theme.value.text.font, weight: 'normal' as const },
    },
  });
  const band = (of: typeof bias) => ({
    type: 'box' as const,
    yMin: of.lower,
    yMax: of.upper,
    backgroundColor: `${theme.value.secondary}1c`,
    borderWidth: 0,
  });
  return {
    biasBand: band(bias),
    lowerBand: band(lowerLimit),
    upperBand: band(upperLimit),
    bias: level(bias, 'bias', []),
    lower: level(lowerLimit, 'lower limit', [6, 4]),
    upper: level(upperLimit, 'upper limit', [6, 4]),
  };
});

const options = computed<ChartOptions<'scatter'>>(() => ({
  responsive: true,
  maintainAspectRatio: false,
  animation: false,
  onClick: (_, [hit]) => {
    const point = points.value[hit?.index ?? -1];
    if (point) void router.push(comparison(point));
  },
  plugins: {
    legend: { display: false },
    tooltip: {
      callbacks: {
        label: ({ dataIndex }) => {
          const point = points.value[dataIndex];
          return point
            ? `Candidate ${point.candidateNumber}: ${point.first} and ${point.second} ${data.value?.unit}`
            : '';
        },
      },
    },
    annotation: { annotations: lines.value },
  },
  scales: {
    x: {
      grid: theme.value.grid,
      title: {
        display: true,
        text: `Mean of both, ${data.value?.unit ?? ''}`,
        ...theme.value.text,
      },
      ticks: theme.value.text,
    },
    y: {
      grid: theme.value.grid,
      grace: '10%',
      suggestedMin: Math.min(0, data.value?.limits?.lowerLimit.lower ?? 0),
      suggestedMax: Math.max(0, data.value?.limits?.upperLimit.upper ?? 0),
      title: {
        display: true,
        text: `First − second, ${data.value?.unit ?? ''}`,
        ...theme.value.text,
      },
      ticks: theme.value.text,
    },
  },
}));

function comparison({ firstSheet, secondSheet }: { firstSheet: string; secondSheet: string }) {
  return `/examinations/${props.examination}/agreement/${firstSheet}/${secondSheet}`;
}
function signed(x: number): string {
  return x < 0 ? `−${(-x).toFixed(1)}` : x.toFixed(1);
}
const within = (of: { estimate: number; lower: number; upper: number }) =>
  `${signed(of.estimate)} (${signed(of.lower)} to ${signed(of.upper)})`;
const rows = computed(() =>
  points.value.map((p) => [`Candidate ${p.candidateNumber}`, p.first, p.second, p.x, p.y]),
);
</script>

<template>
  <ModalDialog :model-value="true" max-width="860" @update:model-value="emit('close')">
    <v-card class="behind">
      <LoadState :error="error" :loading="!data" @retry="reload" />
      <template v-if="data">
        <h1>{{ data.text }}</h1>
        <p class="soft">{{ data.station }}. Limits of agreement (Bland and Altman 1986).</p>
        <v-select
          v-if="named.length > 1"
          v-model="pair"
          :items="named"
          label="Which two examiners"
          hide-details
        />
        <p v-else-if="named[0]" class="soft">{{ named[0].title }}</p>
        <template v-if="data.limits">
          <p>
            95 of 100 differences lie between {{ signed(data.limits.lowerLimit.estimate) }} and
            {{ signed(data.limits.upperLimit.estimate) }} {{ data.unit }}; on average the first
            reads {{ within(data.limits.bias) }} {{ data.unit }} more than the second.
            <FileAndCommand
              :of="`the limits of agreement of ${data.text}`"
              :station="{ id: station, query: { figure: 'limits', item, pair } }"
            />
            <span v-for="note in data.limits.notes" :key="note" class="soft"> {{ note }}</span>
          </p>
          <PlotFrame
            :title="`Limits of agreement, ${data.text}`"
            :columns="['Candidate', 'First', 'Second', 'Mean', 'Difference']"
            :rows="rows"
          >
            <div class="plot">
              <Scatter
                :data="plot"
                :options="options"
                role="img"
                :aria-label="`Differences against means of ${points.length} candidates with bias and limits; the numbers can be shown instead`"
              />
            </div>
          </PlotFrame>
        </template>
        <p v-else>
          {{
            points.length === 0
              ? 'No candidate was read by both.'
              : 'Fewer than three candidates were read by both, too few for limits.'
          }}
        </p>
        <ul class="readings">
          <li v-for="point in points" :key="point.firstSheet">
            <router-link :to="comparison(point)">Candidate {{ point.candidateNumber }}</router-link
            ><span class="soft">: {{ point.first }} and {{ point.second }} {{ data.unit }}</span>
          </li>
        </ul>
        <v-btn class="justify-self-end" @click="emit('close')">Close</v-btn>
      </template>
    </v-card>
  </ModalDialog>
</template>

<style scoped>
.behind {
  padding: 18px 20px;
  display: grid;
  gap: 10px;
}
.plot {
  height: 300px;
}
.readings {
  columns: 3;
  padding-left: 1.1em;
  margin: 0;
  max-height: 18vh;
  overflow-y: auto;
}
@media (max-width: 700px) {
  .readings {
    columns: 1;
  }
}
</style>
