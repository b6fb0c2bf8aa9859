<script setup lang="ts">
import { ROLES } from '@kritikos/contracts/accounts';
import type { Invited, Person, Role } from '@kritikos/contracts/accounts';
import { computed, ref } from 'vue';
import { call, messageOf } from '../http/api.ts';
import { useReading } from '../http/useReading.ts';
import LoadState from '../shell/LoadState.vue';
import WideTable from '../shell/WideTable.vue';
import InviteDialog from './InviteDialog.vue';
import LinkToPassOn from './LinkToPassOn.vue';
import { useSession } from './session.ts';

const session = useSession();
const { data, error, reload } = useReading('GET /accounts');
const inviting = ref(false);
const said = ref('');
const problem = ref('');
const search = ref('');
const shown = computed(() => {
  const wanted = search.value.trim().toLowerCase();
  return (data.value ?? []).filter((p) => `${p.name} ${p.email}`.toLowerCase().includes(wanted));
});

async function change(done: string, action: () => Promise<unknown>) {
  try {
    await action();
    if (done !== '') said.value = done;
    problem.value = '';
    await reload();
  } catch (thrown) {
    problem.value = messageOf(thrown);
    said.value = '';
  }
}

function switchRole({ id, name, roles }: Person, role: Role) {
  const next = roles.includes(role) ? roles.filter((r) => r !== role) : [...roles, role];
  return change(`${name}: ${next.join(', ') || 'no role'}.`, () =>
    call('PUT /accounts/:account/roles', { params: { account: id }, body: { roles: next } }),
  );
}
const disable = ({ id, name, disabledAt }: Person) =>
  change(disabledAt ? `${name} may sign in again.` : `${name} is signed out and disabled.`, () =>
    call('PUT /accounts/:account/disabling', {
      params: { account: id },
      body: { disabled: !disabledAt },
    }),
  );
/** The link that was made last, where whoever made it passes it on. */
const toPassOn = ref<{ name: string; passOn: string }[]>([]);
function take({ person: { name, email }, passOn }: Invited) {
  toPassOn.value = passOn === null ? [] : [{ name, passOn }];
  said.value =
    passOn === null
      ? `A letter with a link for ${name} is on the way to ${email}; older links hold no longer.`
      : `There is a link for ${name}; older ones hold no longer.`;
}
const sendLink = ({ id }: Person) =>
  change('', async () =>
    take(await call('POST /accounts/:account/link', { params: { account: id } })),
  );
async function invited(who: Invited) {
  take(who);
  await reload();
}
</script>

<template>
  <div class="page">
    <div class="d-flex align-center ga-3 flex-wrap mb-2">
      <h1>People</h1>
      <v-spacer />
      <v-text-field
        v-model="search"
        label="Find by name or e-mail"
        max-width="260"
        min-width="180"
        clearable
      />
      <v-btn to="/house">The house</v-btn>
      <v-btn to="/post">Letters</v-btn>
      <v-btn color="primary" variant="flat" @click="inviting = true">Invite somebody</v-btn>
    </div>
    <p class="soft">
      Roles say what somebody may do at all; which examinations a lead leads is said at each
      examination. Disabling ends what somebody has open at once and keeps everything they did.
    </p>
    <p v-if="said" role="status">{{ said }}</p>
    <LinkToPassOn v-if="toPassOn.length > 0" :links="toPassOn" class="mb-2" @done="toPassOn = []" />
    <v-alert v-if="problem" type="error" role="alert" class="mb-2">{{ problem }}</v-alert>
    <LoadState :error="error" :loading="!data" @retry="reload" />
    <p v-if="data && shown.length === 0" class="panel">Nobody of that name.</p>
    <WideTable v-if="shown.length > 0" label="People">
      <table class="ledger panel">
        <thead>
          <tr>
            <th>Name</th>
            <th>Roles</th>
            <th>State</th>
            <th><span class="d-sr-only">What can be done</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in shown" :key="p.id" :class="{ off: p.disabledAt }">
            <td>
              <b>{{ p.name }}</b>
              <div class="soft">{{ p.email }}</div>
            </td>
            <td>
              <div class="roles">
                <button
                  v-for="role in ROLES"
                  :key="role"
                  type="button"
                  class="role"
                  :aria-pressed="p.roles.includes(role)"
                  :aria-label="`${role}, ${p.name}`"
                  @click="switchRole(p, role)"
                >
                  <span aria-hidden="true">{{ p.roles.includes(role) ? '✓' : '+' }}</span>
                  {{ role }}
                </button>
              </div>
            </td>
            <td>
              {{ p.disabledAt ? 'disabled' : p.invited ? 'invited, not here yet' : 'may sign in' }}
            </td>
            <td class="acts">
              <button
                v-if="!p.disabledAt"
                class="linkish"
                type="button"
                :aria-label="`Send ${p.name} a link`"
                @click="sendLink(p)"
              >
                {{ p.invited ? 'invite again' : 'new password' }}
              </button>
              <button
                v-if="p.id !== session.account?.id"
                class="linkish"
                type="button"
                :aria-label="`${p.disabledAt ? 'Enable' : 'Disable'} ${p.name}`"
                @click="disable(p)"
              >
                {{ p.disabledAt ? 'enable' : 'disable' }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </WideTable>
    <InviteDialog v-model="inviting" @invited="invited" />
  </div>
</template>

<style scoped>
.roles {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.role {
  min-height: 32px;
  padding: 0 8px;
  border: 1px dashed rgba(var(--v-theme-on-surface), 0.45);
  border-radius: 3px;
  color: var(--soft);
  background: none;
  font: inherit;
  font-size: 0.86rem;
  cursor: pointer;
}
.role[aria-pressed='true'] {
  border: 1.5px solid var(--petrol);
  color: var(--petrol);
  font-weight: 600;
}
.acts {
  white-space: nowrap;
}
.acts .linkish + .linkish {
  margin-left: 10px;
}
.off td {
  color: var(--soft);
}
</style>
