<script setup lang="ts">
import { ref } from 'vue';
import { call, messageOf } from '../http/api.ts';

const open = defineModel<boolean>({ required: true });
const current = ref('');
const next = ref('');
const error = ref('');

async function change() {
  try {
    await call<null>('PUT', '/accounts/own/password', { current: current.value, next: next.value });
    open.value = false;
    current.value = next.value = error.value = '';
  } catch (thrown) {
    error.value = messageOf(thrown);
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
