<script setup lang="ts">
import type { Letter } from '@kritikos/contracts/accounts';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';

/** The letters that were written, and what became of each; nobody reads another’s. */
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
        : 'passed on by hand, or not at all';
  return link ? `${left}, ${LINKS[link]}` : left;
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
        No mail server is set, so nothing leaves this installation: whoever makes a link is shown it
        once and passes it on. Whoever runs the server can set a mail server; then links go out in
        letters.
      </p>
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
        </div>
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
</style>
