<script setup lang="ts">
import { sayPatient } from '@kritikos/catalogue/chosenPatient';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { useKnownProcedures } from '../catalogue/useKnownProcedures.ts';
import ChecklistByPhase from '../checklists/ChecklistByPhase.vue';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import { counted } from '../shell/counted.ts';
import LoadState from '../shell/LoadState.vue';

/** One station of the bank as it stands: what is asked, of whom, and by which items it is marked. */
const props = defineProps<{ bank: string }>();
const router = useRouter();
const { data, error, reload } = useReading('GET /bank-stations/:bank', () => ({
  params: { bank: props.bank },
}));
const { nameOf } = useKnownProcedures();
const problem = ref('');
async function write() {
  try {
    const { id } = await call('POST /bank-stations/:bank/drafts', { params: { bank: props.bank } });
    await router.push(`/drafts/${id}`);
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
</script>

<template>
  <div class="page">
    <p><router-link to="/bank">Station bank</router-link></p>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <div class="d-flex align-center ga-3 flex-wrap mb-2">
        <h1>{{ data.title }}</h1>
        <v-spacer />
        <v-btn v-if="data.uses > 0" :to="`/bank/${bank}/years`">Over the years</v-btn>
        <v-btn v-if="!data.retired" variant="flat" color="primary" @click="write">
          {{ data.draftId ? 'Write on' : 'Write its checklist' }}
        </v-btn>
      </div>
      <v-alert v-if="problem" type="error" role="alert" class="mb-2">{{ problem }}</v-alert>
      <p v-if="data.retired" class="caution">
        It is retired: no new examination takes it. In the bank it can be brought back.
      </p>
      <section class="panel">
        <p v-if="data.task">{{ data.task }}</p>
        <dl>
          <dt class="soft">Procedures</dt>
          <dd>
            <template v-for="(p, i) in data.procedures" :key="p">
              {{ i > 0 ? ' · ' : ''
              }}<router-link :to="`/catalogue/${p}`">{{ nameOf(p) }}</router-link>
            </template>
          </dd>
          <dt class="soft">Simulated patient</dt>
          <dd>{{ sayPatient(data.patient) }}</dd>
          <dt class="soft">Time</dt>
          <dd>{{ counted(data.minutes, 'minute') }}</dd>
          <template v-if="data.equipment.length > 0">
            <dt class="soft">Equipment</dt>
            <dd>{{ data.equipment.join(', ') }}</dd>
          </template>
          <dt class="soft">Version</dt>
          <dd>
            {{ data.version }},
            {{ data.uses === 0 ? 'not used yet' : `used in ${counted(data.uses, 'examination')}`
            }}{{ data.lastUsed ? `, last on ${data.lastUsed}` : '' }}
          </dd>
        </dl>
      </section>
      <ChecklistByPhase :version="data.checklistVersionId" />
    </template>
  </div>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 4px 16px;
  margin: 8px 0 0;
}
dd {
  margin: 0;
}
</style>
