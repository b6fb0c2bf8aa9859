<script setup lang="ts">
import { CONDITIONS } from '@kritikos/catalogue/conditions';
import { procedureById } from '@kritikos/catalogue/procedures';
import type { BankStation } from '@kritikos/contracts/stations';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';
import BankStationDialog from './BankStationDialog.vue';

const router = useRouter();
const { data, error, reload } = useReading('GET /bank-stations');
const making = ref(false);
const said = ref('');
const problem = ref('');
const search = ref('');
const conditionOf = ({ patient }: BankStation) =>
  CONDITIONS.find(({ id }) => id === patient?.condition)?.name ?? 'as the catalogue describes';
const nameOf = (id: string) => procedureById(id)?.names[0] ?? id;
const shown = computed(() => {
  const wanted = (search.value ?? '').trim().toLowerCase();
  return (data.value ?? []).filter((s) =>
    `${s.title} ${s.region} ${s.procedures.map(nameOf).join(' ')} ${conditionOf(s)}`
      .toLowerCase()
      .includes(wanted),
  );
});

async function retire({ id, title, retired }: BankStation) {
  try {
    const sent = { params: { bank: id }, body: { retired: !retired } };
    await call('PUT /bank-stations/:bank/retirement', sent);
    said.value = `${title} is ${retired ? 'back' : 'retired'}.`;
    problem.value = '';
    await reload();
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
async function write({ id }: BankStation) {
  try {
    const draft = await call('POST /bank-stations/:bank/drafts', { params: { bank: id } });
    await router.push(`/drafts/${draft.id}`);
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
async function made(title: string) {
  said.value = `${title} is in the bank.`;
  await reload();
}
</script>

<template>
  <div class="page">
    <div class="d-flex align-center ga-3 flex-wrap mb-2">
      <h1>Station bank</h1>
      <v-spacer />
      <v-text-field
        v-model="search"
        label="Find by title, region, procedure, condition"
        max-width="340"
        min-width="220"
        clearable
      />
      <v-btn color="primary" variant="flat" @click="making = true">New station</v-btn>
    </div>
    <p class="soft">
      What is here can be examined again. A station keeps the version that it was examined in; two
      examinations with the same version can be compared over the years.
    </p>
    <p v-if="said" role="status">{{ said }}</p>
    <v-alert v-if="problem" type="error" role="alert" class="mb-2">{{ problem }}</v-alert>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <p v-if="data && shown.length === 0" class="panel">
      {{ data.length === 0 ? 'The bank is empty. Make its first station.' : 'Nothing like that.' }}
    </p>
    <WideTable v-if="shown.length > 0" label="Stations of the bank">
      <table class="ledger panel">
        <thead>
          <tr>
            <th>Station</th>
            <th>Region</th>
            <th>Simulated patient</th>
            <th class="number">Minutes</th>
            <th class="number">Items</th>
            <th class="number">Version</th>
            <th class="number">Used</th>
            <th><span class="d-sr-only">What can be done</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in shown" :key="s.id" :class="{ off: s.retired }">
            <td>
              <b>{{ s.title }}</b>
              <div class="soft">
                <template v-for="(p, i) in s.procedures" :key="p">
                  {{ i > 0 ? ' · ' : ''
                  }}<router-link :to="`/catalogue/${p}`">{{ nameOf(p) }}</router-link>
                </template>
              </div>
              <div v-if="s.equipment.length > 0" class="soft">{{ s.equipment.join(', ') }}</div>
            </td>
            <td>{{ s.region }}</td>
            <td>
              {{ conditionOf(s) }}{{ s.patient ? `, ${s.patient.side}` : ''
              }}{{ s.patient?.degree ? `, degree ${s.patient.degree}` : '' }}
            </td>
            <td class="number">{{ s.minutes }}</td>
            <td class="number">{{ s.items }}</td>
            <td class="number">{{ s.version }}</td>
            <td class="number">
              <router-link v-if="s.uses > 0" :to="`/bank/${s.id}/years`">{{ s.uses }}</router-link>
              <template v-else>0</template>
              <div v-if="s.lastUsed" class="soft">{{ s.lastUsed }}</div>
            </td>
            <td>
              <button
                v-if="!s.retired"
                class="linkish"
                type="button"
                :aria-label="`Write the checklist of ${s.title}`"
                @click="write(s)"
              >
                write
              </button>
              <button
                class="linkish"
                type="button"
                :aria-label="`${s.retired ? 'Bring back' : 'Retire'} ${s.title}`"
                @click="retire(s)"
              >
                {{ s.retired ? 'bring back' : 'retire' }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <BankStationDialog v-model="making" @made="made" />
  </div>
</template>

<style scoped>
.off td {
  color: var(--soft);
}
</style>
