<script setup lang="ts">
import type { HouseProposal } from '@kritikos/contracts/house';
import { ref } from 'vue';
import { call, messageOf } from '../http/api.ts';
import { useInTurn } from '../http/useInTurn.ts';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import ProposalList from './ProposalList.vue';

/** For whom the house names: what leads want changed of what is everybody’s. */
const { data, error, reload, take } = useReading('GET /house/proposals');
const { inTurn, busy } = useInTurn();
const said = ref('');
const problem = ref('');

async function decide({ id, words }: HouseProposal, taken: boolean) {
  said.value = problem.value = '';
  try {
    await inTurn(async () =>
      take(
        await call('PUT /house/proposals/:proposal', {
          params: { proposal: id },
          body: { take: taken },
        }),
      ),
    );
    said.value = taken ? `Taken: ${words}.` : `Left as it was: ${words}.`;
  } catch (thrown) {
    problem.value = messageOf(thrown);
    await reload();
  }
}
</script>

<template>
  <div class="page">
    <h1>The house</h1>
    <p class="soft">
      Rooms, simulated patients, equipment and what somebody may examine are the same for every
      examination. Leads propose changes; what you take holds for all of them from then on.
    </p>
    <p v-if="said" role="status">{{ said }}</p>
    <v-alert v-if="problem" type="error" role="alert" class="mb-2">{{ problem }}</v-alert>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <p v-if="data?.length === 0" class="panel">Nothing waits to be decided.</p>
    <section v-else-if="data" class="panel">
      <ProposalList :proposals="data" decides :busy="busy" @decide="decide" />
    </section>
  </div>
</template>
