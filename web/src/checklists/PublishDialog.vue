<script setup lang="ts">
import { checklistContent } from '@kritikos/contracts/checklists';
import type { Draft } from '@kritikos/contracts/drafts';
import type { Finding } from '@kritikos/core/checklists/finding';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import ActDialog from '../shell/ActDialog.vue';
import { done } from '../shell/done.ts';
import DifferenceList from './DifferenceList.vue';
import type { WrittenDraft } from './useDraft.ts';
import { sayLack, sayPart } from './words.ts';

/** What a published version must have and this draft lacks; what would change; and the step itself. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ own: WrittenDraft; draft: Draft; findings: readonly Finding[] }>();
const router = useRouter();
const problem = ref('');
const working = ref(false);
const { data: version } = useReading('GET /checklist-versions/:version', () => ({
  params: { version: props.draft.startedFrom.versionId },
}));

/** What is missing, item by item. */
const missing = computed(() => {
  const content = props.own.content.value;
  const issues = checklistContent.safeParse(content).error?.issues ?? [];
  const ofFormat = issues.map((issue) => {
    const { path } = issue;
    const item = path[0] === 'items' ? content.items[Number(path[1])] : undefined;
    const part = path.slice(item ? 2 : 0).map((one) => sayPart(String(one)));
    const where = item ? `“${item.text || 'no words yet'}”` : '';
    return `${[where, ...part].filter(Boolean).join(', ')} ${sayLack(issue)}`;
  });
  const reasons = content.items
    .filter(({ criticality, criticalReason }) => criticality !== 'none' && !criticalReason?.trim())
    .map(({ text }) => `“${text}”, reason must not be empty`);
  return [...ofFormat, ...reasons];
});
watch(open, () => (problem.value = ''));

/** Where the workshop was opened from; a page that was opened by its address came from nowhere. */
function cameFrom(): string {
  const { back } = router.options.history.state;
  return typeof back === 'string' && !back.startsWith('/drafts/') ? back : '/checklists';
}

async function publish() {
  working.value = true;
  problem.value = '';
  try {
    if (!(await props.own.save())) throw new Error('Not everything is saved yet.');
    await call('POST /drafts/:draft/publication', {
      params: { draft: props.draft.id },
      body: { sequence: props.own.seen() },
    });
    open.value = false;
    done.value = `${props.draft.title} is published. New examinations take the new version.`;
    await router.push(cameFrom());
  } catch (thrown) {
    problem.value = messageOf(thrown);
  } finally {
    working.value = false;
  }
}
</script>

<template>
  <ActDialog
    v-model="open"
    title="Publish"
    act="Publish it"
    away="Back"
    :width="680"
    :problem="problem"
    :disabled="missing.length > 0 || working"
    :busy="working"
    @act="publish"
  >
    <template v-if="missing.length > 0">
      <p>A draft may be incomplete, a published version may not. This one still lacks:</p>
      <ul>
        <li v-for="one in missing.slice(0, 12)" :key="one">{{ one }}</li>
      </ul>
      <p v-if="missing.length > 12">and {{ missing.length - 12 }} more.</p>
    </template>
    <template v-else>
      <p>
        The next version is made, and new examinations take it. Examinations that are set up keep
        theirs; from here on it is another station, and no anchor between those before and those
        after.
      </p>
      <p v-if="findings.length > 0">
        The reading along still has {{ findings.length }} to say; that is for you to decide.
      </p>
    </template>
    <h3>What is different from version {{ draft.startedFrom.version }}</h3>
    <DifferenceList v-if="version" :before="version.content" :after="own.content.value" />
  </ActDialog>
</template>
