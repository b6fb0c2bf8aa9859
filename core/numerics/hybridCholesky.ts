/**
 * Cholesky factor of `S G S + I` for a fixed sparse symmetric G and changing scales S = diag(s):
 * the matrix whose determinant and solutions a mixed model asks for at every step.
 *
 * Levels are eliminated sparsely, the least connected first (minimum degree, Tinney & Walker
 * 1967), until what is left is about half full; that core is factored densely, row by row, where
 * memory is read in order. With 3,000 candidates and 1,100 examiners the candidates go sparsely
 * and the examiners make the core.
 */
export class HybridCholesky {
  private readonly size: number;
  /** Elimination order; the first `sparse` are columns of their own, the rest is the core. */
  private readonly order: Int32Array;
  private readonly sparse: number;
  /** Rows below the diagonal of each sparse column, by position in the order. */
  private readonly rows: Int32Array[] = [];
  private readonly base: Float64Array[] = [];
  private readonly values: Float64Array[] = [];
  /** For every row of a column that is itself sparse: where its later rows stand in that column. */
  private readonly targets: (Int32Array | null)[][] = [];
  private readonly diagonal: Float64Array;
  private readonly pivots: Float64Array;
  private readonly coreBase: Float64Array;
  private readonly core: Float64Array;

  /** `diagonal[i]` and `neighbours[i]` (level j -> G_ij, both directions) describe G. */
  constructor(diagonal: Float64Array, neighbours: readonly ReadonlyMap<number, number>[]) {
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
      const own = neighbours[order[this.sparse + a] as number];
      for (let b = 0; b < a; b++)
        this.coreBase[a * m + b] = own?.get(order[this.sparse + b] as number) ?? 0;
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

  /**
   * Factors for the scales and solves the lower triangle for right-hand sides given by level.
   * Returns the log determinant; each right-hand side is replaced by its forward solution, in
   * elimination order (dot products of two of them are what a profile likelihood needs).
   */
  factor(scales: Float64Array, rightSides: readonly Float64Array[]): number {
    const { size, sparse, order } = this;
    const m = size - sparse;
    const scale = Float64Array.from(order, (i) => scales[i] as number);
    const sides = rightSides.map((side) => Float64Array.from(order, (i) => side[i] as number));
    const diagonal = this.diagonal.map((g, p) => g * (scale[p] as number) ** 2 + 1);
    for (let p = 0; p < sparse; p++) {
      const base = this.base[p] as Float64Array;
      const rows = this.rows[p] as Int32Array;
      const values = this.values[p] as Float64Array;
      const s = scale[p] as number;
      for (let k = 0; k < rows.length; k++)
        values[k] = (base[k] as number) * s * (scale[rows[k] as number] as number);
    }
    const core = this.core;
    for (let a = 0; a < m; a++) {
      const s = scale[sparse + a] as number;
      for (let b = 0; b < a; b++)
        core[a * m + b] = (this.coreBase[a * m + b] as number) * s * (scale[sparse + b] as number);
    }

    let logDeterminant = 0;
    for (let p = 0; p < sparse; p++) {
      const pivot = Math.sqrt(diagonal[p] as number);
      this.pivots[p] = pivot;
      logDeterminant += 2 * Math.log(pivot);
      const rows = this.rows[p] as Int32Array;
      const values = this.values[p] as Float64Array;
      const targets = this.targets[p] as (Int32Array | null)[];
      for (let k = 0; k < rows.length; k++) values[k] = (values[k] as number) / pivot;
      for (const side of sides) {
        const w = (side[p] as number) / pivot;
        side[p] = w;
        for (let k = 0; k < rows.length; k++)
          side[rows[k] as number] = (side[rows[k] as number] as number) - w * (values[k] as number);
      }
      for (let k = 0; k < rows.length; k++) {
        const q = rows[k] as number;
        const v = values[k] as number;
        diagonal[q] = (diagonal[q] as number) - v * v;
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
    }
    for (let a = 0; a < m; a++) core[a * m + a] = diagonal[sparse + a] as number;
    logDeterminant += factorDense(core, m);
    for (const side of sides) forwardDense(core, m, side, sparse);
    for (const [i, side] of rightSides.entries()) side.set(sides[i] as Float64Array);
    return logDeterminant;
  }
}

/** In place, lower triangle, row-major; four columns at a time share the loads of the row. */
function factorDense(a: Float64Array, m: number): number {
  let logDeterminant = 0;
  for (let i = 0; i < m; i++) {
    const row = i * m;
    let j = 0;
    for (; j + 3 < i; j += 4) {
      const r0 = j * m;
      const r1 = r0 + m;
      const r2 = r1 + m;
      const r3 = r2 + m;
      let s0 = 0;
      let s1 = 0;
      let s2 = 0;
      let s3 = 0;
      for (let k = 0; k < j; k++) {
        const x = a[row + k] as number;
        s0 += x * (a[r0 + k] as number);
        s1 += x * (a[r1 + k] as number);
        s2 += x * (a[r2 + k] as number);
        s3 += x * (a[r3 + k] as number);
      }
      const x0 = ((a[row + j] as number) - s0) / (a[r0 + j] as number);
      s1 += x0 * (a[r1 + j] as number);
      const x1 = ((a[row + j + 1] as number) - s1) / (a[r1 + j + 1] as number);
      s2 += x0 * (a[r2 + j] as number) + x1 * (a[r2 + j + 1] as number);
      const x2 = ((a[row + j + 2] as number) - s2) / (a[r2 + j + 2] as number);
      s3 +=
        x0 * (a[r3 + j] as number) +
        x1 * (a[r3 + j + 1] as number) +
        x2 * (a[r3 + j + 2] as number);
      const x3 = ((a[row + j + 3] as number) - s3) / (a[r3 + j + 3] as number);
      a[row + j] = x0;
      a[row + j + 1] = x1;
      a[row + j + 2] = x2;
      a[row + j + 3] = x3;
    }
    for (; j <= i; j++) {
      const other = j * m;
      let sum = a[row + j] as number;
      for (let k = 0; k < j; k++) sum -= (a[row + k] as number) * (a[other + k] as number);
      if (j < i) a[row + j] = sum / (a[other + j] as number);
      else {
        const pivot = Math.sqrt(sum);
        a[row + i] = pivot;
        logDeterminant += 2 * Math.log(pivot);
      }
    }
  }
  return logDeterminant;
}

function forwardDense(a: Float64Array, m: number, side: Float64Array, from: number): void {
  for (let i = 0; i < m; i++) {
    let sum = side[from + i] as number;
    for (let k = 0; k < i; k++) sum -= (a[i * m + k] as number) * (side[from + k] as number);
    side[from + i] = sum / (a[i * m + i] as number);
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
