<script setup lang="ts">
import { checklistContent } from '@kritikos/contracts/checklists';
import { draftContent } from '@kritikos/contracts/draftContent';
import type { BankMade } from '@kritikos/contracts/stations';
import { computed, ref, watch } from 'vue';
import FileProblems from '../checklists/FileProblems.vue';
import { useChecklistFile } from '../checklists/useChecklistFile.ts';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';
import { counted } from '../shell/counted.ts';
import FileField from '../shell/FileField.vue';

/** Makes a station from a checklist file; one that is not finished waits as a draft. */
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ made: [made: BankMade] }>();
const { read, problems: refused, look } = useChecklistFile();
const title = ref('');
const minutes = ref('8');
const lacking = computed(() =>
  read.value ? (checklistContent.safeParse(read.value).error?.issues.length ?? 0) : 0,
);

watch(read, (content) => {
  title.value ||= (content?.procedures ?? [])
    .map((own) => own.title)
    .join(', ')
    .slice(0, 80);
});
const { fields, problem, submit } = useSubmit(async () => {
  if (!read.value) return;
  const made = await call('POST /bank-stations/files', {
    body: {
      title: title.value,
      minutes: Number(minutes.value),
      checklist: draftContent.parse(read.value),
    },
  });
  open.value = false;
  read.value = null;
  title.value = '';
  emit('made', made);
});
const others = computed(() =>
  Object.entries(fields.value).filter(([field]) => !['title', 'minutes'].includes(field)),
);
</script>

<template>
  <ActDialog
    v-model="open"
    title="A station from a file"
    act="Make it"
    :width="600"
    :disabled="!read"
    @act="submit"
  >
    <p class="soft">What it lacks, it may lack: then it waits as a draft.</p>
    <FileField
      label="Checklist file (JSON or FHIR Questionnaire)"
      accept=".json,application/json"
      @file="look"
    />
    <FileProblems :problems="refused" />
    <template v-if="read">
      <p>
        {{ read.procedures.map((own) => own.title).join(', ') }},
        {{ counted(read.items.length, 'item') }}.
        <template v-if="lacking > 0">
          It is not finished ({{ counted(lacking, 'thing') }} missing): the station begins as its
          procedures would have it, and the file waits as a draft to be mended.
        </template>
      </p>
      <v-text-field v-model="title" label="Title" :error-messages="fields.title ?? []" />
      <v-text-field
        v-model="minutes"
        label="Minutes"
        inputmode="numeric"
        :error-messages="fields.minutes ?? []"
      />
    </template>
    <v-alert v-if="problem || others.length > 0" type="error" role="alert">
      {{ problem }}
      <div v-for="[field, detail] in others" :key="field">{{ field }} {{ detail }}</div>
    </v-alert>
  </ActDialog>
</template>
