<script setup lang="ts">
import type { Account, NewAccount } from '@kritikos/contracts/accounts';
import { ref } from 'vue';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import PersonFields from './PersonFields.vue';

defineProps<{ examiners: Account[] }>();
const emit = defineEmits<{ changed: [] }>();
const nobody: NewAccount = { name: '', email: '', password: '' };
const person = ref({ ...nobody });

const { fields, problem, submit } = useSubmit(async () => {
  await call('POST /accounts/examiners', { body: person.value });
  person.value = { ...nobody };
  emit('changed');
});
</script>

<template>
  <section class="panel">
    <h2>Examiners</h2>
    <ul class="names">
      <li v-for="e in examiners" :key="e.id">
        {{ e.name }} <span class="soft">{{ e.email }}</span>
      </li>
    </ul>
    <form class="d-grid ga-2 mt-2" @submit.prevent="submit">
      <PersonFields
        v-model="person"
        name-label="Name"
        password-label="First password, 12 characters or more"
        :fields="fields"
      />
      <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
      <v-btn type="submit">Add examiner</v-btn>
    </form>
  </section>
</template>

<style scoped>
.names {
  padding-left: 1.1em;
  margin: 6px 0;
}
</style>
