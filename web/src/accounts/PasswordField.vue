<script setup lang="ts">
import { mdiEyeOffOutline, mdiEyeOutline } from '@mdi/js';
import { ref } from 'vue';

/** A password, which whoever writes it can look at. */
const password = defineModel<string>({ required: true });
defineProps<{ label: string; autocomplete: string; error?: string }>();
const shown = ref(false);
</script>

<template>
  <v-text-field
    v-model="password"
    :label="label"
    :type="shown ? 'text' : 'password'"
    :autocomplete="autocomplete"
    autocapitalize="off"
    spellcheck="false"
    :error-messages="error || []"
  >
    <template #append-inner>
      <v-btn
        :icon="shown ? mdiEyeOffOutline : mdiEyeOutline"
        :aria-label="shown ? 'Hide what is typed' : 'Show what is typed'"
        :aria-pressed="shown"
        variant="text"
        size="small"
        @click="shown = !shown"
      />
    </template>
  </v-text-field>
</template>
