<script setup lang="ts">
import type { SheetRecord } from '@kritikos/contracts/marking';
import { call } from '../http/api.ts';
import { useLoaded } from '../http/useLoaded.ts';
import LoadState from '../shell/LoadState.vue';
import { describeEvent } from './describeEvent.ts';
import SheetReading from './SheetReading.vue';

const props = defineProps<{ sheet: string }>();
const { data, error, reload } = useLoaded(() =>
  call<SheetRecord>('GET', `/sheets/${props.sheet}/record`),
);
</script>

<template>
  <div class="page">
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <h1>Candidate {{ data.sheet.candidateNumber }}, station {{ data.sheet.position }}</h1>
      <p class="soft">
        {{ data.sheet.station }} · {{ data.sheet.examiner }} · checklist version
        {{ data.sheet.checklist.version }} ·
        {{ data.percent === null ? 'no score' : `${data.percent.toFixed(1)} %` }}
      </p>
      <div class="columns">
        <SheetReading :sheet="data.sheet" :differing="[]" />
        <section class="panel">
          <h2>Everything that was tapped</h2>
          <table class="ledger">
            <thead>
              <tr>
                <th>At the device (UTC)</th>
                <th>What</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="event in data.events" :key="event.id">
                <td class="figures">{{ event.at.slice(11, 19) }}</td>
                <td>{{ describeEvent(event.body, data.sheet.checklist.content) }}</td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  margin-top: 10px;
  align-items: start;
}
</style>
