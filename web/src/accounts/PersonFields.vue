<script setup lang="ts" generic="T extends NewAccount">
import type { NewAccount } from '@kritikos/contracts/accounts';
import PasswordField from './PasswordField.vue';

/** Who somebody is, and the password that lets them in; the server's objections beside each. */
defineProps<{ nameLabel: string; passwordLabel: string; fields: Record<string, string> }>();
const person = defineModel<T>({ required: true });
</script>

<template>
  <v-text-field v-model="person.name" :label="nameLabel" :error-messages="fields.name ?? []" />
  <v-text-field
    v-model="person.email"
    label="E-mail"
    type="email"
    autocomplete="username"
    :error-messages="fields.email ?? []"
  />
  <PasswordField
    v-model="person.password"
    :label="passwordLabel"
    autocomplete="new-password"
    :error="fields.password ?? ''"
  />
</template>
