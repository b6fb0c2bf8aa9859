<script setup lang="ts">
import { reactive, ref } from 'vue';
import { useRouter } from 'vue-router';
import { call } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';

const router = useRouter();
const { data, error, reload } = useReading('GET /cohorts');
const making = ref(false);
const wanted = reactive({ name: '', year: String(new Date().getFullYear()) });
const { fields, problem, submit } = useSubmit(async () => {
  const body = { name: wanted.name, year: Number(wanted.year) };
  const { id } = await call('POST /cohorts', { body });
  await router.push(`/cohorts/${id}`);
});
</script>

<template>
  <div class="page">
    <div class="d-flex align-center ga-3 mb-2">
      <h1>Cohorts</h1>
      <v-spacer />
      <v-btn color="primary" variant="flat" @click="making = true">New cohort</v-btn>
    </div>
    <p class="soft">
      A student belongs to a cohort and lives on from examination to examination; as a candidate
      they have a number that examiners see.
    </p>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <p v-if="data?.length === 0" class="panel">
      There is no cohort yet. Make one and bring in its list, from CSV or XLSX.
    </p>
    <WideTable v-if="data && data.length > 0" label="Cohorts">
      <table class="ledger panel">
        <thead>
          <tr>
            <th>Cohort</th>
            <th class="number">Year</th>
            <th class="number">Students</th>
            <th class="number">Retired</th>
            <th class="number">Examinations</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in data" :key="c.id">
            <td>
              <router-link :to="`/cohorts/${c.id}`">{{ c.name }}</router-link>
            </td>
            <td class="number">{{ c.year }}</td>
            <td class="number">{{ c.students }}</td>
            <td class="number">{{ c.retired }}</td>
            <td class="number">{{ c.examinations }}</td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <ActDialog
      v-model="making"
      title="New cohort"
      act="Make it"
      :width="420"
      :problem="problem"
      @act="submit"
    >
      <v-text-field v-model="wanted.name" label="Name" :error-messages="fields.name ?? []" />
      <v-text-field
        v-model="wanted.year"
        label="Year"
        type="number"
        :error-messages="fields.year ?? []"
      />
    </ActDialog>
  </div>
</template>
