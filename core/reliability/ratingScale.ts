import { spread } from './facetMeasures.ts';
import type { FacetMeasures } from './facetMeasures.ts';
import type { Factor } from './factor.ts';
import { GradeMoments } from './gradeMoments.ts';
import { estimateWarm } from './warmEstimate.ts';

/** A search that takes longer did not settle. */
export const MOST_ITERATIONS = 500;
const SMALL_STEP = 1e-6;
/** A Newton step longer than a logit trusts the curve too far. */
const LONGEST_STEP = 1;
/** How far an extreme total is drawn in, in grades. */
const DRAWN_IN = 0.3;

/** The rating scale model under estimation: measures, steps and what they are estimated from. */
export class RatingScale {
  /** `measures[f][level]`; ability counts up, the others down. */
  readonly measures: Float64Array[];
  readonly steps: Float64Array;
  private readonly totals: Float64Array[];
  private readonly counts: Int32Array[];
  /** Levels whose marks are all lowest or all highest: they have no finite estimate of their own. */
  private readonly extreme: Uint8Array[];
  private used: Uint8Array;
  private readonly atOrAbove: Float64Array;
  private readonly grade: GradeMoments;
  private fits: { readonly infit: (number | null)[]; readonly outfit: (number | null)[] }[] = [];

  constructor(
    private readonly scores: Uint8Array,
    private readonly top: number,
    private readonly factors: readonly Factor[],
  ) {
    this.measures = factors.map(({ levels }) => new Float64Array(levels));
    this.steps = new Float64Array(top);
    this.totals = factors.map(({ levels }) => new Float64Array(levels));
    this.counts = factors.map(({ levels }) => new Int32Array(levels));
    this.extreme = factors.map(({ levels }) => new Uint8Array(levels));
    this.used = new Uint8Array(scores.length).fill(1);
    this.atOrAbove = new Float64Array(top + 1);
    this.grade = new GradeMoments(this.steps);
    this.setExtremesAside();
  }

  /**
   * Candidates with all marks lowest or all highest say nothing of the others and are set aside,
   * unless a grade would vanish with them. Whatever is extreme among the rest has its total drawn
   * in by three tenths of a grade (common practice, no source), so that its estimate is finite.
   */
  private setExtremesAside(): void {
    this.count();
    const { level } = this.factors[0] as Factor;
    const total = Float64Array.from(this.totals[0] as Float64Array);
    const most = (this.counts[0] as Int32Array).map((c) => c * this.top);
    this.used = Uint8Array.from(level, (l) => (total[l] === 0 || total[l] === most[l] ? 0 : 1));
    const left = new Set(this.scores.filter((_, i) => this.used[i]));
    if (left.size <= this.top) this.used.fill(1);
    this.count();
    for (const [f, own] of this.totals.entries()) {
      for (const [l, x] of own.entries()) {
        const full = (this.counts[f]?.[l] as number) * this.top;
        if (full === 0) (this.extreme[f] as Uint8Array)[l] = 1;
        else if (x === 0 || x === full) {
          own[l] = x === 0 ? DRAWN_IN : full - DRAWN_IN;
          (this.extreme[f] as Uint8Array)[l] = 1;
        }
      }
    }
  }

  private count(): void {
    for (const [f, { level }] of this.factors.entries()) {
      const total = (this.totals[f] as Float64Array).fill(0);
      const count = (this.counts[f] as Int32Array).fill(0);
      for (const [i, l] of level.entries()) {
        if (!this.used[i]) continue;
        total[l] = (total[l] as number) + (this.scores[i] as number);
        count[l] = (count[l] as number) + 1;
      }
    }
    this.atOrAbove.fill(0);
    for (const [i, x] of this.scores.entries()) {
      if (!this.used[i]) continue;
      for (let k = 1; k <= x; k++) this.atOrAbove[k] = (this.atOrAbove[k] as number) + 1;
    }
  }

  private locationOf(i: number): number {
    let location = (this.measures[0] as Float64Array)[
      this.factors[0]?.level[i] as number
    ] as number;
    for (let f = 1; f < this.factors.length; f++) {
      location -= (this.measures[f] as Float64Array)[this.factors[f]?.level[i] as number] as number;
    }
    return location;
  }

  fit(): number {
    let iterations = 0;
    for (; iterations < MOST_ITERATIONS; iterations++) {
      let largest = this.moveSteps();
      for (let f = 0; f < this.factors.length; f++) largest = Math.max(largest, this.moveFacet(f));
      if (largest < SMALL_STEP) break;
    }
    return iterations;
  }

  private moveFacet(f: number): number {
    const { level } = this.factors[f] as Factor;
    const own = this.measures[f] as Float64Array;
    const expected = new Float64Array(own.length);
    const information = new Float64Array(own.length);
    for (let i = 0; i < this.scores.length; i++) {
      if (!this.used[i]) continue;
      this.grade.at(this.locationOf(i));
      const l = level[i] as number;
      expected[l] = (expected[l] as number) + this.grade.mean;
      information[l] = (information[l] as number) + this.grade.variance;
    }
    const sign = f === 0 ? 1 : -1;
    let largest = 0;
    let sum = 0;
    let free = 0;
    for (let l = 0; l < own.length; l++) {
      if (!((information[l] as number) > 0)) continue;
      const wanted =
        ((this.totals[f]?.[l] as number) - (expected[l] as number)) / (information[l] as number);
      const step = Math.max(-LONGEST_STEP, Math.min(LONGEST_STEP, wanted));
      own[l] = (own[l] as number) + sign * step;
      largest = Math.max(largest, Math.abs(step));
      sum += own[l] as number;
      free++;
    }
    // All facets but the first are centred: the candidates carry the level of the scale.
    if (f > 0) this.shift(f, sum / free);
    return largest;
  }

  private shift(f: number, by: number): void {
    const own = this.measures[f] as Float64Array;
    const first = this.measures[0] as Float64Array;
    for (let l = 0; l < own.length; l++) own[l] = (own[l] as number) - by;
    for (let l = 0; l < first.length; l++) first[l] = (first[l] as number) - by;
  }

  private moveSteps(): number {
    const { top } = this;
    if (top < 2) return 0;
    const expected = new Float64Array(top + 1);
    const information = new Float64Array(top + 1);
    for (let i = 0; i < this.scores.length; i++) {
      if (!this.used[i]) continue;
      this.grade.at(this.locationOf(i));
      let above = 0;
      for (let k = top; k >= 1; k--) {
        above += this.grade.chances[k] as number;
        expected[k] = (expected[k] as number) + above;
        information[k] = (information[k] as number) + above * (1 - above);
      }
    }
    let largest = 0;
    let sum = 0;
    for (let k = 1; k <= top; k++) {
      const wanted =
        ((this.atOrAbove[k] as number) - (expected[k] as number)) / (information[k] as number);
      const step = Math.max(-LONGEST_STEP, Math.min(LONGEST_STEP, wanted)) / 2;
      this.steps[k - 1] = (this.steps[k - 1] as number) - step;
      largest = Math.max(largest, Math.abs(step));
      sum += this.steps[k - 1] as number;
    }
    const mean = sum / top;
    const first = this.measures[0] as Float64Array;
    for (let k = 0; k < top; k++) this.steps[k] = (this.steps[k] as number) - mean;
    this.grade.take(this.steps);
    for (let l = 0; l < first.length; l++) first[l] = (first[l] as number) - mean;
    return largest;
  }

  /**
   * Mean squares of residuals at the joint estimates as they stand: drawn together afterwards, the
   * measures would leave residuals that look smaller than they are. None for whom was set aside.
   */
  takeFit(): void {
    this.fits = this.factors.map(({ level, levels }) => {
      const information = new Float64Array(levels);
      const squares = new Float64Array(levels);
      const standardized = new Float64Array(levels);
      const counts = new Int32Array(levels);
      for (const [i, l] of level.entries()) {
        if (!this.used[i]) continue;
        this.grade.at(this.locationOf(i));
        const { mean, variance } = this.grade;
        const square = ((this.scores[i] as number) - mean) ** 2;
        information[l] = (information[l] as number) + variance;
        squares[l] = (squares[l] as number) + square;
        standardized[l] = (standardized[l] as number) + square / Math.max(variance, 1e-12);
        counts[l] = (counts[l] as number) + 1;
      }
      const over = (sums: Float64Array, by: ArrayLike<number>) =>
        Array.from(sums, (sum, l) => (counts[l] === 0 ? null : sum / (by[l] as number)));
      return { infit: over(squares, information), outfit: over(standardized, counts) };
    });
  }

  /** The correction of Wright & Douglas for the spread of joint estimates. */
  drawTogether(): void {
    const perCandidate = this.scores.length / (this.factors[0] as Factor).levels;
    const share = Math.max(0, (perCandidate - 1) / perCandidate);
    for (const own of this.measures.slice(1)) own.forEach((x, l) => (own[l] = x * share));
    this.steps.forEach((x, k) => (this.steps[k] = x * share));
    this.grade.take(this.steps);
  }

  /** Candidates by Warm's estimate, and likewise every level that was set aside. */
  measureCandidates(): void {
    for (const [f, { level, levels }] of this.factors.entries()) {
      const sign = f === 0 ? 1 : -1;
      const own = this.measures[f] as Float64Array;
      const extreme = this.extreme[f] as Uint8Array;
      const wanted = (l: number) => f === 0 || extreme[l] === 1;
      const totals = new Float64Array(levels);
      const rest: number[][] = Array.from({ length: levels }, () => []);
      for (const [i, l] of level.entries()) {
        if (!wanted(l)) continue;
        totals[l] = (totals[l] as number) + (this.scores[i] as number);
        rest[l]?.push(this.locationOf(i) - sign * (own[l] as number));
      }
      for (const [l, locations] of rest.entries()) {
        if (locations.length === 0) continue;
        own[l] = sign * estimateWarm(totals[l] as number, locations, this.steps);
      }
    }
  }

  describe(f: number, grades: readonly number[]): FacetMeasures {
    const { level, levels, name } = this.factors[f] as Factor;
    const information = new Float64Array(levels);
    const sums = new Float64Array(levels);
    const counts = new Int32Array(levels);
    for (const [i, l] of level.entries()) {
      this.grade.at(this.locationOf(i));
      information[l] = (information[l] as number) + this.grade.variance;
      sums[l] = (sums[l] as number) + (grades[this.scores[i] as number] as number);
      counts[l] = (counts[l] as number) + 1;
    }
    const own = this.measures[f] as Float64Array;
    const average = f === 0 ? 0 : mean(this.measures[0] as Float64Array);
    const elements = Array.from(own, (measure, l) => ({
      level: l,
      measure,
      standardError: 1 / Math.sqrt(information[l] as number),
      infit: this.fits[f]?.infit[l] ?? null,
      outfit: this.fits[f]?.outfit[l] ?? null,
      marks: counts[l] as number,
      observedAverage: (sums[l] as number) / (counts[l] as number),
      fairAverage: this.fairAverage(f === 0 ? measure : average - measure, grades),
      extreme: this.extreme[f]?.[l] === 1,
    }));
    return { name, elements, ...spread(elements) };
  }

  private fairAverage(location: number, grades: readonly number[]): number {
    this.grade.at(location);
    return this.grade.chances.reduce((sum, p, k) => sum + p * (grades[k] as number), 0);
  }

  notes(): string[] {
    return this.factors.flatMap(({ name }, f) => {
      const set = (this.extreme[f] as Uint8Array).reduce((sum, x) => sum + x, 0);
      return set > 0
        ? [
            `${set} of ${name} have all marks at one end of the scale; their measures are estimates beyond what was seen.`,
          ]
        : [];
    });
  }
}

function mean(values: Float64Array): number {
  return values.reduce((sum, x) => sum + x, 0) / values.length;
}
