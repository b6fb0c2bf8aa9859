import { useQueryCache } from '@pinia/colada';
import { hint } from '@kritikos/contracts/hints';
import type { Hint } from '@kritikos/contracts/hints';
import { onScopeDispose, watch } from 'vue';
import { useSession } from '../accounts/session.ts';

const listeners = new Set<(heard: Hint) => void>();

/** Hears every hint while the component lives: for what the query cache does not hold. */
export function onHint(listener: (heard: Hint) => void): void {
  listeners.add(listener);
  onScopeDispose(() => listeners.delete(listener));
}

/**
 * Listens for hints while a lead is signed in: what a page shows of an examination that changed is
 * read again. A connection that was lost loses nothing: on its return everything on screen is read
 * again.
 */
export function useHints(): void {
  const session = useSession();
  const cache = useQueryCache();
  let source: EventSource | undefined;
  let broken = false;

  function close(): void {
    source?.close();
    source = undefined;
  }

  function open(): void {
    close();
    broken = false;
    source = new EventSource('/api/hints');
    source.onopen = () => {
      if (broken) void cache.invalidateQueries({ active: true });
      broken = false;
    };
    source.onerror = () => (broken = true);
    source.onmessage = ({ data }) => {
      const heard = hint.safeParse(JSON.parse(String(data)));
      if (!heard.success) return;
      void readAgain('draft' in heard.data ? heard.data.draft : heard.data.examination);
      for (const listener of listeners) listener(heard.data);
    };
  }

  /** Reads again what was read of this examination or draft: its id is in what was sent. */
  async function readAgain(id: string): Promise<void> {
    await cache.invalidateQueries({
      active: true,
      predicate: ({ key }) => key.some((part) => String(part).includes(id)),
    });
  }

  watch(
    () => session.account,
    (account) => (account?.roles.includes('lead') ? open() : close()),
    { immediate: true },
  );
  onScopeDispose(close);
}
