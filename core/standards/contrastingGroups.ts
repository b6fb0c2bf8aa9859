import { extent, mean, variance } from '../numerics/summary.ts';

export interface ContrastingCuts {
  /** Where the two normal curves cross between the means; `null` where they do not. */
  readonly normal: number | null;
  /** The score at which a logistic curve gives even chances of either judgement. */
  readonly logistic: number | null;
  /** The score at which the fewest candidates are on the wrong side; the middle where several are. */
  readonly leastMisclassified: number | null;
  readonly misclassified: number | null;
  /** Why there is no cut, or why it should be looked at twice. */
  readonly notes: readonly string[];
}

/**
 * Contrasting groups (Berk 1976): the cut that best parts candidates judged competent from those
 * judged not competent.
 *
 * Normal curves with each group's own mean and variance cross where
 * `(x - m1)^2 / v1 + log v1 = (x - m2)^2 / v2 + log v2`; the root between the means is taken.
 * The logistic form (Livingston & Zieky 1989) is `-a / b` of the regression of the judgement on the
 * score; where the groups do not overlap no finite curve exists, and it is `null`.
 * Worked value: means 40 and 60 with equal variances cross at 50.
 */
export function contrastingGroups(
  notCompetent: readonly number[],
  competent: readonly number[],
): ContrastingCuts {
  const [low, high] = [mean(notCompetent), mean(competent)];
  const none = { normal: null, logistic: null, leastMisclassified: null, misclassified: null };
  if (low === null || high === null) {
    const which = low === null ? 'not competent' : 'competent';
    return { ...none, notes: [`Nobody was judged ${which}, so there is nothing to part.`] };
  }
  if (low >= high) {
    return {
      ...none,
      notes: [
        `Candidates judged not competent score ${low.toFixed(1)} on average, those judged competent ${high.toFixed(1)}: the groups stand the wrong way round, and no cut parts them. Are the judgements coded as you think?`,
      ],
    };
  }
  return {
    normal: crossing(notCompetent, competent),
    logistic: evenChances(notCompetent, competent),
    ...leastWrong(notCompetent, competent),
    notes: [],
  };
}

function crossing(low: readonly number[], high: readonly number[]): number | null {
  const m1 = mean(low);
  const m2 = mean(high);
  const v1 = variance(low);
  const v2 = variance(high);
  if (m1 === null || m2 === null || !v1 || !v2 || m1 >= m2) return null;
  if (Math.abs(v1 - v2) < 1e-9 * v1) return (m1 + m2) / 2;
  const a = 1 / v1 - 1 / v2;
  const b = -2 * (m1 / v1 - m2 / v2);
  const c = (m1 * m1) / v1 - (m2 * m2) / v2 + Math.log(v1 / v2);
  const root = b * b - 4 * a * c;
  if (root < 0) return null;
  const roots = [-1, 1].map((sign) => (-b + sign * Math.sqrt(root)) / (2 * a));
  return roots.find((x) => x > m1 && x < m2) ?? null;
}

function leastWrong(
  low: readonly number[],
  high: readonly number[],
): { leastMisclassified: number | null; misclassified: number | null } {
  const scores = [...new Set([...low, ...high])].sort((a, b) => a - b);
  if (low.length === 0 || high.length === 0)
    return { leastMisclassified: null, misclassified: null };
  // Going up score by score, each candidate passed changes the count by one.
  const wrongAt = new Map<number, number>();
  for (const s of low) wrongAt.set(s, (wrongAt.get(s) ?? 0) - 1);
  for (const s of high) wrongAt.set(s, (wrongAt.get(s) ?? 0) + 1);
  let now = low.length;
  const cuts: number[] = [];
  const wrong: number[] = [];
  for (const [i, s] of scores.slice(0, -1).entries()) {
    now += wrongAt.get(s) ?? 0;
    cuts.push((s + (scores[i + 1] as number)) / 2);
    wrong.push(now);
  }
  if (cuts.length === 0) return { leastMisclassified: null, misclassified: null };
  const least = wrong.reduce((a, b) => Math.min(a, b), Infinity);
  const best = cuts.filter((_, i) => wrong[i] === least);
  const middle = mean(best);
  return { leastMisclassified: middle, misclassified: middle === null ? null : least };
}

/** Where the logistic regression of competent on score reaches one half, by Newton's method. */
function evenChances(low: readonly number[], high: readonly number[]): number | null {
  const scores = [...low, ...high];
  const centre = mean(scores);
  if (centre === null || low.length === 0 || high.length === 0) return null;
  // Without overlap the likelihood rises for ever steeper curves.
  const [[lowLeast, lowMost], [highLeast, highMost]] = [extent(low), extent(high)];
  if (lowMost <= highLeast || highMost <= lowLeast) return null;
  const scale = Math.sqrt(variance(scores) ?? 0);
  const x = scores.map((score) => (score - centre) / scale);
  let a = 0;
  let b = 0;
  for (let iteration = 0; iteration < 100; iteration++) {
    let ga = 0;
    let gb = 0;
    let haa = 0;
    let hab = 0;
    let hbb = 0;
    for (const [i, value] of x.entries()) {
      const p = 1 / (1 + Math.exp(-a - b * value));
      const rest = (i < low.length ? 0 : 1) - p;
      const w = p * (1 - p);
      ga += rest;
      gb += rest * value;
      haa += w;
      hab += w * value;
      hbb += w * value * value;
    }
    const det = haa * hbb - hab * hab;
    if (!(det > 1e-14)) return null;
    const da = (ga * hbb - gb * hab) / det;
    const db = (gb * haa - ga * hab) / det;
    a += da;
    b += db;
    if (Math.abs(da) + Math.abs(db) < 1e-12) break;
  }
  return b > 0 ? centre - (scale * a) / b : null;
}
