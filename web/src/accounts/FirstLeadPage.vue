<script setup lang="ts">
import { reactive, ref } from 'vue';
import { useRouter } from 'vue-router';
import { ApiProblem, messageOf } from '../http/api.ts';
import { useSession } from './session.ts';

const session = useSession();
const router = useRouter();
const person = reactive({ email: '', name: '', password: '' });
const error = ref('');
const fields = ref<Record<string, string>>({});

async function submit() {
  fields.value = {};
  error.value = '';
  try {
    await session.createFirstLead(person);
    await router.push('/examinations');
  } catch (thrown) {
    const errors = thrown instanceof ApiProblem ? (thrown.problem.errors ?? []) : [];
    for (const { pointer, detail } of errors) fields.value[pointer.slice(1)] = detail;
    if (errors.length === 0) error.value = messageOf(thrown);
  }
}
</script>

<template>
  <div class="page door">
    <h1>Make the first account</h1>
    <p class="soft">
      This installation is empty. The first account is a lead: it creates the examination, invites
      the examiners and signs the standard.
    </p>
    <form class="panel" @submit.prevent="submit">
      <v-text-field v-model="person.name" label="Your name" :error-messages="fields.name ?? []" />
      <v-text-field
        v-model="person.email"
        label="E-mail"
        type="email"
        autocomplete="username"
        :error-messages="fields.email ?? []"
      />
      <v-text-field
        v-model="person.password"
        label="Password, 12 characters or more"
        type="password"
        autocomplete="new-password"
        :error-messages="fields.password ?? []"
      />
      <v-alert v-if="error" type="error" role="alert">{{ error }}</v-alert>
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
