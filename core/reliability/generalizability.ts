import { varianceComponents } from './varianceComponents.ts';
import type { Factor } from './factor.ts';
import { counterexample, findNesting, refuseIdentical } from './nesting.ts';

/** A facet of the design; `within` names what it is nested in (examiners within stations). */
export interface Facet extends Factor {
  readonly within?: string | readonly string[];
}

export interface AnovaLine {
  readonly term: string;
  readonly df: number;
  readonly meanSquare: number;
}

export interface GStudy {
  /** Variance of every effect, named by its facets (`candidate:station`), and `residual`. */
  readonly components: Readonly<Record<string, number>>;
  readonly method: 'ANOVA' | 'REML';
  /** The analysis of variance behind the components; empty for REML. */
  readonly table: readonly AnovaLine[];
  readonly mean: number;
  readonly n: number;
  readonly notes: readonly string[];
}

interface Term {
  readonly name: string;
  readonly facets: readonly number[];
  readonly factor: Factor;
}

/**
 * A generalizability study: the variance of the object of measurement (the first facet, usually
 * the candidate), of every other facet, and of all their interactions, all random.
 *
 * Crossed and nested designs with one mark a cell. Balanced: from the expected mean squares of the
 * analysis of variance, `E(MS_T) = sum over U containing T of (n / levels_U) s_U^2`; negative
 * estimates are set to zero and said so. Unbalanced or incomplete: REML.
 * The effect of the last interaction cannot be told from error; both are the residual.
 *
 * Nesting is read off the marks: a facet whose levels each stay with one level of another is
 * nested in it, declared or not, and a note says so. Refused with `RangeError`: a declared nesting
 * that the marks contradict or that runs in a circle, facets that part the marks in the same way,
 * and an object that is nested in a facet.
 *
 * Sources: Cronbach, Gleser, Nanda & Rajaratnam 1972; Brennan 2001, chapters 3 and 4; Searle,
 * Casella & McCulloch 1992 for the mean squares. Worked value: Shrout & Fleiss 1979, six targets
 * by four judges, give 2.556 for targets, 5.244 for judges and 1.019 left.
 */
export function gStudy(marks: Float64Array, facets: readonly Facet[]): GStudy {
  if (facets.length < 2) throw new RangeError('A G study needs an object and one facet at least.');
  refuseIdentical(facets);
  const { declared, notes } = declareNesting(facets);
  const terms = termsOf(declared);
  const n = marks.length;
  const mean = marks.reduce((sum, y) => sum + y, 0) / n;
  const last = terms.at(-1) as Term;
  if (last.factor.levels !== n) {
    const cells = last.factor.levels;
    throw new RangeError(
      `${n} marks stand in ${cells} cells of ${last.name}; a G study takes one mark a cell. Name a further facet.`,
    );
  }
  const study = isBalanced(terms, n) ? byAnova(marks, terms, mean) : byReml(marks, terms, mean);
  return { ...study, notes: [...notes, ...study.notes] };
}

function withinOf({ within }: Facet): readonly string[] {
  return within === undefined ? [] : typeof within === 'string' ? [within] : within;
}

/** The facets with every nesting that the marks show, and a note for each that nobody declared. */
function declareNesting(facets: readonly Facet[]): { declared: Facet[]; notes: string[] } {
  const find = (name: string) => facets.find((facet) => facet.name === name);
  for (const inner of facets) {
    for (const name of withinOf(inner)) {
      const outer = find(name);
      if (!outer || outer === inner) {
        throw new RangeError(`${inner.name} cannot be nested in ${name}.`);
      }
      if (outerOf(outer, find).includes(inner.name)) {
        throw new RangeError(`${inner.name} and ${name} cannot each be nested in the other.`);
      }
      const crossed = counterexample(inner, outer);
      if (crossed) {
        throw new RangeError(
          `${inner.name} is not nested in ${name}: ${crossed}. If those are different, give each a name of its own.`,
        );
      }
    }
  }
  const { nested } = findNesting(facets);
  const object = facets[0] as Facet;
  const around = nested.find(([inner]) => inner === object.name);
  if (around) {
    throw new RangeError(
      `Every ${object.name} is found with one ${around[1]} only, so differences between them cannot be told from those between ${around[1]}s. Leave ${around[1]} out, or study each apart.`,
    );
  }
  const notes: string[] = [];
  const declared = facets.map((facet) => {
    const outer = nested.flatMap(([inner, name]) => (inner === facet.name ? [name] : []));
    const fresh = outer.filter((name) => !outerOf(facet, find).includes(name));
    for (const name of fresh) {
      notes.push(
        `Every ${facet.name} is found with one ${name} only: ${facet.name} is taken as nested in ${name}, though nobody declared it.`,
      );
    }
    return outer.length === 0 ? facet : { ...facet, within: outer };
  });
  return { declared, notes };
}

/** All that a facet is declared to be nested in, directly or through others. */
function outerOf(facet: Facet, find: (name: string) => Facet | undefined): string[] {
  const found: string[] = [];
  const waiting = [...withinOf(facet)];
  for (let name = waiting.pop(); name !== undefined; name = waiting.pop()) {
    if (found.includes(name)) continue;
    found.push(name);
    const outer = find(name);
    if (outer) waiting.push(...withinOf(outer));
  }
  return found;
}

/** All effects of the design: subsets of the facets that contain whatever their facets are nested in. */
function termsOf(facets: readonly Facet[]): Term[] {
  const terms: Term[] = [];
  for (let bits = 1; bits < 1 << facets.length; bits++) {
    const members = facets.flatMap((_, f) => (bits & (1 << f) ? [f] : []));
    const names = new Set(members.map((f) => facets[f]?.name));
    const whole = members.every((f) =>
      withinOf(facets[f] as Facet).every((name) => names.has(name)),
    );
    if (!whole) continue;
    const parts = members.map((f) => facets[f] as Facet);
    terms.push({
      name: parts.map(({ name }) => name).join(':'),
      facets: members,
      factor: crossed(parts),
    });
  }
  return terms.sort((a, b) => a.facets.length - b.facets.length);
}

/** One factor whose levels are the combinations that occur. */
export function crossed(parts: readonly Factor[]): Factor {
  const first = parts[0] as Factor;
  if (parts.length === 1) return first;
  const known = new Map<string, number>();
  const level = Int32Array.from(first.level, (_, i) => {
    const key = parts.map((part) => part.level[i]).join(':');
    const code = known.get(key) ?? known.size;
    known.set(key, code);
    return code;
  });
  return { name: parts.map(({ name }) => name).join(':'), levels: known.size, level };
}

/** Balanced: every combination of levels that an effect can have occurs equally often. */
function isBalanced(terms: readonly Term[], n: number): boolean {
  return (
    terms.every(({ factor }) => {
      const counts = new Int32Array(factor.levels);
      for (const l of factor.level) counts[l] = (counts[l] as number) + 1;
      return counts.every((c) => c * factor.levels === n);
    }) &&
    degreesOfFreedom(terms).every((df) => df > 0) &&
    fullyCrossed(terms)
  );
}

/** Levels of an interaction must be the product of the levels of its parts, nested ones counted within. */
function fullyCrossed(terms: readonly Term[]): boolean {
  const last = terms.at(-1) as Term;
  return terms.every((a) =>
    terms.every((b) => {
      const union = terms.find((t) => sameSet(t.facets, [...new Set([...a.facets, ...b.facets])]));
      const common = terms.find((t) =>
        sameSet(
          t.facets,
          a.facets.filter((f) => b.facets.includes(f)),
        ),
      );
      const levels = (t: Term | undefined) => t?.factor.levels ?? 1;
      return levels(union ?? last) * levels(common) === levels(a) * levels(b);
    }),
  );
}

function sameSet(a: readonly number[], b: readonly number[]): boolean {
  return a.length === b.length && a.every((x) => b.includes(x));
}

function contains(larger: Term, smaller: Term): boolean {
  return smaller.facets.every((f) => larger.facets.includes(f));
}

function degreesOfFreedom(terms: readonly Term[]): number[] {
  const df: number[] = [];
  for (const [t, term] of terms.entries()) {
    let own = term.factor.levels - 1;
    for (let u = 0; u < t; u++) if (contains(term, terms[u] as Term)) own -= df[u] as number;
    df.push(own);
  }
  return df;
}

function byAnova(marks: Float64Array, terms: readonly Term[], mean: number): GStudy {
  const n = marks.length;
  const df = degreesOfFreedom(terms);
  const squares: number[] = [];
  for (const [t, term] of terms.entries()) {
    const { levels, level } = term.factor;
    const sums = new Float64Array(levels);
    for (let i = 0; i < n; i++) {
      const l = level[i] as number;
      sums[l] = (sums[l] as number) + (marks[i] as number) - mean;
    }
    let own = sums.reduce((sum, s) => sum + (s * s * levels) / n, 0);
    for (let u = 0; u < t; u++) if (contains(term, terms[u] as Term)) own -= squares[u] as number;
    squares.push(own);
  }
  const meanSquares = squares.map((s, t) => s / (df[t] as number));
  const raw: number[] = terms.map(() => 0);
  for (let t = terms.length - 1; t >= 0; t--) {
    const term = terms[t] as Term;
    let rest = meanSquares[t] as number;
    for (let u = t + 1; u < terms.length; u++) {
      const larger = terms[u] as Term;
      if (contains(larger, term)) rest -= (n / larger.factor.levels) * (raw[u] as number);
    }
    raw[t] = rest / (n / term.factor.levels);
  }
  const named = (t: number) => (t === terms.length - 1 ? 'residual' : (terms[t] as Term).name);
  return {
    components: Object.fromEntries(raw.map((s, t) => [named(t), Math.max(0, s)])),
    method: 'ANOVA',
    table: terms.map((_, t) => ({
      term: named(t),
      df: df[t] as number,
      meanSquare: meanSquares[t] as number,
    })),
    mean,
    n,
    notes: raw.flatMap((s, t) =>
      s < 0
        ? [`The estimate for ${named(t)} was negative (${s.toPrecision(3)}) and is set to zero.`]
        : [],
    ),
  };
}

function byReml(marks: Float64Array, terms: readonly Term[], mean: number): GStudy {
  const n = marks.length;
  const seen = terms.filter(({ factor }) => factor.levels > 1 && factor.levels < n);
  // In a sparse layout two interactions may part the marks alike; the simpler one stands for both.
  const { identical } = findNesting(seen.map((t) => ({ ...t.factor, name: t.name })));
  const usable = seen.filter(({ name }) => !identical.some(([, later]) => later === name));
  const doubles = identical.filter(([first]) => usable.some((term) => term.name === first));
  const left = terms.slice(0, -1).filter((term) => !seen.includes(term));
  const fit = varianceComponents(
    marks,
    usable.map((term) => ({ ...term.factor, name: term.name })),
  );
  return {
    components: { ...fit.components, residual: fit.residual },
    method: 'REML',
    table: [],
    mean,
    n,
    notes: [
      ...fit.notes,
      ...left.map(
        ({ name }) =>
          `${name} cannot be told apart from the residual in these marks and is part of it.`,
      ),
      ...doubles.map(
        ([first, later]) =>
          `${later} cannot be told apart from ${first} in these marks and is part of it.`,
      ),
    ],
  };
}
