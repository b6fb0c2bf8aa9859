<script setup lang="ts">
import type { Account } from '@kritikos/contracts/accounts';
import { reactive, ref } from 'vue';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';

defineProps<{ examiners: Account[] }>();
const emit = defineEmits<{ changed: [] }>();
const wanted = reactive({ name: '', email: '' });
const said = ref('');

const { fields, problem, submit } = useSubmit(async () => {
  const { name, email } = await call('POST /accounts/examiners', { body: wanted });
  said.value = `An invitation for ${name} was written to ${email}.`;
  Object.assign(wanted, { name: '', email: '' });
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
      <v-text-field v-model="wanted.name" label="Name" :error-messages="fields.name ?? []" />
      <v-text-field
        v-model="wanted.email"
        label="E-mail"
        type="email"
        :error-messages="fields.email ?? []"
      />
      <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
      <p v-if="said" role="status">{{ said }}</p>
      <v-btn type="submit">Invite examiner</v-btn>
    </form>
  </section>
</template>

<style scoped>
.names {
  padding-left: 1.1em;
  margin: 6px 0;
}
</style>
