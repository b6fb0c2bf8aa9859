<script setup lang="ts">
import type { FirstAccount } from '@kritikos/contracts/accounts';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { useSubmit } from '../http/useSubmit.ts';
import PersonFields from './PersonFields.vue';
import { useSession } from './session.ts';

const session = useSession();
const router = useRouter();
const person = ref<FirstAccount>({ email: '', name: '', password: '', word: '' });

const { fields, problem, submit } = useSubmit(async () => {
  await session.createFirstAdministrator(person.value);
  await router.push('/examinations');
});
</script>

<template>
  <div class="page door">
    <h1>Make the first account</h1>
    <p class="soft">
      This installation is empty. The first account is an administrator’s, who invites the others
      and gives them their roles; it may lead examinations too.
    </p>
    <form class="panel" @submit.prevent="submit">
      <v-text-field
        v-model="person.word"
        label="Word from the start"
        hint="It was printed where the server was started."
        persistent-hint
        autocomplete="off"
        :error-messages="fields.word ?? []"
      />
      <PersonFields
        v-model="person"
        name-label="Your name"
        password-label="Password, 12 characters or more"
        :fields="fields"
      />
      <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
      <v-btn type="submit" variant="flat" color="primary" size="large">Make the account</v-btn>
    </form>
  </div>
</template>

<style scoped>
.door {
  max-width: 480px;
  padding-top: 8vh;
}
form {
  display: grid;
  gap: 14px;
  margin-top: 16px;
}
</style>
