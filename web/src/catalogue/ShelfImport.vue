<script setup lang="ts">
import type { ShelfProcedure } from '@kritikos/contracts/shelf';
import { computed, ref } from 'vue';
import FileProblems from '../checklists/FileProblems.vue';
import { call, messageOf } from '../http/api.ts';
import { download } from '../http/download.ts';
import { counted } from '../shell/counted.ts';
import FileField from '../shell/FileField.vue';
import { useProcedureFile } from './useProcedureFile.ts';
import ModalDialog from '../shell/ModalDialog.vue';

/** Brings procedures onto the shelf: a report first, then all of the file or nothing. */
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ brought: [names: string[], shelf: ShelfProcedure[]] }>();
const { procedures, report, problems, busy, look, mend, forget } = useProcedureFile();

const STATES = { new: 'New', changed: 'Changed', same: 'As it stands on the shelf' } as const;
const unsound = computed(() => report.value?.flatMap((own) => own.unsound).length ?? 0);
const fresh = computed(() => report.value?.filter(({ state }) => state !== 'same') ?? []);
const sentence = computed(() => {
  if (unsound.value > 0)
    return `${counted(unsound.value, 'thing')} to put right. Nothing is taken until there is none.`;
  if (fresh.value.length === 0) return 'All of this stands on the shelf already.';
  return `Sound. ${counted(fresh.value.length, 'procedure')} can be taken.`;
});

const problem = ref('');
async function bring() {
  problem.value = '';
  try {
    const shelf = await call('POST /shelf', { body: { procedures: procedures.value } });
    const names = fresh.value.map(({ title }) => title);
    close();
    emit('brought', names, shelf);
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
async function save() {
  const { asOpenCatalogue } = await import('@kritikos/contracts/openCatalogue');
  download('procedures.json', 'application/json', asOpenCatalogue(procedures.value));
}
function close() {
  open.value = false;
  problem.value = '';
  forget();
}
</script>

<template>
  <ModalDialog v-model="open" max-width="760" scrollable @after-leave="forget">
    <v-card title="Bring procedures in">
      <v-card-text class="d-grid ga-3">
        <p class="soft">
          A file in the catalogue’s own format. Any procedure can be saved as one from its page, as
          a beginning; give it an id of your own.
        </p>
        <FileField label="File of procedures" accept=".json,application/json" @file="look" />
        <v-progress-linear v-if="busy" indeterminate aria-label="Looking at the file" />
        <FileProblems :problems="problems" />
        <template v-if="report && problems.length === 0">
          <p role="status">
            <b>{{ sentence }}</b>
          </p>
          <p>
            <button type="button" class="linkish" @click="save">Save as it is now</button>
          </p>
          <section v-for="(own, i) in report" :key="own.procedure" class="panel">
            <h3>
              {{ own.title }} <code class="soft">{{ own.procedure }}</code>
            </h3>
            <p class="soft">
              {{ STATES[own.state]
              }}{{
                own.state === 'changed'
                  ? `: it becomes version ${own.version}; stations keep the checklists that they have`
                  : ''
              }}.
            </p>
            <ul v-if="own.unsound.length > 0">
              <li v-for="(one, k) in own.unsound" :key="k">
                <code>{{ one.path }}</code> {{ one.reason }}.
                <template v-if="one.nearest">The nearest: {{ one.nearest }}.</template>
                <v-btn
                  v-if="one.instead !== null"
                  size="small"
                  :aria-label="`Put ${one.nearest} at ${one.path}`"
                  :disabled="busy"
                  @click="mend(i, one)"
                  >Put it there</v-btn
                >
              </li>
            </ul>
          </section>
        </template>
        <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
      </v-card-text>
      <v-card-actions>
        <v-btn @click="close">Cancel</v-btn>
        <v-btn
          color="primary"
          variant="flat"
          :disabled="busy || unsound > 0 || fresh.length === 0 || problems.length > 0"
          @click="bring"
          >Take onto the shelf</v-btn
        >
      </v-card-actions>
    </v-card>
  </ModalDialog>
</template>

<style scoped>
.v-card-text > * {
  min-width: 0;
}
li {
  margin-bottom: 6px;
}
code {
  overflow-wrap: anywhere;
}
</style>
