<script setup lang="ts">
import type { ChecklistVersion } from '@kritikos/contracts/checklists';
import { ref } from 'vue';
import FileProblems from '../checklists/FileProblems.vue';
import { call, messageOf } from '../http/api.ts';
import FileField from '../shell/FileField.vue';

/** Brings a checklist file in as the next version; versions that are frozen stay as they are. */
const props = defineProps<{ procedure: string }>();
const problems = ref<readonly { path: string; reason: string }[]>([]);
const made = ref<ChecklistVersion | null>(null);

async function bringIn(file: File | null) {
  problems.value = [];
  made.value = null;
  if (!file) return;
  const { readEitherChecklist } = await import('@kritikos/contracts/openChecklist');
  const { RefusedFile } = await import('@kritikos/contracts/openFile');
  try {
    const { checklist } = readEitherChecklist(await file.text());
    const of = checklist.procedures.map(({ procedure }) => procedure).join(' and ');
    if (of !== props.procedure) {
      const reason = `is the checklist of ${of}, not of ${props.procedure}`;
      throw new RefusedFile([{ path: '/checklist/procedures', reason }]);
    }
    const known = await call('GET /checklists');
    const own = known.find(({ procedureId }) => procedureId === props.procedure);
    made.value = await call('POST /checklists/:checklist/versions', {
      params: { checklist: own?.checklistId ?? '' },
      body: checklist,
    });
  } catch (error) {
    problems.value =
      error instanceof RefusedFile ? error.problems : [{ path: '', reason: messageOf(error) }];
  }
}
</script>

<template>
  <FileField
    label="Bring in a checklist (JSON or FHIR Questionnaire)"
    accept=".json,application/json"
    class="mt-3"
    @file="bringIn"
  />
  <FileProblems :problems="problems" class="mt-2" />
  <p v-if="made" role="status">
    Version {{ made.version }} of “{{ made.title }}” was made; new stations take it, stations that
    are set up keep theirs.
  </p>
</template>
