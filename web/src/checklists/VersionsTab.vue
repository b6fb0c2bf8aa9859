<script setup lang="ts">
import type { DraftContent } from '@kritikos/core/checklists/draftChecklist';
import { computed, ref, watch } from 'vue';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';
import DifferenceList from './DifferenceList.vue';

/** The versions of the checklist, where each is used, and what two of them say differently. */
const props = defineProps<{ checklist: string; draft: DraftContent; startedFrom: string }>();
const { data, error, reload } = useReading('GET /checklists/:checklist/versions', () => ({
  params: { checklist: props.checklist },
}));
const THE_DRAFT = 'draft';
const before = ref(props.startedFrom);
const after = ref(THE_DRAFT);
const choices = computed(() =>
  (data.value ?? []).map(({ id, version }) => ({ value: id, title: `Version ${version}` })),
);
const older = useReading('GET /checklist-versions/:version', () => ({
  params: { version: before.value },
}));
const newer = useReading('GET /checklist-versions/:version', () => ({
  params: { version: after.value === THE_DRAFT ? before.value : after.value },
}));
const later = computed(() =>
  after.value === THE_DRAFT ? props.draft : (newer.data.value?.content ?? null),
);
watch(data, (versions) => {
  if (versions && !versions.some(({ id }) => id === before.value)) {
    before.value = versions[0]?.id ?? before.value;
  }
});
const when = (at: string) =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' }).format(new Date(at));
</script>

<template>
  <div class="tab">
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <WideTable v-if="data" label="Versions of this checklist">
      <table class="ledger panel">
        <thead>
          <tr>
            <th class="number">Version</th>
            <th>Made</th>
            <th>Used in</th>
            <th>State</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="version in data" :key="version.id">
            <td class="number">{{ version.version }}</td>
            <td>
              {{ when(version.madeAt)
              }}<span class="soft">{{
                version.madeBy
                  ? `, ${version.madeBy}`
                  : version.origin === 'catalogue'
                    ? ', the catalogue'
                    : version.origin === 'shelf'
                      ? ', the school’s shelf'
                      : ''
              }}</span>
            </td>
            <td>
              <div v-for="use in version.uses" :key="use.examinationId + use.station">
                <router-link :to="`/examinations/${use.examinationId}`">{{
                  use.title
                }}</router-link>, {{ use.station }} <span class="soft">{{ use.heldOn }}</span>
              </div>
              <span v-if="version.uses.length === 0" class="soft">nowhere yet</span>
            </td>
            <td>{{ version.frozenAt ? 'frozen: it was marked with' : 'not marked with' }}</td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <section class="panel d-grid">
      <h2>What is different</h2>
      <div class="two">
        <v-select v-model="before" :items="choices" label="From" />
        <v-select
          v-model="after"
          :items="[{ value: THE_DRAFT, title: 'This draft' }, ...choices]"
          label="To"
        />
      </div>
      <DifferenceList
        v-if="older.data.value && later"
        :before="older.data.value.content"
        :after="later"
      />
      <LoadState :error="older.error.value || newer.error.value" :loading="!later" />
    </section>
  </div>
</template>

<style scoped>
.tab {
  display: grid;
  gap: 14px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  max-width: 520px;
}
</style>
