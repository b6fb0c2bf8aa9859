import { invertSymmetric } from './symmetricInverse.ts';

/**
 * The matrix `A = S G S + I` of a mixed model, for a fixed sparse symmetric G and changing scales
 * S = diag(s): its determinant, solutions of `A x = b`, and the diagonal of its inverse.
 *
 * Levels are eliminated sparsely, the least connected first (minimum degree, Tinney & Walker
 * 1967), until what is left is about half full; that core is inverted densely, where memory is
 * read in order. With 3,000 candidates and 1,100 examiners the candidates go sparsely and the
 * examiners make the core. The diagonal of the inverse follows backwards over the sparse columns
 * (Takahashi, Fagan & Chen 1973): only entries within the pattern are ever needed.
 */
export class MixedModelMatrix {
  readonly size: number;
  private readonly sparse: number;
  /** Elimination order; the first `sparse` are columns of their own, the rest is the core. */
  private readonly order: Int32Array;
  /** Rows below the diagonal of each sparse column, by position in the order. */
  private readonly rows: Int32Array[] = [];
  private readonly base: Float64Array[] = [];
  /** `values[p][k]`: entry of the unit lower factor, A = L D L' over the sparse columns. */
  private readonly values: Float64Array[] = [];
  /** For every row of a column that is itself sparse: where its later rows stand in that column. */
  private readonly targets: (Int32Array | null)[][] = [];
  private readonly diagonal: Float64Array;
  private readonly pivots: Float64Array;
  private readonly coreBase: Float64Array;
  /** The inverse of the core, lower triangle, row-major. */
  private readonly core: Float64Array;

  /** `diagonal[i]` and `neighbours[i]` (level j -> G_ij, both directions) describe G. */
  constructor(
    diagonal: Float64Array,
    private readonly neighbours: readonly ReadonlyMap<number, number>[],
  ) {
    this.size = diagonal.length;
    const { order, structures } = eliminate(neighbours);
    this.order = order;
    this.sparse = structures.length;
    const position = new Int32Array(this.size);
    for (const [p, i] of order.entries()) position[i] = p;
    this.diagonal = Float64Array.from(order, (i) => diagonal[i] as number);
    this.pivots = new Float64Array(this.sparse);
    for (const [p, structure] of structures.entries()) {
      const rows = Int32Array.from(structure, (i) => position[i] as number).sort();
      const own = neighbours[order[p] as number];
      this.rows.push(rows);
      this.base.push(Float64Array.from(rows, (q) => own?.get(order[q] as number) ?? 0));
      this.values.push(new Float64Array(rows.length));
    }
    for (const rows of this.rows) this.targets.push(this.targetsOf(rows));
    const m = this.size - this.sparse;
    this.coreBase = new Float64Array(m * m);
    this.core = new Float64Array(m * m);
    for (let a = 0; a < m; a++) {
      for (const [j, value] of neighbours[order[this.sparse + a] as number] ?? []) {
        const b = (position[j] as number) - this.sparse;
        if (b >= 0 && b < a) this.coreBase[a * m + b] = value;
      }
    }
  }

  private targetsOf(rows: Int32Array): (Int32Array | null)[] {
    return Array.from(rows, (q, k) => {
      if (q >= this.sparse) return null;
      const column = this.rows[q] as Int32Array;
      const later = new Int32Array(rows.length - k - 1);
      for (let l = k + 1, at = 0; l < rows.length; l++) {
        while (column[at] !== rows[l]) at++;
        later[l - k - 1] = at;
      }
      return later;
    });
  }

  /** G v, by level. */
  timesG(v: Float64Array): Float64Array {
    const result = new Float64Array(this.size);
    for (const [p, i] of this.order.entries()) {
      let sum = (this.diagonal[p] as number) * (v[i] as number);
      for (const [j, value] of this.neighbours[i] ?? []) sum += value * (v[j] as number);
      result[i] = sum;
    }
    return result;
  }

  /** Takes new scales, by level: factors A anew and returns the log of its determinant. */
  rescale(scales: Float64Array): number {
    const { size, sparse, order, core } = this;
    const m = size - sparse;
    const scale = Float64Array.from(order, (i) => scales[i] as number);
    const diagonal = this.diagonal.map((g, p) => g * (scale[p] as number) ** 2 + 1);
    for (let p = 0; p < sparse; p++) {
      const base = this.base[p] as Float64Array;
      const rows = this.rows[p] as Int32Array;
      const values = this.values[p] as Float64Array;
      const s = scale[p] as number;
      for (let k = 0; k < rows.length; k++) {
        values[k] = (base[k] as number) * s * (scale[rows[k] as number] as number);
      }
    }
    for (let a = 0; a < m; a++) {
      const s = scale[sparse + a] as number;
      for (let b = 0; b < a; b++) {
        core[a * m + b] = (this.coreBase[a * m + b] as number) * s * (scale[sparse + b] as number);
      }
    }
    let logDeterminant = 0;
    for (let p = 0; p < sparse; p++) logDeterminant += this.eliminateColumn(p, diagonal);
    for (let a = 0; a < m; a++) core[a * m + a] = diagonal[sparse + a] as number;
    return logDeterminant + invertSymmetric(core, m);
  }

  private eliminateColumn(p: number, diagonal: Float64Array): number {
    const { sparse, core } = this;
    const m = this.size - sparse;
    const rows = this.rows[p] as Int32Array;
    const values = this.values[p] as Float64Array;
    const targets = this.targets[p] as (Int32Array | null)[];
    const pivot = diagonal[p] as number;
    this.pivots[p] = pivot;
    for (let k = 0; k < rows.length; k++) {
      const q = rows[k] as number;
      const v = (values[k] as number) / pivot;
      diagonal[q] = (diagonal[q] as number) - v * (values[k] as number);
      const later = targets[k];
      if (later) {
        const column = this.values[q] as Float64Array;
        for (let l = 0; l < later.length; l++) {
          const at = later[l] as number;
          column[at] = (column[at] as number) - v * (values[k + 1 + l] as number);
        }
      } else {
        const b = q - sparse;
        for (let l = k + 1; l < rows.length; l++) {
          const at = ((rows[l] as number) - sparse) * m + b;
          core[at] = (core[at] as number) - v * (values[l] as number);
        }
      }
    }
    for (let k = 0; k < rows.length; k++) values[k] = (values[k] as number) / pivot;
    return Math.log(pivot);
  }

  /** The solution of A x = b, by level. */
  solve(b: Float64Array): Float64Array {
    const { size, sparse, order, core } = this;
    const m = size - sparse;
    const x = Float64Array.from(order, (i) => b[i] as number);
    for (let p = 0; p < sparse; p++) {
      const rows = this.rows[p] as Int32Array;
      const values = this.values[p] as Float64Array;
      const w = x[p] as number;
      for (let k = 0; k < rows.length; k++) {
        const q = rows[k] as number;
        x[q] = (x[q] as number) - w * (values[k] as number);
      }
    }
    const tail = x.slice(sparse);
    x.fill(0, sparse);
    for (let i = 0; i < m; i++) {
      const row = i * m;
      const own = tail[i] as number;
      let sum = (core[row + i] as number) * own;
      for (let j = 0; j < i; j++) {
        const c = core[row + j] as number;
        sum += c * (tail[j] as number);
        x[sparse + j] = (x[sparse + j] as number) + c * own;
      }
      x[sparse + i] = (x[sparse + i] as number) + sum;
    }
    for (let p = sparse - 1; p >= 0; p--) {
      const rows = this.rows[p] as Int32Array;
      const values = this.values[p] as Float64Array;
      let sum = (x[p] as number) / (this.pivots[p] as number);
      for (let k = 0; k < rows.length; k++)
        sum -= (values[k] as number) * (x[rows[k] as number] as number);
      x[p] = sum;
    }
    const result = new Float64Array(size);
    for (const [p, i] of order.entries()) result[i] = x[p] as number;
    return result;
  }

  /** The diagonal of the inverse of A, by level. */
  inverseDiagonal(): Float64Array {
    const { size, sparse, order, core } = this;
    const m = size - sparse;
    /** Inverse entries of each sparse column within its pattern, and on the diagonal. */
    const inverse = this.rows.map((rows) => new Float64Array(rows.length));
    const onDiagonal = new Float64Array(size);
    for (let a = 0; a < m; a++) onDiagonal[sparse + a] = core[a * m + a] as number;
    for (let p = sparse - 1; p >= 0; p--) {
      const rows = this.rows[p] as Int32Array;
      const values = this.values[p] as Float64Array;
      const targets = this.targets[p] as (Int32Array | null)[];
      const column = inverse[p] as Float64Array;
      for (let k = 0; k < rows.length; k++) {
        const q = rows[k] as number;
        const v = values[k] as number;
        column[k] = (column[k] as number) - v * (onDiagonal[q] as number);
        const later = targets[k];
        const deeper = later ? (inverse[q] as Float64Array) : core;
        for (let l = k + 1; l < rows.length; l++) {
          const at = later
            ? (later[l - k - 1] as number)
            : ((rows[l] as number) - sparse) * m + q - sparse;
          const z = deeper[at] as number;
          column[k] = (column[k] as number) - (values[l] as number) * z;
          column[l] = (column[l] as number) - v * z;
        }
      }
      let own = 1 / (this.pivots[p] as number);
      for (let k = 0; k < rows.length; k++) own -= (values[k] as number) * (column[k] as number);
      onDiagonal[p] = own;
    }
    const result = new Float64Array(size);
    for (const [p, i] of order.entries()) result[i] = onDiagonal[p] as number;
    return result;
  }
}

/** A core that is fuller than this is cheaper to factor densely. */
const FULL = 0.4;

/** Minimum-degree elimination on the graph of G, stopped where the rest has become a dense core. */
function eliminate(neighbours: readonly ReadonlyMap<number, number>[]): {
  order: Int32Array;
  structures: number[][];
} {
  const size = neighbours.length;
  const graph = neighbours.map((own) => new Set(own.keys()));
  const byDegree: Set<number>[] = [];
  const file = (i: number) => {
    const degree = graph[i]?.size ?? 0;
    (byDegree[degree] ??= new Set()).add(i);
  };
  const unfile = (i: number) => byDegree[graph[i]?.size ?? 0]?.delete(i);
  for (let i = 0; i < size; i++) file(i);
  const order: number[] = [];
  const structures: number[][] = [];
  const gone = new Uint8Array(size);
  let lowest = 0;
  for (let left = size; left > 0; left--) {
    lowest = Math.max(0, Math.min(lowest, byDegree.length - 1));
    while (lowest < byDegree.length && !byDegree[lowest]?.size) lowest++;
    if (left > 8 && lowest > FULL * left) break;
    const [i] = byDegree[lowest] as Set<number>;
    if (i === undefined) break;
    const own = [...(graph[i] as Set<number>)];
    unfile(i);
    gone[i] = 1;
    order.push(i);
    structures.push(own);
    for (const a of own) {
      const set = graph[a] as Set<number>;
      unfile(a);
      set.delete(i);
      for (const b of own) if (b !== a) set.add(b);
      file(a);
    }
    lowest = Math.max(0, lowest - 1);
  }
  for (let i = 0; i < size; i++) if (!gone[i]) order.push(i);
  return { order: Int32Array.from(order), structures };
}
