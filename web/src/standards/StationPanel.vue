<script setup lang="ts">
import type { BootstrapCut } from '@kritikos/core/standards/bootstrapCut';
import type { StationStandard } from '@kritikos/core/standards/setStandard';
import { computed, ref } from 'vue';
import { STATION_METHODS } from '@kritikos/core/standards/stationMethods';
import type { StationMethod } from '@kritikos/core/standards/stationMethods';
import type { MethodAtStation } from '@kritikos/core/standards/methodsSideBySide';
import ForestPlot from '../plots/ForestPlot.vue';
import FileAndCommand from '../sources/FileAndCommand.vue';
import { useTyped } from '../shell/useTyped.ts';
import WideTable from '../shell/WideTable.vue';
import { METHOD_WORDS } from './methodWords.ts';
import { namesOf } from './namesOf.ts';
import StationScatter from './StationScatter.vue';
import type { StationOfPage } from './stationOfPage.ts';

const props = defineProps<{
  station: StationOfPage;
  numbers: ReadonlyMap<string, number>;
  result: StationStandard | undefined;
  bootstrap: BootstrapCut | undefined;
  borderline: number;
  methods: readonly MethodAtStation[];
  /** The method of this station alone; `null` where it goes by that of the examination. */
  chosen: StationMethod | null;
}>();
const emit = defineEmits<{
  handCut: [cut: number | null];
  method: [method: StationMethod | null];
}>();

const OWN = [
  { value: null, title: 'as the examination' },
  ...STATION_METHODS.map((value) => ({ value, title: METHOD_WORDS[value].title })),
];
const compared = ref(false);
const rows = computed(() =>
  props.methods
    .filter(({ cut }) => cut.estimate !== null)
    .map(({ method, cut: { estimate, lower, upper } }) => ({
      label: METHOD_WORDS[method].title,
      estimate,
      lower,
      upper,
      ...(method === props.result?.method ? { apart: 'chosen' } : {}),
    })),
);
const inWords = ({ estimate, lower, upper }: MethodAtStation['cut']) =>
  lower === null || upper === null
    ? one(estimate)
    : `${one(estimate)} (${one(lower)} to ${one(upper)})`;

const { typed, write, left } = useTyped(() =>
  props.result?.byHand ? String(props.result.cut) : '',
);
function take() {
  const value = Number(typed.value.replace(',', '.'));
  const fits = typed.value.trim() !== '' && Number.isFinite(value) && value >= 0 && value <= 100;
  emit('handCut', fits ? value : null);
}
const one = (x: number | null | undefined) => (x === null || x === undefined ? '–' : x.toFixed(1));
const label = computed(
  () =>
    `Station ${props.station.position}: checklist scores against overall grades, cut ${one(props.result?.cut)}`,
);
</script>

<template>
  <section class="panel" :class="{ wide: compared }" :data-station="station.position">
    <h2>{{ station.position }} · {{ station.title }}</h2>
    <template v-if="result">
      <StationScatter
        :records="station.records"
        :numbers="numbers"
        :result="result"
        :interval="result.byMethod"
        :borderline="borderline"
        :label="label"
      />
      <dl class="figures">
        <div>
          <dt>Cut</dt>
          <dd>
            {{ one(result.cut) }} %{{ result.byHand ? ' by hand' : '' }}
            <FileAndCommand
              v-if="!result.byHand"
              :of="`the cut of station ${station.position}`"
              :station="{
                id: station.station,
                query: { figure: 'cut', method: result.method },
              }"
            />
          </dd>
        </div>
        <div>
          <dt>R²</dt>
          <dd>{{ result.regression.line?.rSquared?.toFixed(2) ?? '–' }}</dd>
        </div>
        <div>
          <dt>SE</dt>
          <dd>{{ one(result.byMethod.standardError) }}</dd>
        </div>
        <div v-if="result.method === 'borderline-regression'">
          <dt>SE, bootstrap</dt>
          <dd>{{ one(bootstrap?.standardError) }}</dd>
        </div>
        <div>
          <dt>Pass</dt>
          <dd>
            {{ result.passed }} of {{ result.scored
            }}{{ result.undecided ? `, ${result.undecided} undecided` : '' }}
          </dd>
        </div>
        <div>
          <dt><label :for="`hand-${station.station}`">By hand</label></dt>
          <dd>
            <input
              :id="`hand-${station.station}`"
              :value="typed"
              inputmode="decimal"
              size="4"
              placeholder="–"
              @input="write(($event.target as HTMLInputElement).value)"
              @change="take"
              @blur="left"
            />
          </dd>
        </div>
      </dl>
      <v-select
        :model-value="chosen"
        :items="OWN"
        :label="`Method of station ${station.position}`"
        class="mt-2"
        @update:model-value="emit('method', $event)"
      />
      <ul v-if="result.byMethod.notes.length > 0" class="caution">
        <li v-for="note in result.byMethod.notes" :key="note">{{ note }}</li>
      </ul>
      <details @toggle="compared = ($event.target as HTMLDetailsElement).open">
        <summary>Every method at this station</summary>
        <template v-if="compared">
          <ForestPlot
            of="Method"
            :rows="rows"
            axis="Cut, %"
            :range="[0, 100]"
            :label="`Cuts of station ${station.position} by every method; the numbers stand in the table below`"
          />
          <WideTable :label="`Methods at station ${station.position}`">
            <table class="ledger">
              <thead>
                <tr>
                  <th>Method</th>
                  <th class="number">Cut (95 %)</th>
                  <th class="number">Reach it</th>
                  <th>Fall below</th>
                  <th>Come above</th>
                </tr>
              </thead>
              <tbody>
                <tr
                  v-for="m in methods"
                  :key="m.method"
                  :class="{ here: m.method === result.method }"
                >
                  <td>
                    {{ METHOD_WORDS[m.method].title }}
                    <div class="soft">{{ METHOD_WORDS[m.method].does }}</div>
                  </td>
                  <td v-if="m.cut.estimate === null" colspan="4" class="soft">
                    {{ m.cut.notes[0] }}
                  </td>
                  <template v-else>
                    <td class="number">
                      {{ inWords(m.cut) }}
                      <FileAndCommand
                        :of="`the cut of station ${station.position}: ${METHOD_WORDS[m.method].title}`"
                        :station="{
                          id: station.station,
                          query: { figure: 'cut', method: m.method },
                        }"
                      />
                    </td>
                    <td class="number">{{ m.passed }} of {{ m.scored }}</td>
                    <td>{{ namesOf(m.lost, numbers) }}</td>
                    <td>{{ namesOf(m.gained, numbers) }}</td>
                  </template>
                </tr>
              </tbody>
            </table>
          </WideTable>
        </template>
      </details>
    </template>
  </section>
</template>

<style scoped>
.panel {
  padding: 10px 12px;
}
/* The table of all methods needs the room of two. */
.panel.wide {
  grid-column: 1 / -1;
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  margin: 6px 0 0;
}
dt {
  font-size: 0.78rem;
  color: var(--soft);
}
dd {
  margin: 0;
  font-weight: 600;
}
input {
  width: 52px;
  min-height: 26px;
  border: 1px solid rgba(var(--v-theme-on-surface), 0.45);
  border-radius: 2px;
  background: var(--paper);
  color: var(--ink);
  padding: 0 4px;
  font: inherit;
}
details {
  margin-top: 8px;
}
ul.caution {
  margin: 6px 0 0;
  padding-left: 1.6em;
  font-size: 0.85rem;
}
</style>
