<script setup lang="ts">
import { ref } from 'vue';
import { ApiProblem, call, messageOf } from '../http/api.ts';
import ActDialog from '../shell/ActDialog.vue';
import PasswordField from './PasswordField.vue';
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
  <ActDialog
    v-model="open"
    title="Change password"
    act="Change it"
    :width="420"
    :problem="error"
    @act="change"
  >
    <PasswordField v-model="current" label="Present password" autocomplete="current-password" />
    <PasswordField
      v-model="next"
      label="New password, 12 characters or more"
      autocomplete="new-password"
    />
  </ActDialog>
</template>
