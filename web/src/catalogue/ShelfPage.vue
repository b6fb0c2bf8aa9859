<script setup lang="ts">
import type { ShelfProcedure } from '@kritikos/contracts/shelf';
import { computed, ref, shallowRef } from 'vue';
import { useSession } from '../accounts/session.ts';
import { call, messageOf } from '../http/api.ts';
import { download } from '../http/download.ts';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import RowMenu from '../shell/RowMenu.vue';
import WideTable from '../shell/WideTable.vue';
import ShelfImport from './ShelfImport.vue';
import { KIND_WORDS, regionWords } from './words.ts';

/** The procedures that the school has written for itself, beside the catalogue. */
const session = useSession();
const leads = computed(() => session.account?.roles.includes('lead') === true);
const { data, error, reload, take } = useReading('GET /shelf');
const bringing = ref(false);
const said = ref('');
const undoable = shallowRef<ShelfProcedure | null>(null);
const problem = ref('');

const nameOf = ({ procedure }: ShelfProcedure) => procedure.names[0] ?? procedure.title;
const when = (at: string) =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' }).format(new Date(at));

function brought(names: string[], shelf: ShelfProcedure[]) {
  take(shelf);
  undoable.value = null;
  said.value = `On the shelf now: ${names.join(', ')}.`;
}
async function retire(own: ShelfProcedure) {
  problem.value = '';
  try {
    const now = await call('PUT /shelf/:shelf/retirement', {
      params: { shelf: own.id },
      body: { retired: !own.retired },
    });
    said.value = `${nameOf(now)} is ${now.retired ? 'retired: no new station asks it' : 'back'}.`;
    undoable.value = now;
    await reload();
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
async function save(name: string, shelf: readonly ShelfProcedure[]) {
  const { asOpenCatalogue } = await import('@kritikos/contracts/openCatalogue');
  const procedures = shelf.map(({ procedure }) => procedure);
  download(name, 'application/json', asOpenCatalogue(procedures));
}
</script>

<template>
  <div class="page">
    <router-link to="/catalogue">Catalogue</router-link>
    <div class="d-flex align-center ga-3 flex-wrap mb-2">
      <h1>The school’s shelf</h1>
      <v-spacer />
      <v-btn v-if="data && data.length > 0" @click="save('shelf.json', data)"
        >Save the shelf as JSON</v-btn
      >
      <v-btn v-if="leads" color="primary" variant="flat" @click="bringing = true"
        >Bring procedures in</v-btn
      >
    </div>
    <p class="soft">
      Procedures that the catalogue does not have, or that the school does its own way. They are
      held to the same soundness as the catalogue’s and used like them: stations, checklists, keys,
      drawings. Local policy, consent and a licensed clinician’s judgement come first.
    </p>
    <p v-if="said" role="status">
      {{ said }}
      <button v-if="undoable" class="linkish" type="button" @click="retire(undoable)">Undo</button>
    </p>
    <v-alert v-if="problem" type="error" role="alert" class="mb-2">{{ problem }}</v-alert>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <p v-if="data && data.length === 0" class="panel">
      Nothing stands here yet. Save a procedure of the catalogue as a file from its page, write it
      as your school does it under an id of your own, and bring it in.
    </p>
    <WideTable v-else-if="data" label="Procedures of the school">
      <table class="ledger panel">
        <thead>
          <tr>
            <th>Procedure</th>
            <th>Region</th>
            <th>Kind</th>
            <th class="number">Items</th>
            <th class="number">Stations</th>
            <th class="number">Version</th>
            <th>Brought in</th>
            <th><span class="d-sr-only">What can be done</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="own in data" :key="own.id" :class="{ off: own.retired }">
            <td>
              <router-link :to="`/catalogue/${own.procedure.id}`">{{ nameOf(own) }}</router-link>
              <div class="soft">{{ own.procedure.title }}{{ own.retired ? ' · retired' : '' }}</div>
            </td>
            <td>{{ regionWords(own.procedure.region) }}</td>
            <td>{{ KIND_WORDS[own.procedure.kind] }}</td>
            <td class="number">{{ own.procedure.checklist.items.length }}</td>
            <td class="number">{{ own.stations }}</td>
            <td class="number">{{ own.version }}</td>
            <td>
              {{ when(own.broughtAt) }}<span class="soft">, {{ own.broughtBy }}</span>
            </td>
            <td>
              <RowMenu :label="`What can be done with ${nameOf(own)}`">
                <v-list-item
                  title="Save as JSON"
                  @click="save(`${own.procedure.id}.json`, [own])"
                />
                <v-list-item
                  v-if="leads"
                  :title="own.retired ? 'Bring back' : 'Retire'"
                  @click="retire(own)"
                />
              </RowMenu>
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <ShelfImport v-model="bringing" @brought="brought" />
  </div>
</template>

<style scoped>
.off td {
  color: var(--soft);
}
td:first-child {
  min-width: 190px;
}
td a {
  display: inline-block;
  min-height: 24px;
}
</style>
