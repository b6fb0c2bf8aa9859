/**
 * Marks in columns: row i is one item of one candidate. `share[i]` is what the mark earned of the
 * item's weight, in [0, 1]. Items are numbered through all stations; `stationOf` and `domainOf`
 * say where each belongs. Columns take millions of marks without an object each.
 */
export interface MarkColumns {
  readonly candidates: number;
  readonly stations: number;
  readonly candidate: Int32Array;
  readonly item: Int32Array;
  readonly share: Float64Array | Float32Array;
  readonly stationOf: Int32Array;
  readonly domainOf: Int32Array;
  readonly domains: number;
  readonly weight: Float64Array;
}

export interface ItemQuality {
  readonly item: number;
  readonly n: number;
  /** Mean share earned: 1 where everybody has it, and then it tells nobody apart. */
  readonly facility: number | null;
  readonly sd: number | null;
  /** Correlation with the rest of the station; near 0 or below, the item measures something else. */
  readonly itemRest: number | null;
  /** Mean share of the best 27 % less that of the weakest 27 % of the station (Kelley 1939). */
  readonly discrimination: number | null;
}

/** Weighted scores of every candidate at every station, in percent; NaN where nothing was marked. */
export function stationScores(marks: MarkColumns): Float64Array {
  return percents(marks, marks.stations, (item) => marks.stationOf[item] as number);
}

/** The same per domain, over all stations. */
export function domainScores(marks: MarkColumns): Float64Array {
  return percents(marks, marks.domains, (item) => marks.domainOf[item] as number);
}

function percents(marks: MarkColumns, groups: number, groupOf: (item: number) => number) {
  const { candidates, candidate, item, share, weight } = marks;
  const earned = new Float64Array(candidates * groups);
  const possible = new Float64Array(candidates * groups);
  for (let i = 0; i < share.length; i++) {
    const own = item[i] as number;
    const at = (candidate[i] as number) * groups + groupOf(own);
    const w = weight[own] as number;
    earned[at] = (earned[at] as number) + w * (share[i] as number);
    possible[at] = (possible[at] as number) + w;
  }
  for (let at = 0; at < earned.length; at++) {
    earned[at] = (100 * (earned[at] as number)) / (possible[at] as number);
  }
  return earned;
}

/** Share of candidates in the upper and in the lower group (Kelley 1939). */
const TAIL = 0.27;

/**
 * Facility and discrimination of every item, in two passes over the marks: time grows with the
 * marks, memory with candidates x stations. Missing marks are left out item by item.
 * `scores` are those of `stationScores`, in percent.
 */
export function itemQuality(marks: MarkColumns, scores: Float64Array): ItemQuality[] {
  const { candidate, item, share, stationOf, stations, weight } = marks;
  const possible = new Float64Array(scores.length);
  for (let i = 0; i < share.length; i++) {
    const own = item[i] as number;
    const at = (candidate[i] as number) * stations + (stationOf[own] as number);
    possible[at] = (possible[at] as number) + (weight[own] as number);
  }
  const bounds = Array.from({ length: stations }, (_, s) => tailsOf(scores, stations, s));
  const low = Float64Array.from(bounds, ([lower]) => lower);
  const high = Float64Array.from(bounds, ([, upper]) => upper);
  const items = weight.length;
  const sums = Array.from({ length: 9 }, () => new Float64Array(items));
  const [n, x, xx, r, rr, xr, tops, bottoms, topSum] = sums as [Float64Array, ...Float64Array[]];
  const bottomSum = new Float64Array(items);
  const add = (to: Float64Array | undefined, at: number, value: number) => {
    if (to) to[at] = (to[at] as number) + value;
  };
  for (let i = 0; i < share.length; i++) {
    const own = item[i] as number;
    const s = stationOf[own] as number;
    const at = (candidate[i] as number) * stations + s;
    const value = share[i] as number;
    const score = scores[at] as number;
    const all = possible[at] as number;
    const w = weight[own] as number;
    const rest = all > w ? ((score / 100) * all - w * value) / (all - w) : 0;
    add(n, own, 1);
    add(x, own, value);
    add(xx, own, value * value);
    add(r, own, rest);
    add(rr, own, rest * rest);
    add(xr, own, value * rest);
    if (score >= (high[s] as number)) {
      add(tops, own, 1);
      add(topSum, own, value);
    }
    if (score <= (low[s] as number)) {
      add(bottoms, own, 1);
      add(bottomSum, own, value);
    }
  }
  return Array.from({ length: items }, (_, own): ItemQuality => {
    const count = n[own] as number;
    const at = (of: Float64Array | undefined) => of?.[own] as number;
    if (count === 0) {
      return { item: own, n: 0, facility: null, sd: null, itemRest: null, discrimination: null };
    }
    const facility = at(x) / count;
    const varX = Math.max(0, at(xx) - at(x) * facility);
    const varR = Math.max(0, at(rr) - (at(r) * at(r)) / count);
    const both = at(xr) - (at(x) * at(r)) / count;
    const spread = Math.sqrt(varX * varR);
    return {
      item: own,
      n: count,
      facility,
      sd: count > 1 ? Math.sqrt(varX / (count - 1)) : null,
      itemRest: spread > 1e-9 * count ? both / spread : null,
      discrimination:
        at(tops) > 0 && at(bottoms) > 0
          ? at(topSum) / at(tops) - (bottomSum[own] as number) / at(bottoms)
          : null,
    };
  });
}

/** The scores of one station up to which the lower, and from which the upper group reaches. */
function tailsOf(scores: Float64Array, stations: number, s: number): [number, number] {
  const own: number[] = [];
  for (let at = s; at < scores.length; at += stations) {
    const score = scores[at] as number;
    if (!Number.isNaN(score)) own.push(score);
  }
  const sorted = Float64Array.from(own).sort();
  const size = Math.max(1, Math.round(TAIL * sorted.length));
  return [sorted[size - 1] ?? -Infinity, sorted[sorted.length - size] ?? Infinity];
}
