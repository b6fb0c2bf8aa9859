<script setup lang="ts">
import type { Severities } from '@kritikos/contracts/agreement';
import { OF_THESE_EXAMINERS } from '@kritikos/core/reliability/severity';
import { computed } from 'vue';
import ForestPlot from '../plots/ForestPlot.vue';
import { counted } from '../shell/counted.ts';
import FileAndCommand from '../sources/FileAndCommand.vue';

const props = defineProps<{ severity: Severities; examination: string }>();
const rows = computed(() =>
  props.severity.examiners.map(({ examiner, severity, lower, upper, marks }) => ({
    label: `${examiner}, ${counted(marks, 'sheet')}`,
    estimate: severity,
    lower,
    upper,
    ...(lower !== null && upper !== null && lower * upper > 0
      ? { apart: severity > 0 ? 'harsher than the average' : 'milder than the average' }
      : {}),
  })),
);
const SAID = { pass: 'passes', fail: 'fails', incomplete: 'is incomplete' } as const;
</script>

<template>
  <section class="panel">
    <div class="d-flex align-center ga-1">
      <h2>How severe each examiner is</h2>
      <FileAndCommand
        of="the severities"
        :examination="{ id: examination, query: { figure: 'severity' } }"
      />
    </div>
    <template v-if="rows.length > 0">
      <p class="soft">
        Percent points that a sheet loses by being marked by this examiner and not by the average
        one, shrunken by how little is known, with 95 % intervals. ▲ lies clear of zero. From
        {{ severity.sheets }} sheets, by the model {{ severity.model }}.
      </p>
      <ForestPlot
        :rows="rows"
        axis="Severity, percent points"
        of="Examiner"
        :zero="0"
        label="Severity of every examiner with its interval; the numbers can be shown instead"
      />
    </template>
    <p
      v-for="note in severity.notes"
      :key="note"
      :class="note === OF_THESE_EXAMINERS ? 'soft' : 'caution'"
    >
      {{ note }}
    </p>
    <template v-if="severity.touched">
      <p v-if="severity.touched.length === 0">
        Taking severity out of the scores would change nobody’s outcome under the newest decision.
      </p>
      <template v-else>
        <p>
          Taking severity out of the scores would change
          {{ counted(severity.touched.length, 'outcome') }} under the newest decision:
        </p>
        <ul>
          <li v-for="one in severity.touched" :key="one.candidateNumber">
            Candidate {{ one.candidateNumber }} {{ SAID[one.before] }} with a mean of
            {{ one.mean.toFixed(1) }} %; adjusted {{ one.adjusted.toFixed(1) }} %,
            {{ SAID[one.after] }}.
          </li>
        </ul>
      </template>
      <p class="soft">
        For information: no score is changed by it. A severity is an estimate, and the board
        decides.
      </p>
    </template>
  </section>
</template>
