<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import { counted } from '../shell/counted.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';

/** The drafts that are open, and every checklist that one can be begun from. */
const router = useRouter();
const drafts = useReading('GET /drafts');
const checklists = useReading('GET /checklists');
const problem = ref('');
const search = ref('');
const shown = computed(() => {
  const wanted = (search.value ?? '').trim().toLowerCase();
  return (checklists.data.value ?? []).filter(({ title, region }) =>
    `${title} ${region}`.toLowerCase().includes(wanted),
  );
});
async function write(checklistId: string) {
  problem.value = '';
  try {
    const { id } = await call('POST /checklists/:checklist/drafts', {
      params: { checklist: checklistId },
    });
    await router.push(`/drafts/${id}`);
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
const when = (at: string) =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' }).format(
    new Date(at),
  );
</script>

<template>
  <div class="page">
    <h1>Checklists</h1>
    <p class="soft">
      A draft saves itself and is read along while it is written; several people can write in it at
      once. Publishing makes the next version. To write for a station with its own patient and
      minutes, begin in the <router-link to="/bank">station bank</router-link>.
    </p>
    <v-alert v-if="problem" type="error" role="alert" class="mb-2">{{ problem }}</v-alert>
    <h2 class="mt-4 mb-2">Being written</h2>
    <LoadState :error="drafts.error.value" :loading="!drafts.data.value" @retry="drafts.reload" />
    <p v-if="drafts.data.value?.length === 0" class="panel">
      No draft is open. Begin one below, or with “write” in the station bank.
    </p>
    <WideTable v-if="drafts.data.value && drafts.data.value.length > 0" label="Open drafts">
      <table class="ledger panel">
        <thead>
          <tr>
            <th>Draft</th>
            <th class="number">Items</th>
            <th>From</th>
            <th>Begun by</th>
            <th>Changed</th>
            <th>Who is in it</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="draft in drafts.data.value" :key="draft.id">
            <td>
              <router-link :to="`/drafts/${draft.id}`">{{ draft.title }}</router-link>
              <span class="soft">{{ draft.bankStationId ? ', a station' : '' }}</span>
            </td>
            <td class="number">{{ draft.items }}</td>
            <td>version {{ draft.startedFrom.version }}</td>
            <td>{{ draft.begunBy }}</td>
            <td class="figures">{{ when(draft.changedAt) }}</td>
            <td>{{ draft.others.join(', ') }}</td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <div class="d-flex align-center ga-3 flex-wrap mt-6 mb-2">
      <h2>All checklists</h2>
      <v-spacer />
      <v-text-field
        v-model="search"
        label="Find by title or region"
        max-width="300"
        min-width="220"
        clearable
      />
    </div>
    <LoadState
      :error="checklists.error.value"
      :loading="!checklists.data.value"
      @retry="checklists.reload"
    />
    <p v-if="checklists.data.value && shown.length === 0" class="panel">Nothing like that.</p>
    <WideTable v-if="shown.length > 0" label="Checklists">
      <table class="ledger panel">
        <thead>
          <tr>
            <th>Checklist</th>
            <th>Region</th>
            <th>Newest version</th>
            <th><span class="d-sr-only">What can be done</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in shown" :key="one.checklistId">
            <td>{{ one.title }}</td>
            <td>{{ one.region }}</td>
            <td>
              {{ one.version }}, {{ counted(one.items, 'item')
              }}{{ one.frozenAt ? ', frozen' : '' }}
            </td>
            <td>
              <button
                class="linkish"
                type="button"
                :aria-label="`Write ${one.title}`"
                @click="write(one.checklistId)"
              >
                write
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
  </div>
</template>
