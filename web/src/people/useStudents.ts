import type { Student } from '@kritikos/contracts/people';
import { ref, shallowRef } from 'vue';
import { call, messageOf } from '../http/api.ts';

const PAGE = 100;

/**
 * The students of a cohort by their place in the list, read a page at a time as they come into
 * sight: ten thousand are as long as the list is, and as heavy as what is seen of it.
 */
export function useStudents(cohort: string) {
  const total = ref<number | null>(null);
  const error = ref('');
  const pages = shallowRef(new Map<number, readonly Student[]>());
  const asked = new Set<number>();
  let search = '';
  let look = 0;

  async function read(page: number): Promise<void> {
    if (asked.has(page)) return;
    asked.add(page);
    const own = look;
    try {
      const found = await call('GET /cohorts/:cohort/students', {
        params: { cohort },
        query: { offset: page * PAGE, limit: PAGE, ...(search ? { search } : {}) },
      });
      if (own !== look) return; // another search was begun meanwhile
      total.value = found.total;
      pages.value = new Map(pages.value).set(page, found.students);
      error.value = '';
    } catch (thrown) {
      asked.delete(page);
      error.value = messageOf(thrown);
    }
  }

  /** Begins anew, with what is looked for. */
  async function find(text: string): Promise<void> {
    search = text.trim();
    look++;
    asked.clear();
    pages.value = new Map();
    await read(0);
  }

  /** Who stands at this place; nobody yet where the page is on its way. */
  function at(place: number): Student | undefined {
    const page = Math.floor(place / PAGE);
    const known = pages.value.get(page);
    if (!known) void read(page);
    return known?.[place % PAGE];
  }

  return { total, error, at, find };
}
