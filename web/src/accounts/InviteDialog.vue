<script setup lang="ts">
import { ROLES } from '@kritikos/contracts/accounts';
import type { Role } from '@kritikos/contracts/accounts';
import { reactive } from 'vue';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import { ROLE_WORDS } from './roleWords.ts';

const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ invited: [name: string] }>();
const wanted = reactive({ name: '', email: '', roles: [] as Role[] });

const { fields, problem, submit } = useSubmit(async () => {
  const { name } = await call('POST /accounts', { body: wanted });
  Object.assign(wanted, { name: '', email: '', roles: [] });
  open.value = false;
  emit('invited', name);
});
</script>

<template>
  <v-dialog v-model="open" max-width="480">
    <v-card title="Invite somebody">
      <v-card-text class="d-grid ga-3">
        <p class="soft">
          They are sent a link by which they choose a password. It holds for seven days.
        </p>
        <v-text-field v-model="wanted.name" label="Name" :error-messages="fields.name ?? []" />
        <v-text-field
          v-model="wanted.email"
          label="E-mail"
          type="email"
          :error-messages="fields.email ?? []"
        />
        <fieldset>
          <legend>Roles</legend>
          <v-checkbox
            v-for="role in ROLES"
            :key="role"
            v-model="wanted.roles"
            :value="role"
            :label="ROLE_WORDS[role]"
            density="compact"
            hide-details
          />
          <p v-if="fields.roles" class="wrong" role="alert">Choose a role.</p>
        </fieldset>
        <v-alert v-if="problem" type="error" role="alert">{{ problem }}</v-alert>
      </v-card-text>
      <v-card-actions>
        <v-btn @click="open = false">Cancel</v-btn>
        <v-btn color="primary" variant="flat" @click="submit">Invite</v-btn>
      </v-card-actions>
    </v-card>
  </v-dialog>
</template>

<style scoped>
fieldset {
  border: 0;
}
.wrong {
  color: var(--madder);
}
</style>
