<script setup lang="ts">
import type { ExaminationLead } from '@kritikos/contracts/accounts';
import { computed, ref } from 'vue';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import { useExamination } from './examinationStore.ts';

const store = useExamination();
const params = computed(() => ({ examination: store.current?.id ?? '' }));
const { data, take } = useReading('GET /examinations/:examination/leads', () => ({
  params: params.value,
}));
const { data: everybody } = useReading('GET /accounts/leads');
const problem = ref('');
const leads = computed(() => data.value ?? []);
const free = computed(() =>
  (everybody.value ?? []).filter((a) => !leads.value.some((l) => l.accountId === a.id)),
);
const MAYS = [
  { value: 'lead', title: 'leads' },
  { value: 'read', title: 'may read' },
];

async function change(next: readonly Pick<ExaminationLead, 'accountId' | 'may'>[]) {
  const body = { leads: next.map(({ accountId, may }) => ({ accountId, may })) };
  try {
    take(await call('PUT /examinations/:examination/leads', { params: params.value, body }));
    problem.value = '';
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
const setMay = (id: string, may: ExaminationLead['may']) =>
  change(leads.value.map((l) => (l.accountId === id ? { ...l, may } : l)));
</script>

<template>
  <section class="panel">
    <h2>Who leads this examination</h2>
    <div v-for="l in leads" :key="l.accountId" class="line">
      <span>{{ l.name }}</span>
      <v-select
        :model-value="l.may"
        :items="MAYS"
        aria-labelledby=""
        :aria-label="`What ${l.name} may do`"
        @update:model-value="(may: ExaminationLead['may']) => setMay(l.accountId, may)"
      />
      <button
        class="linkish"
        type="button"
        :aria-label="`Take ${l.name} off`"
        @click="change(leads.filter((x) => x.accountId !== l.accountId))"
      >
        take off
      </button>
    </div>
    <v-select
      v-if="free.length > 0"
      class="mt-2"
      :model-value="null"
      :items="free"
      item-title="name"
      item-value="id"
      label="Let another lead read it"
      @update:model-value="
        (accountId: string | null) => accountId && change([...leads, { accountId, may: 'read' }])
      "
    />
    <v-alert v-if="problem" type="error" role="alert" class="mt-2">{{ problem }}</v-alert>
  </section>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 1fr 132px auto;
  gap: 8px;
  align-items: center;
  padding: 3px 0;
}
</style>
