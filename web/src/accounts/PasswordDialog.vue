<script setup lang="ts">
import { ref } from 'vue';
import { ApiProblem, call, messageOf } from '../http/api.ts';
import { useSession } from './session.ts';

const session = useSession();

const open = defineModel<boolean>({ required: true });
const current = ref('');
const next = ref('');
const error = ref('');

async function change() {
  try {
    const change = { current: current.value, next: next.value };
    session.take(await call('PUT /accounts/own/password', { body: change }));
    open.value = false;
    current.value = next.value = error.value = '';
  } catch (thrown) {
    const field = thrown instanceof ApiProblem ? thrown.problem.errors?.[0] : undefined;
    const name = field?.pointer === '/current' ? 'The present password' : 'The new password';
    error.value = field ? `${name} ${field.detail}` : messageOf(thrown);
  }
}
</script>

<template>
  <v-dialog v-model="open" max-width="420">
    <v-card title="Change password">
      <v-card-text class="d-grid ga-3">
        <v-text-field v-model="current" label="Present password" type="password" />
        <v-text-field v-model="next" label="New password, 12 characters or more" type="password" />
        <v-alert v-if="error" type="error">{{ error }}</v-alert>
      </v-card-text>
      <v-card-actions>
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn color="primary" variant="flat" @click="change">Change it</v-btn>
      </v-card-actions>
    </v-card>
  </v-dialog>
</template>
