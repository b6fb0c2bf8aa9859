<script setup lang="ts">
import type { Letter } from '@kritikos/contracts/accounts';
import { ref } from 'vue';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';

/** The letters that were written; what one says is opened only where no mail leaves the house. */
const { data, error, reload } = useReading('GET /post');
const when = (at: string) => new Date(at).toLocaleString('en-GB');
const PURPOSES = {
  invitation: 'an invitation',
  'new-password': 'a new password',
  'panel-seat': 'a seat on a panel',
  feedback: 'feedback',
} as const;
const LINKS = {
  holds: 'its link holds',
  used: 'its link was used',
  revoked: 'a newer link took its place',
  expired: 'its link has expired',
} as const;
function whereabouts({ sentAt, problem, waits, link }: Letter): string {
  const left = sentAt
    ? `sent ${when(sentAt)}`
    : waits && problem
      ? `not sent yet: ${problem}`
      : waits
        ? 'waits here'
        : 'not sent';
  return link ? `${left}, ${LINKS[link]}` : left;
}

const opened = ref<{ id: string; body: string } | null>(null);
const problem = ref('');
async function open({ id }: Letter) {
  problem.value = '';
  try {
    opened.value = {
      id,
      ...(await call('POST /post/:letter/readings', { params: { letter: id } })),
    };
  } catch (thrown) {
    opened.value = null;
    problem.value = messageOf(thrown);
    await reload();
  }
}
</script>

<template>
  <div class="page">
    <div class="d-flex align-center ga-3 mb-2">
      <h1>Letters</h1>
      <v-spacer />
      <v-btn to="/people">People</v-btn>
    </div>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <template v-if="data">
      <p v-if="!data.sends" class="caution">
        No mail server is set, so nothing leaves this installation: this is a simulated post office.
        Open a letter and pass its link on; the audit says that you read it. Whoever runs the server
        can set a mail server, and then nobody reads them here.
      </p>
      <v-alert v-if="problem" type="error" role="alert" class="mb-2">{{ problem }}</v-alert>
      <p v-if="data.letters.length === 0" class="panel">Nothing was written yet.</p>
      <section v-for="l in data.letters" :key="l.id" class="panel letter">
        <div class="line">
          <div>
            <b>{{ l.subject }}</b> to {{ l.recipient }}
            <div class="soft figures">
              {{ l.purpose ? PURPOSES[l.purpose] : 'written before letters were sealed' }}, written
              {{ when(l.writtenAt) }}, {{ whereabouts(l) }}
            </div>
          </div>
          <v-btn
            v-if="!data.sends && l.waits && opened?.id !== l.id"
            size="small"
            :aria-label="`Open the letter to ${l.recipient}`"
            @click="open(l)"
            >Open it</v-btn
          >
        </div>
        <pre v-if="opened?.id === l.id">{{ opened.body }}</pre>
      </section>
    </template>
  </div>
</template>

<style scoped>
.letter + .letter {
  margin-top: 8px;
}
.line {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  align-items: center;
  flex-wrap: wrap;
}
pre {
  margin: 10px 0 0;
  font: inherit;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
</style>
