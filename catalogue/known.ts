import { withPartedStructures } from './partedStructures.ts';
import type { Procedure } from './procedure.ts';
import { PROCEDURES } from './procedures.ts';

/** The procedures that can be examined: those of the catalogue, and those of a school's own shelf. */
export interface KnownProcedures {
  /** The catalogue's first. */
  readonly all: readonly Procedure[];
  readonly find: (id: string) => Procedure | undefined;
  /** Whether it stands on the school's own shelf. */
  readonly isOwn: (id: string) => boolean;
}

/** The catalogue with a school's own procedures beside it. */
export function withShelf(shelf: readonly Procedure[]): KnownProcedures {
  const all = [...PROCEDURES, ...shelf.map(withPartedStructures)];
  const byId = new Map(all.map((procedure) => [procedure.id, procedure]));
  const own = new Set(shelf.map(({ id }) => id));
  return { all, find: (id) => byId.get(id), isOwn: (id) => own.has(id) };
}

export const CATALOGUE: KnownProcedures = withShelf([]);
