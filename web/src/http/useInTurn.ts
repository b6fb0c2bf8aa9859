import { useEventListener } from '@vueuse/core';
import { computed, ref } from 'vue';
import type { ComputedRef } from 'vue';

/**
 * The changes of a page, one on the way at a time: the server takes them in the order in which they
 * were made, and no answer comes after that of a later one. The browser asks before the page is left
 * while any waits.
 */
export function useInTurn(): {
  readonly inTurn: <T>(act: () => Promise<T>) => Promise<T>;
  /** True while any is on the way or waits. */
  readonly busy: ComputedRef<boolean>;
} {
  const waiting = ref(0);
  let last: Promise<unknown> = Promise.resolve();
  useEventListener('beforeunload', (event: BeforeUnloadEvent) => {
    if (waiting.value > 0) event.preventDefault();
  });
  return {
    busy: computed(() => waiting.value > 0),
    inTurn<T>(act: () => Promise<T>): Promise<T> {
      waiting.value++;
      const own = last.then(act).finally(() => waiting.value--);
      last = own.catch(() => undefined); // whoever asked is told
      return own;
    },
  };
}
