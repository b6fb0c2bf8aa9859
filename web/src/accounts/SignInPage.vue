<script setup lang="ts">
import { ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { messageOf } from '../http/api.ts';
import { useBeginHere } from '../shell/useBeginHere.ts';
import ForgottenDialog from './ForgottenDialog.vue';
import PasswordField from './PasswordField.vue';
import { useSession } from './session.ts';

const session = useSession();
const route = useRoute();
const router = useRouter();
const email = ref('');
const password = ref('');
const error = ref('');
const busy = ref(false);
const forgotten = ref(false);
useBeginHere('begin');

async function submit() {
  busy.value = true;
  try {
    await session.signIn({ email: email.value, password: password.value });
    const then = String(route.query.then ?? '/');
    await router.push(then.startsWith('/') && !then.startsWith('//') ? then : '/');
  } catch (thrown) {
    error.value = messageOf(thrown);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <div class="page door">
    <h1>Sign in</h1>
    <p class="soft">Leads prepare and decide, examiners mark their own stations.</p>
    <form class="panel" @submit.prevent="submit">
      <v-text-field
        ref="begin"
        v-model="email"
        label="E-mail"
        type="email"
        autocomplete="username"
      />
      <PasswordField v-model="password" label="Password" autocomplete="current-password" />
      <v-alert v-if="error" type="error" role="alert">{{ error }}</v-alert>
      <v-btn type="submit" variant="flat" color="primary" size="large" :loading="busy">
        Sign in
      </v-btn>
    </form>
    <button class="linkish mt-3" type="button" @click="forgotten = true">
      Forgotten your password?
    </button>
    <ForgottenDialog v-model="forgotten" :typed="email" />
  </div>
</template>

<style scoped>
.door {
  max-width: 440px;
  padding-top: 8vh;
}
form {
  display: grid;
  gap: 14px;
  margin-top: 16px;
}
</style>
