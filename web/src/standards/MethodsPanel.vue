<script setup lang="ts">
import type { MethodForAll } from '@kritikos/core/standards/methodsSideBySide';
import type { StationMethod } from '@kritikos/core/standards/stationMethods';
import { counted } from '../shell/counted.ts';
import WideTable from '../shell/WideTable.vue';
import { METHOD_WORDS } from './methodWords.ts';
import { namesOf } from './namesOf.ts';
import type { PanelRow } from './usePanelRows.ts';

defineProps<{
  methods: readonly MethodForAll[];
  numbers: ReadonlyMap<string, number>;
  /** The method of the examination. */
  chosen: StationMethod;
  panels: readonly PanelRow[];
  /** How many stations have a cut by hand. */
  byHand: number;
  examination: string;
}>();
const emit = defineEmits<{
  choose: [method: StationMethod];
  /** Of a panel or question by its name, in percent by station. */
  takeCuts: [name: string, cuts: Readonly<Record<string, number>>];
  dropCuts: [];
}>();
</script>

<template>
  <section class="panel">
    <h2>Every station by one method</h2>
    <p class="soft">
      What the examination would come to, without cuts by hand, and whose outcome would be another
      than by the settings beside.
    </p>
    <p v-if="byHand > 0">
      {{ counted(byHand, 'station has', 'stations have') }} a cut by hand, which goes before any
      method.
      <button class="linkish" type="button" @click="emit('dropCuts')">
        Take the cuts by hand back
      </button>
    </p>
    <WideTable label="Methods for the whole examination">
      <table class="ledger">
        <thead>
          <tr>
            <th>Method</th>
            <th class="number">Required, %</th>
            <th class="number">Pass</th>
            <th class="number">Fail</th>
            <th>Would change</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in methods" :key="m.method" :class="{ here: m.method === chosen }">
            <td :title="METHOD_WORDS[m.method].does">
              <template v-if="m.method === chosen"
                >{{ METHOD_WORDS[m.method].title }}, chosen</template
              >
              <button
                v-else-if="m.required !== null"
                class="linkish"
                type="button"
                @click="emit('choose', m.method)"
              >
                {{ METHOD_WORDS[m.method].title }}
              </button>
              <template v-else>{{ METHOD_WORDS[m.method].title }}</template>
            </td>
            <td class="number">{{ m.required === null ? '–' : m.required.toFixed(1) }}</td>
            <template v-if="m.required === null">
              <td colspan="3" class="soft">a station has no cut by this method</td>
            </template>
            <template v-else>
              <td class="number">{{ m.passed }}</td>
              <td class="number">{{ m.failed }}</td>
              <td>{{ namesOf(m.changed, numbers) }}</td>
            </template>
          </tr>
          <tr v-for="row in panels" :key="row.name">
            <td>
              <button
                v-if="row.cuts"
                class="linkish"
                type="button"
                title="Set these as the cuts of the stations, by hand"
                @click="emit('takeCuts', row.name, row.cuts)"
              >
                {{ row.name }}
              </button>
              <template v-else>{{ row.name }}</template>
              <span v-if="row.cut.standardError" class="soft">
                ±&nbsp;{{ row.cut.standardError.toFixed(1) }}</span
              >
            </td>
            <td class="number">
              {{ row.cut.estimate === null ? '–' : row.cut.estimate.toFixed(1) }}
            </td>
            <template v-if="row.outcome">
              <td class="number">{{ row.outcome.passed }}</td>
              <td class="number">{{ row.outcome.failed }}</td>
              <td>{{ namesOf(row.outcome.changed, numbers) }}</td>
            </template>
            <td v-else colspan="3" class="soft">
              {{ row.cut.notes[0] ?? 'it did not judge every station' }}
            </td>
          </tr>
          <tr v-if="panels.length === 0">
            <td>Angoff, Ebel, Hofstee, Beuk</td>
            <td colspan="4" class="soft">
              need a panel’s judgement:
              <router-link :to="`/examinations/${examination}/panels`">panels</router-link>
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
  </section>
</template>
