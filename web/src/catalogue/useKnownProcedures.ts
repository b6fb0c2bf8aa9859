import { CATALOGUE, withShelf } from '@kritikos/catalogue/known';
import type { KnownProcedures } from '@kritikos/catalogue/known';
import type { Procedure } from '@kritikos/catalogue/procedure';
import { computed } from 'vue';
import { useReading } from '../http/useReading.ts';

/**
 * The procedures that can be examined: the catalogue, which is always there, and the school's own
 * shelf as soon as it was read.
 */
export function useKnownProcedures() {
  const { data, error, reload } = useReading('GET /shelf');
  /** Those that are retired too: there may be stations that ask them. */
  const known = computed((): KnownProcedures =>
    data.value === null || data.value.length === 0
      ? CATALOGUE
      : withShelf(data.value.map(({ procedure }) => procedure)),
  );
  const retired = computed(
    () => new Set(data.value?.flatMap((own) => (own.retired ? [own.procedure.id] : []))),
  );
  /** What a new station can be made from. */
  const choice = computed((): readonly Procedure[] =>
    retired.value.size === 0
      ? known.value.all
      : known.value.all.filter(({ id }) => !retired.value.has(id)),
  );
  const nameOf = (id: string) => known.value.find(id)?.names[0] ?? id;
  return {
    known,
    choice,
    retired,
    nameOf,
    read: computed(() => data.value !== null),
    error,
    reload,
  };
}
