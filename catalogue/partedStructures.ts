import type { Procedure } from './procedure.ts';

/** Structures that the catalogue knew as one and has parted since, each with its parts. */
const PARTED: Readonly<Record<string, readonly string[]>> = {
  'soleus or ankle joint': ['soleus', 'ankle joint'],
};

/**
 * A school's own procedure that was written when two structures were one: whatever it says of the
 * one it says of both now, so that it still meets the patients of either.
 */
export function withPartedStructures(procedure: Procedure): Procedure {
  const { structures, loads, misleads, voids, refrains, numbers, findings } = procedure;
  return {
    ...procedure,
    ...parted({ structures, loads, misleads, voids, numbers, findings }),
    ...(refrains ? { refrains: parted(refrains) } : {}),
  };
}

function parted<T>(value: T): T {
  if (Array.isArray(value)) return value.flatMap(partsOf).map(parted) as T;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([name, own]) => [name, parted(own)])) as T;
}

/** One of a list that names a parted structure, itself or by its lesion, once for each part. */
function partsOf(one: unknown): readonly unknown[] {
  if (typeof one === 'string') return PARTED[one] ?? [one];
  if (typeof one !== 'object' || one === null) return [one];
  if ('structure' in one) {
    const parts = PARTED[String(one.structure)];
    return parts?.map((structure) => ({ ...one, structure })) ?? [one];
  }
  if ('lesion' in one) {
    return partsOf(one.lesion).map((lesion) => (lesion === one.lesion ? one : { ...one, lesion }));
  }
  return [one];
}
