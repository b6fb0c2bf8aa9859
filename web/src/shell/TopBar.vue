<script setup lang="ts">
import { mdiThemeLightDark } from '@mdi/js';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import PasswordDialog from '../accounts/PasswordDialog.vue';
import { placesOf } from '../accounts/places.ts';
import { useSession } from '../accounts/session.ts';

defineEmits<{ switchTheme: [] }>();
const session = useSession();
const router = useRouter();
const changingPassword = ref(false);
const places = computed(() => (session.account ? placesOf(session.account) : []));

async function signOut() {
  await session.signOut();
  await router.push('/sign-in');
}
</script>

<template>
  <header class="bar">
    <router-link to="/" class="wordmark serif">Kritikos</router-link>
    <span class="motto soft">practical examinations of orthopedic special tests</span>
    <v-spacer />
    <nav v-if="session.account" class="places" aria-label="Places">
      <router-link v-for="{ to, title } in places" :key="to" :to="to" class="link">
        {{ title }}
      </router-link>
      <router-link to="/catalogue" class="link">Catalogue</router-link>
    </nav>
    <v-btn
      :icon="mdiThemeLightDark"
      variant="text"
      size="small"
      aria-label="Switch between light and dark"
      @click="$emit('switchTheme')"
    />
    <v-menu v-if="session.account">
      <template #activator="{ props }">
        <v-btn v-bind="props" variant="text" size="small" class="own">
          <span class="who">{{ session.account.name }}</span>
        </v-btn>
      </template>
      <v-card>
        <p class="own-roles">
          {{ session.account.email }}<br />
          <span class="soft">{{ session.account.roles.join(', ') }}</span>
        </p>
        <v-list density="compact" role="menu">
          <v-list-item
            v-if="session.account.roles.includes('administrator')"
            role="menuitem"
            title="Audit"
            to="/audit"
          />
          <v-list-item role="menuitem" title="For programs" to="/for-programs" />
          <v-list-item role="menuitem" title="Change password" @click="changingPassword = true" />
          <v-list-item role="menuitem" title="Sign out" @click="signOut" />
        </v-list>
      </v-card>
    </v-menu>
    <PasswordDialog v-model="changingPassword" />
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 6px 24px;
  border-bottom: 1px solid var(--rule);
  min-height: 48px;
}
.wordmark {
  font-size: 1.25rem;
  text-decoration: none;
  color: var(--ink);
}
.motto {
  font-size: 0.85rem;
}
.places {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
.own-roles {
  margin: 0;
  padding: 10px 16px 8px;
  border-bottom: 1px solid var(--rule);
  font-size: 0.9rem;
}
.own {
  height: auto;
  min-height: 32px;
}
@media (max-width: 1000px) {
  .motto {
    display: none;
  }
}
@media (max-width: 700px) {
  .places {
    order: 1;
    width: 100%;
  }
  .bar {
    flex-wrap: wrap;
    gap: 6px;
    padding: 6px 12px;
  }
  .who {
    max-width: 34vw;
    white-space: normal;
    line-height: 1.1;
    text-align: left;
  }
}
</style>
