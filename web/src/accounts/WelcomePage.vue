<script setup lang="ts">
import type { OpenedLink } from '@kritikos/contracts/accounts';
import { onMounted, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { call, messageOf } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import LoadState from '../shell/LoadState.vue';
import PasswordField from './PasswordField.vue';
import { useSession } from './session.ts';

/** The secret stands behind the # and goes in a body, so that no server on the way writes it down. */
const token = useRoute().hash.slice(1);
const router = useRouter();
const session = useSession();
const link = ref<OpenedLink | null>(null);
const refused = ref('');
const password = ref('');

onMounted(async () => {
  try {
    link.value = await call('POST /links/invitation/look', { body: { token } });
  } catch (thrown) {
    refused.value = messageOf(thrown);
  }
});
const { fields, problem, submit } = useSubmit(async () => {
  session.take(await call('POST /links/invitation', { body: { token, password: password.value } }));
  await router.push('/');
});
</script>

<template>
  <div class="page door">
    <h1>Choose a password</h1>
    <div v-if="refused" class="panel">
      <p role="alert">{{ refused }}</p>
      <router-link to="/sign-in">To the sign-in page</router-link>
    </div>
    <LoadState v-else :error="''" :loading="!link" />
    <template v-if="link">
      <p class="soft">
        For {{ link.name }}, {{ link.email }}. With this address and the password you sign in from
        now on.
      </p>
      <form class="panel d-grid" @submit.prevent="submit">
        <input type="hidden" autocomplete="username" :value="link.email" />
        <PasswordField
          v-model="password"
          label="Password, 12 characters or more"
          autocomplete="new-password"
          :error="fields.password ?? ''"
        />
        <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
        <v-btn type="submit" variant="flat" color="primary" size="large">Keep it and sign in</v-btn>
      </form>
    </template>
  </div>
</template>

<style scoped>
.door {
  max-width: 480px;
  padding-top: 8vh;
}
form {
  margin-top: 16px;
}
</style>
