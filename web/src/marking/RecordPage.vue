<script setup lang="ts">
import type { SheetRecord } from '@kritikos/contracts/marking';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import { ref } from 'vue';
import { call, messageOf } from '../http/api.ts';
import ActDialog from '../shell/ActDialog.vue';
import { describeEvent } from './describeEvent.ts';
import SheetReading from './SheetReading.vue';
import WideTable from '../shell/WideTable.vue';

const props = defineProps<{ sheet: string }>();
const { data, error, reload } = useReading('GET /sheets/:sheet/record', () => ({
  params: { sheet: props.sheet },
}));

const reopening = ref(false);
const reason = ref('');
const problem = ref('');
async function reopen() {
  try {
    await call('POST /sheets/:sheet/reopening', {
      params: { sheet: props.sheet },
      body: { reason: reason.value },
    });
    reopening.value = false;
    reason.value = problem.value = '';
    await reload();
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}

type Tap = SheetRecord['events'][number];
const LATE = {
  'after-submission': 'Late: the sheet was submitted.',
  'other-version': 'Late: marked on another version of the checklist.',
};

/** What is out of the ordinary about a tap: long under way, or from a clock that was wrong. */
function howItCame({ happenedAt, receivedAt, clockAhead }: Tap): string {
  const underWay = Math.round((Date.parse(receivedAt) - Date.parse(happenedAt)) / 1000);
  const off = Math.round(Math.abs(clockAhead) / 1000);
  return [
    underWay >= 60 ? `arrived at ${receivedAt.slice(11, 19)}` : '',
    off >= 2
      ? `clock of the device ${off} s ${clockAhead > 0 ? 'ahead' : 'behind'}, corrected`
      : '',
  ]
    .filter(Boolean)
    .join('; ');
}
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
      <p v-for="r in data.reopenings" :key="r.at" class="caution">
        {{ r.by }} reopened it on {{ r.at.slice(0, 10) }} at {{ r.at.slice(11, 16) }} UTC, with
        {{ r.percent === null ? 'no score' : `${r.percent.toFixed(1)} %` }}: {{ r.reason }}
      </p>
      <v-btn v-if="data.reopenable" size="small" @click="reopening = true">Reopen the sheet</v-btn>
      <ActDialog
        v-model="reopening"
        title="Reopen a submitted sheet"
        act="Reopen"
        :width="520"
        :problem="problem"
        :disabled="reason.trim().length < 10"
        @act="reopen"
      >
        <p>
          {{ data.sheet.examiner }} can correct it and has to submit it again; until then it counts
          nowhere. What was tapped stays in the record, and what it scored stays with your reason.
        </p>
        <v-textarea v-model="reason" label="Reason, for the examiner and the record" rows="3" />
      </ActDialog>
      <div class="columns">
        <SheetReading :sheet="data.sheet" :differing="[]" />
        <section class="panel">
          <h2>Everything that was tapped</h2>
          <p class="soft">By the clock of the server, in the order that counts.</p>
          <WideTable label="Everything that was tapped">
            <table class="ledger">
              <thead>
                <tr>
                  <th class="number">Time (UTC)</th>
                  <th>What</th>
                  <th>How it came</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="event in data.events" :key="event.id" :class="{ late: event.late }">
                  <td class="number">{{ event.happenedAt.slice(11, 19) }}</td>
                  <td>{{ describeEvent(event.body, data.sheet.checklist.content) }}</td>
                  <td class="soft">
                    <b v-if="event.late">{{ LATE[event.late] }}</b>
                    {{ howItCame(event) }}
                  </td>
                </tr>
              </tbody>
            </table>
          </WideTable>
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.late td {
  border-left: 3px double var(--madder);
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px;
  margin-top: 10px;
  align-items: start;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
