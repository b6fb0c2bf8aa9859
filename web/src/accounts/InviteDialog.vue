<script setup lang="ts">
import { ROLES } from '@kritikos/contracts/accounts';
import type { Invited, Role } from '@kritikos/contracts/accounts';
import { reactive } from 'vue';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';
import { ROLE_WORDS } from './roleWords.ts';
import { useSession } from './session.ts';

const session = useSession();
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ invited: [who: Invited] }>();
const wanted = reactive({ name: '', email: '', roles: [] as Role[] });

const { fields, problem, submit } = useSubmit(async () => {
  const invited = await call('POST /accounts', { body: wanted });
  Object.assign(wanted, { name: '', email: '', roles: [] });
  open.value = false;
  emit('invited', invited);
});
</script>

<template>
  <ActDialog v-model="open" title="Invite somebody" act="Invite" :problem="problem" @act="submit">
    <p class="soft">
      They choose a password by a link, which holds for seven days.
      {{
        session.sendsLetters
          ? 'It is sent to them in a letter.'
          : 'No letters leave here: it is shown to you, and you pass it on.'
      }}
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
  </ActDialog>
</template>

<style scoped>
fieldset {
  border: 0;
}
.wrong {
  color: var(--madder);
}
</style>
