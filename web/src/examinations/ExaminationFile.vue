<script setup lang="ts">
import { mdiFileUploadOutline } from '@mdi/js';
import { openExamination } from '@kritikos/contracts/openExamination';
import type { ExaminationRead } from '@kritikos/contracts/openExamination';
import { readFile, RefusedFile } from '@kritikos/contracts/openFile';
import { ref, shallowRef, useTemplateRef } from 'vue';
import { ApiProblem, call, messageOf } from '../http/api.ts';
import ModalDialog from '../shell/ModalDialog.vue';

/** An examination from a file that another installation wrote: read here first, then taken whole. */
const emit = defineEmits<{ made: [] }>();
const SHOWN = 8;
const input = useTemplateRef('input');
const open = ref(false);
const busy = ref(false);
const problems = ref<readonly string[]>([]);
const made = shallowRef<ExaminationRead | null>(null);

async function take() {
  const file = input.value?.files?.[0];
  if (!file) return;
  problems.value = [];
  made.value = null;
  busy.value = true;
  open.value = true;
  try {
    const body = readFile(openExamination, await file.text());
    made.value = await call('POST /examinations/files', { body });
    emit('made');
  } catch (thrown) {
    problems.value = whyNot(thrown);
  } finally {
    busy.value = false;
    if (input.value) input.value.value = '';
  }
}

function whyNot(thrown: unknown): string[] {
  if (thrown instanceof RefusedFile)
    return thrown.problems.map(({ path, reason }) => `${path}: ${reason}`);
  const errors = thrown instanceof ApiProblem ? (thrown.problem.errors ?? []) : [];
  return [messageOf(thrown), ...errors.map(({ pointer, detail }) => `${pointer}: ${detail}`)];
}
</script>

<template>
  <v-btn :prepend-icon="mdiFileUploadOutline" @click="input?.click()">From a file</v-btn>
  <input
    ref="input"
    type="file"
    accept="application/json,.json"
    class="d-none"
    aria-label="File of an examination"
    @change="take"
  />
  <ModalDialog v-model="open" max-width="620" :persistent="busy">
    <v-card
      :title="
        made ? 'The examination is here' : busy ? 'Reading the file' : 'The file was not taken'
      "
    >
      <v-card-text>
        <v-progress-linear
          v-if="busy"
          indeterminate
          color="primary"
          aria-label="Reading the file"
        />
        <template v-else-if="made">
          <p v-if="made.told.length === 0">Everything in the file came with it.</p>
          <ul v-else>
            <li v-for="words in made.told" :key="words">{{ words }}</li>
          </ul>
        </template>
        <template v-else>
          <p>Nothing was changed. Mend this, and choose the file again:</p>
          <ul class="wrong">
            <li v-for="words in problems.slice(0, SHOWN)" :key="words">{{ words }}</li>
            <li v-if="problems.length > SHOWN" class="soft">
              and {{ problems.length - SHOWN }} more
            </li>
          </ul>
        </template>
      </v-card-text>
      <v-card-actions v-if="!busy">
        <v-btn @click="open = false">Close</v-btn>
        <v-btn
          v-if="made"
          color="primary"
          variant="flat"
          :to="`/examinations/${made.examination}/preparation`"
        >
          Open it
        </v-btn>
      </v-card-actions>
    </v-card>
  </ModalDialog>
</template>

<style scoped>
ul {
  padding-left: 18px;
}
.wrong li {
  overflow-wrap: anywhere;
}
</style>
