<script setup lang="ts">
import type { DraftContent } from '@kritikos/core/checklists/draftChecklist';
import { ref, shallowRef } from 'vue';
import { messageOf } from '../http/api.ts';
import DifferenceList from './DifferenceList.vue';
import type { WrittenDraft } from './useDraft.ts';

/** Takes what a checklist file says in the place of what the draft says; undo brings it back. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ own: WrittenDraft }>();
const read = shallowRef<DraftContent | null>(null);
const problems = ref<readonly { path: string; reason: string }[]>([]);

async function look(chosen: File | File[] | null) {
  read.value = null;
  problems.value = [];
  if (!(chosen instanceof File)) return;
  const { readDraftChecklist } = await import('@kritikos/contracts/openChecklist');
  const { RefusedFile } = await import('@kritikos/contracts/openFile');
  try {
    const content = readDraftChecklist(await chosen.text());
    const named = (one: DraftContent) =>
      one.procedures
        .map((own) => own.procedure)
        .sort()
        .join(' and ');
    const [theirs, ours] = [named(content), named(props.own.content.value)];
    if (theirs !== ours) {
      const reason = `is the checklist of ${theirs}; this draft is of ${ours}. Open the draft of that checklist instead.`;
      throw new RefusedFile([{ path: '/checklist/procedures', reason }]);
    }
    read.value = content;
  } catch (error) {
    problems.value =
      error instanceof RefusedFile ? error.problems : [{ path: '', reason: messageOf(error) }];
  }
}
function take() {
  const content = read.value;
  if (content) props.own.edit(() => content);
  close();
}
function close() {
  open.value = false;
  read.value = null;
  problems.value = [];
}
</script>

<template>
  <v-dialog v-model="open" max-width="640" scrollable>
    <v-card title="Bring in a file">
      <v-card-text class="d-grid ga-3">
        <p class="soft">
          A checklist file of Kritikos or a FHIR Questionnaire that Kritikos wrote. It may be
          unfinished; what it lacks is found here.
        </p>
        <v-file-input
          label="Checklist file"
          accept=".json,application/json"
          variant="outlined"
          density="compact"
          hide-details
          @update:model-value="look"
        />
        <v-alert v-if="problems.length > 0" type="error" role="alert">
          <p>Nothing was taken. Put right in the file:</p>
          <ul>
            <li v-for="{ path, reason } in problems.slice(0, 8)" :key="path + reason">
              <code v-if="path">{{ path }}</code> {{ reason }}
            </li>
          </ul>
          <p v-if="problems.length > 8">and {{ problems.length - 8 }} more.</p>
        </v-alert>
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
  </v-dialog>
</template>
