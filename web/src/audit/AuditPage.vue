<script setup lang="ts">
import type { AuditEntry } from '@kritikos/contracts/audit';
import { computed, onMounted, ref, watch } from 'vue';
import { call, messageOf } from '../http/api.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';

const entries = ref<AuditEntry[]>([]);
const actions = ref<string[]>([]);
const more = ref(false);
const action = ref<string | null>(null);
const error = ref('');
const loading = ref(true);
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Reads the newest entries, or with `further` those after the last one shown. */
async function read(further: boolean) {
  loading.value = true;
  const last = further ? entries.value.at(-1) : undefined;
  const query = { before: last?.id, action: action.value ?? undefined };
  try {
    const page = await call('GET /audit', { query });
    entries.value = last ? [...entries.value, ...page.entries] : page.entries;
    actions.value = page.actions;
    more.value = page.more;
    error.value = '';
  } catch (thrown) {
    error.value = messageOf(thrown);
  }
  loading.value = false;
}
onMounted(() => read(false));
watch(action, () => void read(false));

const when = (at: string) => new Date(at).toLocaleString('en-GB');
const shown = computed(() =>
  entries.value.map((entry) => ({
    ...entry,
    detail: Object.entries(entry.detail)
      .map(([key, value]) => `${key}: ${typeof value === 'string' ? value : JSON.stringify(value)}`)
      .join('; '),
  })),
);
</script>

<template>
  <div class="page">
    <div class="d-flex align-center ga-4 flex-wrap">
      <h1>Audit</h1>
      <v-spacer />
      <v-select
        v-model="action"
        :items="actions"
        label="Only this action"
        clearable
        max-width="280"
        min-width="220"
      />
    </div>
    <p class="soft">
      Who did what, the newest first, in the time of {{ zone }}. Nothing here can be changed; every
      entry is sealed into a chain, which whoever runs the server checks with its own command.
    </p>
    <LoadState :error="error" :loading="loading && entries.length === 0" @retry="read(false)" />
    <p v-if="!loading && !error && entries.length === 0" class="panel mt-2">
      Nothing of this kind.
    </p>
    <WideTable v-if="entries.length > 0" label="Audit" class="mt-2">
      <table class="ledger panel">
        <thead>
          <tr>
            <th>When</th>
            <th>Who</th>
            <th>What</th>
            <th>Detail</th>
            <th class="number">Sealed as</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="entry in shown" :key="entry.id">
            <td class="figures when">{{ when(entry.at) }}</td>
            <td>{{ entry.account ?? 'nobody signed in' }}</td>
            <td>
              <b>{{ entry.action }}</b>
            </td>
            <td class="detail">{{ entry.detail }}</td>
            <td class="number">{{ entry.position ?? 'in a moment' }}</td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <v-btn v-if="more" class="mt-3" :loading="loading" @click="read(true)">Show older</v-btn>
  </div>
</template>

<style scoped>
.when {
  white-space: nowrap;
}
.detail {
  max-width: 48ch;
  overflow-wrap: anywhere;
  color: var(--soft);
}
</style>
