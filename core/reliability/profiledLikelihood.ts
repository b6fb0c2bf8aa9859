import { MixedModelMatrix } from '../numerics/mixedModelMatrix.ts';
import type { Factor } from './factor.ts';

/** The profiled likelihood at one point, with what its slope and its curvature are made of. */
export interface Point {
  readonly d: number;
  readonly q: number;
  readonly r: number;
  readonly mu: number;
  readonly a: Float64Array;
  readonly e: Float64Array;
}

/**
 * The restricted likelihood of a mixed model with sigma and the intercept profiled out, as a
 * function of the variance ratios alone; the formulas stand at `varianceComponents`.
 */
export class ProfiledModel {
  readonly matrix: MixedModelMatrix;
  readonly offsets: number[] = [];
  readonly n: number;
  private readonly mean: number;
  private readonly squares: number;
  private readonly counts: Float64Array;
  private readonly sums: Float64Array;

  constructor(
    marks: Float64Array,
    readonly factors: readonly Factor[],
  ) {
    this.n = marks.length;
    this.mean = marks.reduce((sum, y) => sum + y, 0) / this.n;
    let size = 0;
    for (const factor of factors) {
      this.offsets.push(size);
      size += factor.levels;
    }
    this.counts = new Float64Array(size);
    this.sums = new Float64Array(size);
    let squares = 0;
    for (let i = 0; i < this.n; i++) {
      const y = (marks[i] as number) - this.mean;
      squares += y * y;
      for (const [f, { level }] of factors.entries()) {
        const at = (this.offsets[f] as number) + (level[i] as number);
        this.counts[at] = (this.counts[at] as number) + 1;
        this.sums[at] = (this.sums[at] as number) + y;
      }
    }
    this.squares = squares;
    this.matrix = new MixedModelMatrix(this.counts, this.meetings(size));
  }

  /** How often two levels of different factors meet in a mark. */
  private meetings(size: number): Map<number, number>[] {
    const { factors, offsets, n } = this;
    const neighbours = Array.from({ length: size }, () => new Map<number, number>());
    for (let f = 0; f < factors.length; f++) {
      for (let g = 0; g < f; g++) {
        for (let i = 0; i < n; i++) {
          const a = (offsets[f] as number) + ((factors[f] as Factor).level[i] as number);
          const b = (offsets[g] as number) + ((factors[g] as Factor).level[i] as number);
          const own = neighbours[a] as Map<number, number>;
          const met = (own.get(b) ?? 0) + 1;
          own.set(b, met);
          (neighbours[b] as Map<number, number>).set(a, met);
        }
      }
    }
    return neighbours;
  }

  private scales(gamma: readonly number[]): Float64Array {
    const scales = new Float64Array(this.matrix.size);
    for (const [f, { levels }] of this.factors.entries()) {
      const from = this.offsets[f] as number;
      scales.fill(Math.sqrt(gamma[f] as number), from, from + levels);
    }
    return scales;
  }

  at(gamma: readonly number[]): Point {
    const scales = this.scales(gamma);
    const logDeterminant = this.matrix.rescale(scales);
    const one = this.counts.map((c, i) => c * (scales[i] as number));
    const own = this.sums.map((s, i) => s * (scales[i] as number));
    const e = this.matrix.solve(one);
    const b = this.matrix.solve(own);
    const q = this.n - dot(one, e);
    const shift = -dot(one, b) / q;
    const rest = this.squares - dot(own, b) - shift * shift * q;
    const r = Math.max(rest, Number.MIN_VALUE);
    const a = b.map((x, i) => x - shift * (e[i] as number));
    const d = logDeterminant + Math.log(q) + (this.n - 1) * Math.log(r);
    return { d, q, r, mu: this.mean + shift, a, e };
  }

  /** dd/dgamma of every factor, at the point that was computed last. */
  slope({ q, r, a, e }: Point, gamma: readonly number[]): number[] {
    const inverse = this.matrix.inverseDiagonal();
    return this.factors.map(({ levels }, f) => {
      const from = this.offsets[f] as number;
      let trace = 0;
      let once = 0;
      let squared = 0;
      for (let i = from; i < from + levels; i++) {
        trace += inverse[i] as number;
        once += (e[i] as number) ** 2;
        squared += (a[i] as number) ** 2;
      }
      const slope = levels - trace - once / q - ((this.n - 1) * squared) / r;
      return slope / (gamma[f] as number);
    });
  }

  /** The average information of the profiled criterion: its curvature, nearly. */
  curvature({ q, r, a, e }: Point, gamma: readonly number[]): number[][] {
    const scales = this.scales(gamma);
    const parts = this.factors.map(({ levels }, f) => {
      const from = this.offsets[f] as number;
      const scale = Math.sqrt(gamma[f] as number);
      const v = new Float64Array(this.matrix.size);
      for (let i = from; i < from + levels; i++) v[i] = (a[i] as number) / scale;
      const gv = this.matrix.timesG(v);
      const scaled = gv.map((x, i) => x * (scales[i] as number));
      let toOne = 0;
      let toOwn = 0;
      for (let i = from; i < from + levels; i++) {
        toOne += ((v[i] as number) * (e[i] as number)) / scale;
        toOwn += (v[i] as number) ** 2;
      }
      return { v, gv, scaled, solved: this.matrix.solve(scaled), toOne, toOwn };
    });
    return parts.map((f) =>
      parts.map((g) => {
        const both = dot(f.v, g.gv) - dot(f.scaled, g.solved) - (f.toOne * g.toOne) / q;
        return ((this.n - 1) / r) * (both - (f.toOwn * g.toOwn) / r);
      }),
    );
  }

  /** Rough ratios from the variances of the level means, as a place to begin. */
  start(): number[] {
    const total = this.squares / this.n;
    const shares = this.factors.map(({ levels }, f) => {
      const from = this.offsets[f] as number;
      let between = 0;
      let noise = 0;
      for (let l = from; l < from + levels; l++) {
        const c = Math.max(1, this.counts[l] as number);
        between += ((this.sums[l] as number) / c) ** 2 / levels;
        noise += total / c / levels;
      }
      return Math.max(0.02, (between - noise) / total);
    });
    const residual = Math.max(0.1, 1 - shares.reduce((sum, s) => sum + s, 0));
    return shares.map((share) => share / residual);
  }
}

function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += (a[i] as number) * (b[i] as number);
  return sum;
}
