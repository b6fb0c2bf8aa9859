<script setup lang="ts">
import type { MethodForAll } from '@kritikos/core/standards/methodsSideBySide';
import type { StationMethod } from '@kritikos/core/standards/stationMethods';
import WideTable from '../shell/WideTable.vue';
import { METHOD_WORDS, PANEL_METHODS } from './methodWords.ts';
import { namesOf } from './namesOf.ts';

defineProps<{
  methods: readonly MethodForAll[];
  numbers: ReadonlyMap<string, number>;
  /** The method of the examination. */
  chosen: StationMethod;
}>();
const emit = defineEmits<{ choose: [method: StationMethod] }>();
</script>

<template>
  <section class="panel">
    <h2>Every station by one method</h2>
    <p class="soft">
      What the examination would come to, without cuts by hand, and whose outcome would be another
      than by the settings beside.
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
          <tr v-for="p in PANEL_METHODS" :key="p.title">
            <td>{{ p.title }}</td>
            <td colspan="4" class="soft">{{ p.lacks }}</td>
          </tr>
        </tbody>
      </table>
    </WideTable>
  </section>
</template>
