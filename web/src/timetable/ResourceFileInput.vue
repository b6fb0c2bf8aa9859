<script setup lang="ts">
import type { ResourceFile, Resources } from '@kritikos/contracts/timetable';
import type { CellError } from '@kritikos/contracts/examinations';
import { ref } from 'vue';
import { call, messageOf } from '../http/api.ts';
import CellErrors from '../shell/CellErrors.vue';
import { counted } from '../shell/counted.ts';
import FileField from '../shell/FileField.vue';

/** The same list from a file: all of it is taken, or every cell that is in the way is named. */
const props = defineProps<{
  examination: string;
  of: ResourceFile;
  columns: string;
  disabled: boolean;
}>();
const emit = defineEmits<{ taken: [Resources] }>();
const errors = ref<CellError[]>([]);
const problem = ref('');
const said = ref('');

async function bring(file: File | null) {
  errors.value = [];
  problem.value = '';
  said.value = '';
  if (!file) return;
  try {
    const answer = await call('POST /examinations/:examination/resources/file', {
      params: { examination: props.examination },
      query: { of: props.of },
      body: file,
    });
    errors.value = answer.errors;
    if (answer.errors.length > 0) return;
    said.value = `${counted(answer.taken, 'row')} taken.`;
    emit('taken', answer.resources);
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
</script>

<template>
  <div class="file">
    <FileField label="From a file, CSV" accept=".csv,text/csv" :disabled="disabled" @file="bring" />
    <p class="soft">Columns: {{ columns }}.</p>
    <p v-if="said" role="status">{{ said }}</p>
    <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
    <CellErrors v-if="errors.length > 0" :errors="errors" />
  </div>
</template>

<style scoped>
.file {
  display: grid;
  gap: 6px;
  max-width: 640px;
}
</style>
