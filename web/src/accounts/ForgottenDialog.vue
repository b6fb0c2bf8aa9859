<script setup lang="ts">
import { ref, watch } from 'vue';
import { call } from '../http/api.ts';
import { useSubmit } from '../http/useSubmit.ts';
import ActDialog from '../shell/ActDialog.vue';
import { useSession } from './session.ts';

/** The way to a new password: by letter, or where none leaves, by an administrator. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ typed: string }>();
const session = useSession();
const email = ref('');
const asked = ref('');
watch(open, (now) => {
  if (now) [email.value, asked.value] = [props.typed, ''];
});
const { fields, problem, submit } = useSubmit(async () => {
  await call('POST /links/new-password', { body: { email: email.value } });
  asked.value = email.value;
});
</script>

<template>
  <ActDialog
    v-model="open"
    title="A new password"
    act="Send me a link"
    :away="session.sendsLetters && !asked ? 'Cancel' : 'Close'"
    :only-away="!session.sendsLetters || asked !== ''"
    :width="440"
    :problem="problem"
    @act="submit"
  >
    <p v-if="!session.sendsLetters">
      No letters leave this installation. Ask an administrator: under People they make a link by
      which you choose a new password.
    </p>
    <p v-else-if="asked" role="status">
      If {{ asked }} has an account, a letter with a link is on the way. It holds for a day.
    </p>
    <v-text-field
      v-else
      v-model="email"
      label="E-mail"
      type="email"
      autocomplete="username"
      :error-messages="fields.email ?? []"
    />
  </ActDialog>
</template>
