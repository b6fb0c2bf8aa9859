import type { Router } from 'vue-router';

const OF_EXAMINATION = '/examinations/:examination';

/**
 * Fetches the other pages of an examination while nothing else is to be done, one after the other,
 * so that the first look at each need not wait for its code.
 */
export function prefetchPages(router: Router): void {
  const waiting = router
    .getRoutes()
    .filter(({ path }) => path.startsWith(OF_EXAMINATION))
    .flatMap(({ components }) => {
      const page: unknown = components?.default;
      return typeof page === 'function' ? [page as () => Promise<unknown>] : [];
    });
  const next = () => {
    const page = waiting.shift();
    // Without a network it is fetched when it is asked for, and says so then.
    if (page) void page().then(later, () => undefined);
  };
  const later = () => {
    if ('requestIdleCallback' in window) requestIdleCallback(next);
    else setTimeout(next, 200);
  };
  later();
}
