import type { Factor } from './factor.ts';

/** Levels of one facet that can be compared with each other, and not with those of another group. */
export interface ComparableGroups {
  readonly facet: string;
  /** By the names of the levels, where the factor has them; the largest group first. */
  readonly groups: readonly (readonly string[])[];
}

/** A prime below 2^26: products of two residues stay exact in a double. */
const PRIME = 67_108_859;

/**
 * Which levels of an additive design `mark ~ facet + facet + ...` can be told apart.
 *
 * A model with F facets is identified up to F - 1 constants when the design has the rank
 * `sum of levels - (F - 1)`. Joining levels by common marks is not enough for three facets: two
 * circuits of the same stations, each with its own examiners and candidates, hang together through
 * the stations, and yet a hard circuit of examiners looks like a weak one of candidates.
 *
 * The largest facet is eliminated by differences within its levels, the rest by Gaussian
 * elimination over a prime field, where a rank can only by an unlucky prime come out too small.
 * Empty where everything can be told apart; else every facet whose levels fall into groups.
 * Source: estimable functions in any text on linear models, for example Searle 1971, section 5.4.
 */
export function inseparable(factors: readonly Factor[]): ComparableGroups[] {
  const largest = factors.reduce((at, f, i) => (f.levels > (factors[at]?.levels ?? 0) ? i : at), 0);
  const rest = factors.filter((_, f) => f !== largest);
  const offsets: number[] = [];
  let width = 0;
  for (const { levels } of rest) {
    offsets.push(width);
    width += levels;
  }
  const wanted = width - rest.length;
  const basis = new RowSpace(width);
  const { level, levels } = factors[largest] as Factor;
  const columnsOf = (i: number) =>
    rest.map((factor, f) => (offsets[f] as number) + (factor.level[i] as number));
  const first = new Int32Array(levels).fill(-1);
  const seen = new Set<string>();
  for (let i = 0; i < level.length && basis.rank < wanted; i++) {
    const l = level[i] as number;
    if (first[l] === -1) {
      first[l] = i;
      continue;
    }
    const [plus, minus] = [columnsOf(i), columnsOf(first[l] as number)];
    const name = `${plus.join()}:${minus.join()}`;
    if (seen.has(name)) continue;
    seen.add(name);
    basis.add(plus, minus);
  }
  if (basis.rank === wanted) return [];
  return rest.flatMap((factor, f) => {
    const from = offsets[f] as number;
    const groups: number[][] = [];
    for (let l = 0; l < factor.levels; l++) {
      const own = groups.find((group) => basis.holds([from + l], [from + (group[0] as number)]));
      if (own) own.push(l);
      else groups.push([l]);
    }
    if (groups.length < 2) return [];
    const named = groups
      .sort((a, b) => b.length - a.length)
      .map((group) => group.map((l) => factor.names?.[l] ?? String(l + 1)));
    return [{ facet: factor.name, groups: named }];
  });
}

/** The space spanned by rows, kept in echelon form over a prime field. */
class RowSpace {
  private readonly rows: (Float64Array | undefined)[];
  private readonly scratch: Float64Array;
  rank = 0;

  constructor(width: number) {
    this.rows = new Array<Float64Array | undefined>(width).fill(undefined);
    this.scratch = new Float64Array(width);
  }

  /** Adds the row with 1 at the first columns and -1 at the second, where it is not spanned yet. */
  add(plus: readonly number[], minus: readonly number[]): void {
    const lead = this.reduce(plus, minus);
    if (lead < 0) return;
    const scale = inverse(this.scratch[lead] as number);
    this.rows[lead] = this.scratch.map((x) => (x * scale) % PRIME);
    this.rank++;
  }

  holds(plus: readonly number[], minus: readonly number[]): boolean {
    return this.reduce(plus, minus) < 0;
  }

  /** Reduces the row in `scratch` and answers with its first column that is left, or -1. */
  private reduce(plus: readonly number[], minus: readonly number[]): number {
    const row = this.scratch.fill(0);
    for (const at of plus) row[at] = ((row[at] as number) + 1) % PRIME;
    for (const at of minus) row[at] = ((row[at] as number) + PRIME - 1) % PRIME;
    for (let column = 0; column < row.length; column++) {
      const factor = row[column] as number;
      if (factor === 0) continue;
      const pivot = this.rows[column];
      if (!pivot) return column;
      for (let j = column; j < row.length; j++) {
        const p = pivot[j] as number;
        if (p !== 0) row[j] = ((row[j] as number) + (PRIME - factor) * p) % PRIME;
      }
    }
    return -1;
  }
}

/** The inverse in the prime field, by Fermat: x^(p - 2). */
function inverse(x: number): number {
  let [result, base, exponent] = [1, x, PRIME - 2];
  while (exponent > 0) {
    if (exponent % 2 === 1) result = (result * base) % PRIME;
    base = (base * base) % PRIME;
    exponent = Math.floor(exponent / 2);
  }
  return result;
}

const MOST_NAMED = 6;

/** What cannot be told apart and what would mend it, in words. */
export function sayInseparable(found: readonly ComparableGroups[], candidates: string): string {
  const [worst] = [...found].sort((a, b) => b.groups.length - a.groups.length);
  if (!worst) return '';
  const list = (names: readonly string[]) =>
    names.slice(0, MOST_NAMED).join(', ') +
    (names.length > MOST_NAMED ? ` and ${names.length - MOST_NAMED} more` : '');
  const groups = worst.groups
    .slice(0, 4)
    .map((group) => `{${list(group)}}`)
    .join(' against ');
  const more = worst.groups.length > 4 ? ` and ${worst.groups.length - 4} more groups` : '';
  const facets = found.map(({ facet }) => facet).join(' and ');
  const [a = '', b = ''] = worst.groups.map((group) => group[0]);
  return (
    `The design does not tell ${facets} apart from the rest: ${worst.facet} ${groups}${more} cannot be compared, ` +
    `so nothing is fitted. It would be mended by ${candidates}s whom both ${worst.facet} ${a} and ${worst.facet} ${b} ` +
    `mark at one and the same station, or by one ${worst.facet} who marks in both groups.`
  );
}
