import type { Account, FirstAccount, Session, SignIn } from '@kritikos/contracts/accounts';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { call, NoConnection, useCsrfToken, awaitCsrfToken } from '../http/api.ts';

const REMEMBERED = 'kritikos.account';

/** What this device remembers; before there were several roles, it remembered the one. */
function rememberedAccount(remembered: string): Account {
  const account = JSON.parse(remembered) as Account & { role?: Account['roles'][number] };
  return { ...account, roles: account.roles ?? (account.role ? [account.role] : []) };
}

/** Who is signed in here. Without a network the last known account is trusted for showing, never for sending. */
export const useSession = defineStore('session', () => {
  const account = ref<Account | null>(null);
  const needsFirstAdministrator = ref(false);
  /** Whether letters leave this installation. */
  const sendsLetters = ref(false);
  const known = ref(false);

  async function refresh(): Promise<void> {
    try {
      take(await call('GET /session'));
    } catch (error) {
      if (!(error instanceof NoConnection)) throw error;
      const remembered = localStorage.getItem(REMEMBERED);
      account.value = remembered ? rememberedAccount(remembered) : null;
      known.value = true;
      awaitCsrfToken();
    }
  }

  function take(session: Session): void {
    account.value = session.account;
    needsFirstAdministrator.value = session.needsFirstAdministrator;
    sendsLetters.value = session.sendsLetters;
    known.value = true;
    useCsrfToken(session.csrfToken);
    if (session.account) localStorage.setItem(REMEMBERED, JSON.stringify(session.account));
    else localStorage.removeItem(REMEMBERED);
  }

  return {
    account,
    needsFirstAdministrator,
    sendsLetters,
    known,
    refresh,
    take,
    signIn: async (attempt: SignIn) => take(await call('POST /session', { body: attempt })),
    createFirstAdministrator: async (person: FirstAccount) =>
      take(await call('POST /accounts/first-administrator', { body: person })),
    signOut: async () => {
      await call('DELETE /session');
      take({
        ...{ account: null, csrfToken: '' },
        ...{ needsFirstAdministrator: false, sendsLetters: sendsLetters.value },
      });
    },
  };
});
