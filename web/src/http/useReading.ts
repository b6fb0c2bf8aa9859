import { useQuery, useQueryCache } from '@pinia/colada';
import type { Address, Answer, Sent } from '@kritikos/contracts/api';
import { computed } from 'vue';
import type { ComputedRef } from 'vue';
import { useSession } from '../accounts/session.ts';
import { ask, messageOf } from './api.ts';

/** When the answer of a change was last taken for what would be read, and a count that tells what is later. */
const takenAt = new Map<string, number>();
/** How many changes of what would be read are on the way. */
const changing = new Map<string, number>();
/** What was read meanwhile, and is read again when they have arrived. */
const owed = new Set<string>();
let moment = 0;

export interface Reading<T> {
  /** What was last read; `null` until something was. */
  readonly data: ComputedRef<T | null>;
  /** What went wrong with the last attempt; empty where nothing did. */
  readonly error: ComputedRef<string>;
  readonly reload: () => Promise<void>;
  /** Takes what a change has answered with for what would be read now. */
  readonly take: (now: T) => void;
  /** Makes a change; what is read meanwhile may not know of it, and does not replace what stands here. */
  readonly whileChanging: <R>(act: () => Promise<R>) => Promise<R>;
}

/**
 * Reads an address of the API while a page is open, through the one cache of the application: what
 * was read before stands at once and is read again when it is stale, when the page is looked at
 * again and when the network is back. A change of what is sent reads anew.
 */
export function useReading<A extends Address>(
  address: A,
  ...[sent, options]: Record<never, never> extends Sent<A>
    ? [sent?: () => Sent<A>, options?: Options]
    : [sent: () => Sent<A>, options?: Options]
): Reading<Answer<A>> {
  return useRead(
    () => [address, JSON.stringify(sent?.() ?? null)],
    () => ask(address, sent?.()),
    options,
  );
}

interface Options {
  /** Leaves on the screen what was read before, until the next is there: for turning pages. */
  readonly keep?: boolean;
}

/** The same for whatever is read by a way of its own. */
export function useRead<T>(
  name: () => string[],
  load: () => Promise<T>,
  { keep = false }: Options = {},
): Reading<T> {
  const session = useSession();
  const cache = useQueryCache();
  // What one person has read is not shown to the next who signs in here.
  const key = () => [session.account?.id ?? 'nobody', ...name()];
  const query = useQuery<T>({
    key,
    query: async () => {
      const [began, own] = [++moment, key()];
      const read = await load();
      const [name, known] = [JSON.stringify(own), cache.getQueryData<T>(own)];
      const older = (changing.get(name) ?? 0) > 0 || (takenAt.get(name) ?? 0) > began;
      if (!older || known === undefined) return read;
      // What stands here is newer than what was asked for before it; once it is quiet, all is read again.
      if (changing.get(name)) owed.add(name);
      else setTimeout(() => void query.refetch());
      return known;
    },
    ...(keep ? { placeholderData: (before: T | undefined) => before } : {}),
  });
  return {
    data: computed(() => query.data.value ?? null),
    error: computed(() => (query.error.value === null ? '' : messageOf(query.error.value))),
    reload: async () => void (await query.refetch()),
    whileChanging: async (act) => {
      const name = JSON.stringify(key());
      changing.set(name, (changing.get(name) ?? 0) + 1);
      try {
        return await act();
      } finally {
        changing.set(name, (changing.get(name) ?? 1) - 1);
        takenAt.set(name, ++moment);
        if (!changing.get(name) && owed.delete(name)) setTimeout(() => void query.refetch());
      }
    },
    take: (now) => {
      takenAt.set(JSON.stringify(key()), ++moment);
      cache.setQueryData(key(), now);
    },
  };
}
