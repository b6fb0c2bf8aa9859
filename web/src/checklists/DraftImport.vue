<script setup lang="ts">
import type { DraftContent } from '@kritikos/core/checklists/draftChecklist';
import FileField from '../shell/FileField.vue';
import DifferenceList from './DifferenceList.vue';
import FileProblems from './FileProblems.vue';
import { useChecklistFile } from './useChecklistFile.ts';
import type { WrittenDraft } from './useDraft.ts';
import ModalDialog from '../shell/ModalDialog.vue';

/** Takes what a checklist file says in the place of what the draft says; undo brings it back. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ own: WrittenDraft }>();
const named = (one: DraftContent) =>
  one.procedures
    .map((own) => own.procedure)
    .sort()
    .join(' and ');
const { read, problems, look, forget } = useChecklistFile((content) => {
  const [theirs, ours] = [named(content), named(props.own.content.value)];
  if (theirs === ours) return null;
  const reason = `is the checklist of ${theirs}; this draft is of ${ours}. Open the draft of that checklist instead.`;
  return { path: '/checklist/procedures', reason };
});
function take() {
  const content = read.value;
  if (content) props.own.edit(() => content);
  close();
}
function close() {
  open.value = false;
  forget();
}
</script>

<template>
  <ModalDialog v-model="open" max-width="640" scrollable>
    <v-card title="Bring in a file">
      <v-card-text class="d-grid ga-3">
        <p class="soft">
          A checklist file of Kritikos or a FHIR Questionnaire that Kritikos wrote. It may be
          unfinished; what it lacks is found here.
        </p>
        <FileField label="Checklist file" accept=".json,application/json" @file="look" />
        <FileProblems :problems="problems" />
        <template v-if="read">
          <h3>What would change</h3>
          <DifferenceList :before="own.content.value" :after="read" />
        </template>
      </v-card-text>
      <v-card-actions>
        <v-btn @click="close">Cancel</v-btn>
        <v-btn color="primary" variant="flat" :disabled="!read" @click="take">Take it</v-btn>
      </v-card-actions>
    </v-card>
  </ModalDialog>
</template>
