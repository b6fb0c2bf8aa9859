<script setup lang="ts">
import { usePreferredDark, useStorage } from '@vueuse/core';
import { computed, watch, watchEffect } from 'vue';
import { useRoute } from 'vue-router';
import { useTheme } from 'vuetify';
import { useSession } from './accounts/session.ts';
import { useHints } from './hints/useHints.ts';
import { sendAs } from './marking/sending.ts';
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
function switchTheme() {
  chosen.value = theme.global.name.value === 'paper' ? 'hall' : 'paper';
}
</script>

<template>
  <v-app>
    <TopBar v-if="!ownFrame" @switch-theme="switchTheme" />
    <main>
      <router-view />
    </main>
  </v-app>
</template>
