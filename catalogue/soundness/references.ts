import { PROCEDURES } from '../procedures.ts';
import type { Procedure } from '../procedure.ts';
import { nearestOf } from './nearestOf.ts';
import type { Unsound } from './unsound.ts';

/** It leads on to procedures that there are. */
export function leadsNowhere({ followUp }: Procedure, known: ReadonlySet<string>): Unsound[] {
  return followUp.flatMap((next, i): Unsound[] => {
    if (known.has(next)) return [];
    const nearest = nearestOf(next, [...known]);
    const reason = `names ${next}, which nobody knows`;
    return [{ path: `/followUp/${i}`, reason, nearest, instead: nearest }];
  });
}

/** The variants of the checklist are the schools of the procedure. */
export function otherVariants({ schools, checklist }: Procedure): Unsound[] {
  const own = schools.map(({ key }) => key);
  return checklist.variants.flatMap(({ key }, i): Unsound[] => {
    if (own.includes(key)) return [];
    const nearest = nearestOf(key, own);
    const reason = `names ${key}, which is none of the schools`;
    return [{ path: `/checklist/variants/${i}/key`, reason, nearest, instead: nearest }];
  });
}

/** A school's own procedure has a name of its own: that of the catalogue stays the catalogue's. */
export function namedLikeCatalogue({ id }: Pick<Procedure, 'id'>): Unsound[] {
  if (!PROCEDURES.some((procedure) => procedure.id === id)) return [];
  const own = `own-${id}`.slice(0, 60);
  const reason = `is ${id}, which is a procedure of the catalogue`;
  return [{ path: '/id', reason, nearest: own, instead: own }];
}
