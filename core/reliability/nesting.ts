import type { Factor } from './factor.ts';

/** How the levels of two factors meet in the marks. */
export interface Nesting {
  /** `[inner, outer]`: every level of the inner one is found with one level of the outer only. */
  readonly nested: readonly (readonly [inner: string, outer: string])[];
  /** Factors that part the marks in the very same way, so that no marks can tell them apart. */
  readonly identical: readonly (readonly [string, string])[];
}

/**
 * Finds nesting and identity among factors from the marks themselves, whatever was declared.
 *
 * Worked value: examiners who each stay at one station are nested in stations; where each station
 * has one examiner of its own, the two factors are identical.
 */
export function findNesting(factors: readonly Factor[]): Nesting {
  const nested: (readonly [string, string])[] = [];
  const identical: (readonly [string, string])[] = [];
  for (const [i, a] of factors.entries()) {
    for (const b of factors.slice(i + 1)) {
      const inside = partner(a, b) !== null;
      const outside = partner(b, a) !== null;
      if (inside && outside) identical.push([a.name, b.name]);
      else if (inside) nested.push([a.name, b.name]);
      else if (outside) nested.push([b.name, a.name]);
    }
  }
  return { nested, identical };
}

/** For every level of the inner factor the one level of the outer it meets; `null` if some meet two. */
function partner(inner: Factor, outer: Factor): Int32Array | null {
  const met = new Int32Array(inner.levels).fill(-1);
  for (const [i, l] of inner.level.entries()) {
    const other = outer.level[i] as number;
    if (met[l] === -1) met[l] = other;
    else if (met[l] !== other) return null;
  }
  return met;
}

/** A level of the inner factor that meets two levels of the outer, in words; `null` if none does. */
export function counterexample(inner: Factor, outer: Factor): string | null {
  const met = new Int32Array(inner.levels).fill(-1);
  const call = (factor: Factor, l: number) => factor.names?.[l] ?? String(l + 1);
  for (const [i, l] of inner.level.entries()) {
    const other = outer.level[i] as number;
    if (met[l] === -1) met[l] = other;
    else if (met[l] !== other) {
      const first = call(outer, met[l] as number);
      return `${inner.name} ${call(inner, l)} is found with ${outer.name} ${first} and ${outer.name} ${call(outer, other)}`;
    }
  }
  return null;
}

/** Refuses factors that no marks can tell apart, by name. */
export function refuseIdentical(factors: readonly Factor[]): void {
  const [pair] = findNesting(factors).identical;
  if (!pair) return;
  throw new RangeError(
    `${pair[0]} and ${pair[1]} part the marks in the same way, so their variances cannot be told apart. Leave one of them out.`,
  );
}
