<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { onBeforeRouteLeave, useRouter } from 'vue-router';
import { useMagicKeys, whenever } from '@vueuse/core';
import LoadState from '../shell/LoadState.vue';
import { useDraft } from './useDraft.ts';
import WorkshopBench from './WorkshopBench.vue';
import ModalDialog from '../shell/ModalDialog.vue';

/** One draft of a checklist, opened to be written. */
const props = defineProps<{ draft: string }>();
const router = useRouter();
const own = useDraft(props.draft);
onMounted(own.load);

const leaving = ref(false);
const then = ref('');
onBeforeRouteLeave(async (to) => {
  if (leaving.value || own.waiting.value === 0 || (await own.save())) return true;
  then.value = to.fullPath;
  return false;
});
async function leave() {
  leaving.value = true;
  await router.push(then.value);
}
const asking = computed({
  get: () => then.value !== '' && !leaving.value,
  set: (open) => {
    if (!open) then.value = '';
  },
});
const { ctrl_z: undoes } = useMagicKeys();
whenever(
  () => undoes?.value,
  () => {
    // In a field the browser's own undo is meant.
    if (!/^(INPUT|TEXTAREA)$/.test(document.activeElement?.tagName ?? '')) own.undo();
  },
);
</script>

<template>
  <div class="page">
    <router-link to="/checklists">Checklists</router-link>
    <LoadState v-if="!own.draft.value" :error="own.error.value" :loading="true" @retry="own.load" />
    <WorkshopBench v-else :own="own" :draft="own.draft.value" />
    <ModalDialog v-model="asking" max-width="460">
      <v-card title="Not everything is saved">
        <v-card-text>
          {{ own.waiting.value === 1 ? 'One change is' : `${own.waiting.value} changes are` }} only
          on this page. {{ own.refusal.value }} If you leave now,
          {{ own.waiting.value === 1 ? 'it is' : 'they are' }} lost.
        </v-card-text>
        <v-card-actions>
          <v-btn color="secondary" @click="leave">Leave and lose it</v-btn>
          <v-btn color="primary" variant="flat" @click="asking = false">Stay</v-btn>
        </v-card-actions>
      </v-card>
    </ModalDialog>
  </div>
</template>
