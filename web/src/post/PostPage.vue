<script setup lang="ts">
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';

const { data, error, reload } = useReading('GET /post');
const when = (at: string) => new Date(at).toLocaleString('en-GB');
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
        No mail server is set, so nothing leaves this installation. Read a letter here and pass its
        link on; whoever runs the server can set one.
      </p>
      <p v-if="data.letters.length === 0" class="panel">Nothing was written yet.</p>
      <details v-for="l in data.letters" :key="l.id" class="panel letter">
        <summary>
          <b>{{ l.subject }}</b> to {{ l.recipient }}
          <span class="soft figures">
            {{ when(l.writtenAt) }},
            {{ l.sentAt ? 'sent' : l.problem ? `not sent yet: ${l.problem}` : 'waits here' }}
          </span>
        </summary>
        <pre>{{ l.body }}</pre>
      </details>
    </template>
  </div>
</template>

<style scoped>
.letter + .letter {
  margin-top: 8px;
}
pre {
  margin: 10px 0 0;
  font: inherit;
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
</style>
