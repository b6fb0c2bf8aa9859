<script setup lang="ts">
import type { Account } from '@kritikos/contracts/accounts';
import { reactive, ref } from 'vue';
import { ApiProblem, call, messageOf } from '../http/api.ts';

defineProps<{ examiners: Account[] }>();
const emit = defineEmits<{ changed: [] }>();
const person = reactive({ name: '', email: '', password: '' });
const problem = ref('');
const fields = ref<Record<string, string>>({});

async function add() {
  fields.value = {};
  problem.value = '';
  try {
    await call<Account>('POST', '/accounts/examiners', person);
    Object.assign(person, { name: '', email: '', password: '' });
    emit('changed');
  } catch (thrown) {
    const errors = thrown instanceof ApiProblem ? (thrown.problem.errors ?? []) : [];
    for (const { pointer, detail } of errors) fields.value[pointer.slice(1)] = detail;
    if (errors.length === 0) problem.value = messageOf(thrown);
  }
}
</script>

<template>
  <section class="panel">
    <h2>Examiners</h2>
    <ul class="names">
      <li v-for="e in examiners" :key="e.id">
        {{ e.name }} <span class="soft">{{ e.email }}</span>
      </li>
    </ul>
    <form class="d-grid ga-2 mt-2" @submit.prevent="add">
      <v-text-field v-model="person.name" label="Name" :error-messages="fields.name ?? []" />
      <v-text-field
        v-model="person.email"
        label="E-mail"
        type="email"
        :error-messages="fields.email ?? []"
      />
      <v-text-field
        v-model="person.password"
        label="First password, 12 characters or more"
        type="password"
        autocomplete="new-password"
        :error-messages="fields.password ?? []"
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
