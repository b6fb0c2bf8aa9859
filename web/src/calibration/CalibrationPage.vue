<script setup lang="ts">
import { counted } from '../shell/counted.ts';
import { computed } from 'vue';
import { useExamination } from '../examinations/examinationStore.ts';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';

const store = useExamination();
const { data, error, reload } = useReading('GET /examinations/:examination/calibration', () => ({
  params: { examination: store.current?.id ?? '' },
}));
const open = computed(() => data.value?.filter((c) => !c.confirmedAt).length ?? 0);
</script>

<template>
  <div class="page">
    <h1>Calibrate</h1>
    <p class="soft">
      Two examiners trained in different schools mark the same performance differently. So each
      reads the station’s briefing, with the accepted variants and the anchor of every grade, and
      confirms it before the day.
    </p>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <p v-if="data.length === 0" class="panel">
        No examiner is assigned to a station yet; that is done under Prepare.
      </p>
      <template v-else>
        <p role="status">
          {{
            open === 0
              ? 'Everybody has read the briefing.'
              : `${counted(open, 'briefing is', 'briefings are')} still to be read.`
          }}
        </p>
        <WideTable label="Who has read the briefing">
          <table class="ledger panel">
            <thead>
              <tr>
                <th class="number">Station</th>
                <th>Title</th>
                <th>Examiner</th>
                <th>Briefing</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="c in data" :key="c.stationId + c.examinerId">
                <td class="number">{{ c.position }}</td>
                <td>{{ c.station }}</td>
                <td>{{ c.examiner }}</td>
                <td>
                  <template v-if="c.confirmedAt">
                    ✓ read {{ c.confirmedAt.slice(0, 16).replace('T', ' ') }} UTC
                  </template>
                  <b v-else>○ not read yet</b>
                </td>
              </tr>
            </tbody>
          </table>
        </WideTable>
      </template>
    </template>
  </div>
</template>
