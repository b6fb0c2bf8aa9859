<script setup lang="ts">
import type { DraftItem } from '@kritikos/core/checklists/draftChecklist';
import { EYES_ON_SHEET, secondsToMark } from '@kritikos/core/checklists/timeToMark';
import type { TimeNeeded } from '@kritikos/core/checklists/timeToMark';
import { computed } from 'vue';
import ModalDialog from '../shell/ModalDialog.vue';

const open = defineModel<boolean>({ required: true });
const props = defineProps<{ time: TimeNeeded | null; items: readonly DraftItem[] }>();
const slowest = computed(() =>
  [...props.items]
    .map(({ key, text }, i) => ({ key, text, seconds: secondsToMark(props.items[i] as DraftItem) }))
    .sort((a, b) => b.seconds - a.seconds)
    .slice(0, 5),
);
</script>

<template>
  <ModalDialog v-model="open" max-width="560" scrollable>
    <v-card title="How long marking takes">
      <v-card-text>
        <p>
          Three quarters of a station the examiner’s eyes belong on the candidate;
          {{ 100 * EYES_ON_SHEET }} % are for the sheet. That share is common practice, no source.
        </p>
        <p>
          For each item: its words are read at 238 words a minute (silent reading, Brysbaert 2019),
          the mind is made up in 1.35 s, and each tap takes 1.1 s to reach its place and 0.2 s to
          press (keystroke-level model, Card, Moran and Newell 1980; all from memory). A number is
          three taps, a hold two, a count its taps, a pair those of both halves. The overall grade
          and the comment come after the station and are not counted.
        </p>
        <p v-if="time">
          These items take about {{ Math.round(time.seconds) }} s; the minutes give
          {{ Math.round(time.given) }} s. They would fit {{ time.minutes }} minutes.
        </p>
        <table class="ledger">
          <thead>
            <tr>
              <th>Those that take longest</th>
              <th class="number">Seconds</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="item in slowest" :key="item.key">
              <td>{{ item.text || 'no words yet' }}</td>
              <td class="number">{{ item.seconds.toFixed(1) }}</td>
            </tr>
          </tbody>
        </table>
      </v-card-text>
      <v-card-actions>
        <v-btn @click="open = false">Close</v-btn>
      </v-card-actions>
    </v-card>
  </ModalDialog>
</template>
