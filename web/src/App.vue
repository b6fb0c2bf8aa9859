<script setup lang="ts">
import { usePreferredDark, useStorage } from '@vueuse/core';
import { computed, useTemplateRef, watch, watchEffect } from 'vue';
import { useRoute } from 'vue-router';
import { useTheme } from 'vuetify';
import { useSession } from './accounts/session.ts';
import { useHints } from './hints/useHints.ts';
import { sendAs } from './marking/sending.ts';
import { done } from './shell/done.ts';
import TopBar from './shell/TopBar.vue';

const route = useRoute();
const theme = useTheme();
const prefersDark = usePreferredDark();
const chosen = useStorage<'paper' | 'hall' | ''>('kritikos.theme', '');

watchEffect(() => theme.change(chosen.value || (prefersDark.value ? 'hall' : 'paper')));

/** Marks leave this device as whoever is signed in, and as nobody else. */
const session = useSession();
watch(
  () => session.account,
  (account) => void sendAs(account?.id ?? ''),
  { immediate: true },
);

useHints();

/** The marking sheet and the briefing have the screen to themselves. */
const ownFrame = computed(() => /^\/sheets\/|\/trial$/.test(route.path));
const content = useTemplateRef('content');
const skip = () => content.value?.focus();
function switchTheme() {
  chosen.value = theme.global.name.value === 'paper' ? 'hall' : 'paper';
}
</script>

<template>
  <v-app>
    <a class="skip" href="#content" @click.prevent="skip">To the content</a>
    <TopBar v-if="!ownFrame" @switch-theme="switchTheme" />
    <main id="content" ref="content" tabindex="-1">
      <router-view />
    </main>
    <v-snackbar
      :model-value="done !== ''"
      :timeout="8000"
      @update:model-value="(open: boolean) => !open && (done = '')"
    >
      {{ done }}
      <template #actions>
        <v-btn variant="text" @click="done = ''">Close</v-btn>
      </template>
    </v-snackbar>
  </v-app>
</template>

<style scoped>
.skip {
  position: fixed;
  left: 12px;
  top: -60px;
  z-index: 2000;
  padding: 10px 16px;
  background: var(--sheet, var(--paper));
  border: 2px solid var(--petrol);
  border-radius: 3px;
}
.skip:focus {
  top: 10px;
}
main:focus {
  outline: none;
}
</style>
