<script setup lang="ts">
import type { BankMade, BankStation } from '@kritikos/contracts/stations';
import { refDebounced } from '@vueuse/core';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import { useJob } from '../jobs/useJob.ts';
import { counted } from '../shell/counted.ts';
import LoadState from '../shell/LoadState.vue';
import BankCopyDialog from './BankCopyDialog.vue';
import BankFileDialog from './BankFileDialog.vue';
import BankFilters from './BankFilters.vue';
import BankStationDialog from './BankStationDialog.vue';
import BankTable from './BankTable.vue';
import { askable } from './bankWishes.ts';
import type { BankWishes } from './bankWishes.ts';

const PAGE = 50;
const router = useRouter();
const wishes = shallowRef<BankWishes>({});
const settled = refDebounced(wishes, 200);
const offset = ref(0);
watch(settled, () => (offset.value = 0));
const { data, error, reload } = useReading(
  'GET /bank-stations',
  () => ({ query: { ...askable(settled.value), offset: offset.value, limit: PAGE } }),
  { keep: true },
);
const dialog = ref<'procedures' | 'like' | 'file' | null>(null);
const opened = (which: 'procedures' | 'like' | 'file') =>
  computed({
    get: () => dialog.value === which,
    set: (open) => (dialog.value = open ? which : null),
  });
const [fromProcedures, fromLike, fromFile] = [opened('procedures'), opened('like'), opened('file')];
const like = ref<{ versionId: string; title: string } | null>(null);
const said = ref('');
const undoable = shallowRef<BankStation | null>(null);
const problem = ref('');
const searched = computed(() => Object.values(askable(settled.value)).length > 0);

/** How stations behaved is worked out where something was marked since; figures come as they are there. */
const { job, follow } = useJob();
onMounted(async () => {
  const asked = await call('POST /bank-stations/behaviour').catch(() => null);
  if (asked) follow(asked);
});
watch(job, (now) => {
  if (now?.state === 'done') void reload();
});

async function attempt(act: () => Promise<unknown>) {
  problem.value = '';
  try {
    await act();
  } catch (thrown) {
    problem.value = messageOf(thrown);
  }
}
const retire = (station: BankStation) =>
  attempt(async () => {
    const now = await call('PUT /bank-stations/:bank/retirement', {
      params: { bank: station.id },
      body: { retired: !station.retired },
    });
    said.value = `${now.title} is ${now.retired ? 'retired' : 'back'}.`;
    undoable.value = now;
    await reload();
  });
const write = (station: BankStation) =>
  attempt(async () => {
    const { id } = await call('POST /bank-stations/:bank/drafts', { params: { bank: station.id } });
    await router.push(`/drafts/${id}`);
  });
function double({ versionId, title }: BankStation) {
  like.value = { versionId, title };
  dialog.value = 'like';
}
function likeOne() {
  like.value = null;
  dialog.value = 'like';
}
async function made({
  station,
  draftId,
}: Pick<BankMade, 'draftId'> & { station: { title: string } }) {
  said.value = `${station.title} is in the bank.`;
  undoable.value = null;
  if (draftId) await router.push(`/drafts/${draftId}`);
  else await reload();
}
</script>

<template>
  <div class="page">
    <div class="d-flex align-center ga-3 flex-wrap mb-2">
      <h1>Station bank</h1>
      <v-spacer />
      <v-menu>
        <template #activator="{ props: menu }">
          <v-btn v-bind="menu" color="primary" variant="flat">New station</v-btn>
        </template>
        <v-list density="compact">
          <v-list-item title="From procedures" @click="dialog = 'procedures'" />
          <v-list-item title="From an examination" @click="likeOne" />
          <v-list-item title="From a file" @click="dialog = 'file'" />
        </v-list>
      </v-menu>
    </div>
    <p class="soft">
      What is here can be examined again. A station keeps the version that it was examined in; two
      examinations with the same version can be compared over the years. Mean, cut and agreement are
      those of the last examination that it was marked in. Procedures of the school’s own stand on
      its <router-link to="/catalogue/shelf">shelf</router-link>.
    </p>
    <BankFilters v-model="wishes" />
    <p v-if="said" role="status">
      {{ said }}
      <button v-if="undoable" class="linkish" type="button" @click="retire(undoable)">Undo</button>
    </p>
    <p v-if="job && ['waiting', 'running'].includes(job.state)" class="soft" role="status">
      How stations behaved is being worked out, {{ Math.round(100 * job.progress) }} %.
    </p>
    <v-alert v-if="problem" type="error" role="alert" class="mb-2">{{ problem }}</v-alert>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <p v-if="data.total === 0" class="panel">
        {{
          searched
            ? 'Nothing like that. Ask for less, or make a station.'
            : 'The bank is empty. Make its first station.'
        }}
      </p>
      <template v-else>
        <BankTable :stations="data.stations" @write="write" @double="double" @retire="retire" />
        <div class="turn">
          <span class="soft figures" role="status">
            {{ counted(data.total, 'station')
            }}{{
              data.total > PAGE
                ? `, ${offset + 1} to ${Math.min(offset + PAGE, data.total)} shown`
                : ''
            }}
          </span>
          <template v-if="data.total > PAGE">
            <v-btn size="small" :disabled="offset === 0" @click="offset -= PAGE">Back</v-btn>
            <v-btn size="small" :disabled="offset + PAGE >= data.total" @click="offset += PAGE">
              On
            </v-btn>
          </template>
        </div>
      </template>
    </template>
    <BankStationDialog
      v-model="fromProcedures"
      @made="(title) => made({ station: { title }, draftId: null })"
    />
    <BankCopyDialog v-model="fromLike" :like="like" @made="made" />
    <BankFileDialog v-model="fromFile" @made="made" />
  </div>
</template>

<style scoped>
.turn {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-top: 8px;
}
</style>
