/** Columns that are swept at once; their panel then fits the nearest cache. */
const BLOCK = 32;
/** Rows and columns of one tile: sixteen running sums, as many as a processor keeps at hand. */
const TILE = 4;

/**
 * Inverts a symmetric positive definite matrix in place and returns the log of its determinant.
 *
 * `a` is m x m, row-major; the lower triangle is read and written, the upper one is scratch.
 * The sweep operator (Beaton 1964; Goodnight 1979) goes over blocks of columns K:
 *   A_ij <- A_ij - A_iK A_KK^-1 A_Kj,  A_iK <- A_iK A_KK^-1,  A_KK <- -A_KK^-1,
 * and after all blocks -A^-1 stands there. With A_KK = R R' and W = A_iK R^-T the update is
 * `A - W W'`, done in tiles over a packed copy of W, which is where all the time goes:
 * m^3 / 2 multiplications. Throws `RangeError` where the matrix is not positive definite.
 */
export function invertSymmetric(a: Float64Array, m: number): number {
  const whole = Math.ceil(m / TILE) * TILE;
  if (whole === m) return sweep(a, m);
  // The edge is filled up with ones on the diagonal, so that every tile is a whole one.
  const padded = new Float64Array(whole * whole);
  for (let i = 0; i < whole; i++) {
    if (i < m) padded.set(a.subarray(i * m, i * m + i + 1), i * whole);
    else padded[i * whole + i] = 1;
  }
  const logDeterminant = sweep(padded, whole);
  for (let i = 0; i < m; i++) a.set(padded.subarray(i * whole, i * whole + i + 1), i * m);
  return logDeterminant;
}

function sweep(a: Float64Array, m: number): number {
  const panel = new Float64Array(m * BLOCK);
  const root = new Float64Array(BLOCK * BLOCK);
  let logDeterminant = 0;
  for (let from = 0; from < m; from += BLOCK) {
    const width = Math.min(BLOCK, m - from);
    logDeterminant += factorBlock(a, m, from, width, root);
    readPanel(a, m, from, width, panel);
    solvePanel(panel, m, width, root);
    subtractProducts(a, m, from, width, panel);
    finishPanel(panel, m, width, root);
    writePanel(a, m, from, width, panel);
    writeBlock(a, m, from, width, root);
  }
  for (let i = 0; i < m; i++) {
    for (let j = 0; j <= i; j++) a[i * m + j] = -(a[i * m + j] as number);
  }
  return logDeterminant;
}

/** R of the block on the diagonal, A_KK = R R', and the log of its determinant. */
function factorBlock(
  a: Float64Array,
  m: number,
  from: number,
  width: number,
  root: Float64Array,
): number {
  let logDeterminant = 0;
  for (let i = 0; i < width; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = a[(from + i) * m + from + j] as number;
      for (let k = 0; k < j; k++)
        sum -= (root[i * BLOCK + k] as number) * (root[j * BLOCK + k] as number);
      if (i > j) root[i * BLOCK + j] = sum / (root[j * BLOCK + j] as number);
      else if (sum > 0) {
        root[i * BLOCK + i] = Math.sqrt(sum);
        logDeterminant += Math.log(sum);
      } else throw new RangeError('The matrix is not positive definite.');
    }
  }
  return logDeterminant;
}

/**
 * Columns K of the whole symmetric matrix, from the column below the block and from the row above
 * it, 0 within it. Rows stand in groups of four, `panel[(group * width + k) * 4 + r]`, so that
 * every later step reads memory in order and has four sums under way at once.
 */
function readPanel(
  a: Float64Array,
  m: number,
  from: number,
  width: number,
  panel: Float64Array,
): void {
  for (let i = 0; i < m; i++) {
    const row = (i - (i % TILE)) * width + (i % TILE);
    if (i >= from && i < from + width) {
      for (let k = 0; k < width; k++) panel[row + k * TILE] = 0;
    } else {
      const start = i < from ? from * m + i : i * m + from;
      const step = i < from ? m : 1;
      for (let k = 0; k < width; k++) panel[row + k * TILE] = a[start + k * step] as number;
    }
  }
}

function writePanel(
  a: Float64Array,
  m: number,
  from: number,
  width: number,
  panel: Float64Array,
): void {
  for (let i = 0; i < m; i++) {
    if (i >= from && i < from + width) continue;
    const row = (i - (i % TILE)) * width + (i % TILE);
    const start = i < from ? from * m + i : i * m + from;
    const step = i < from ? m : 1;
    for (let k = 0; k < width; k++) a[start + k * step] = panel[row + k * TILE] as number;
  }
}

/** W = P R^-T. */
function solvePanel(panel: Float64Array, m: number, width: number, root: Float64Array): void {
  for (let group = 0; group < m * width; group += TILE * width) {
    for (let k = 0; k < width; k++) {
      const row = k * BLOCK;
      reduceColumn(panel, group + k * TILE, group, k, root, row, 1, root[row + k] as number);
    }
  }
}

/** W R^-1: what stays in columns K. */
function finishPanel(panel: Float64Array, m: number, width: number, root: Float64Array): void {
  for (let group = 0; group < m * width; group += TILE * width) {
    for (let k = width - 1; k >= 0; k--) {
      const at = group + k * TILE;
      const diagonal = k * BLOCK + k;
      const below = diagonal + BLOCK;
      const rest = width - k - 1;
      reduceColumn(panel, at, at + TILE, rest, root, below, BLOCK, root[diagonal] as number);
    }
  }
}

/**
 * Four rows of one column less `count` solved columns, which begin at `solved`, each times its
 * factor of the root, which stand `stride` apart from `factor` on; then divided by the diagonal.
 */
function reduceColumn(
  panel: Float64Array,
  column: number,
  solved: number,
  count: number,
  root: Float64Array,
  factor: number,
  stride: number,
  diagonal: number,
): void {
  let s0 = panel[column] as number;
  let s1 = panel[column + 1] as number;
  let s2 = panel[column + 2] as number;
  let s3 = panel[column + 3] as number;
  for (let l = 0, at = solved, next = factor; l < count; l++, at += TILE, next += stride) {
    const r = root[next] as number;
    s0 -= (panel[at] as number) * r;
    s1 -= (panel[at + 1] as number) * r;
    s2 -= (panel[at + 2] as number) * r;
    s3 -= (panel[at + 3] as number) * r;
  }
  panel[column] = s0 / diagonal;
  panel[column + 1] = s1 / diagonal;
  panel[column + 2] = s2 / diagonal;
  panel[column + 3] = s3 / diagonal;
}

/** -A_KK^-1 = -(R^-1)' R^-1 into the block on the diagonal. */
function writeBlock(
  a: Float64Array,
  m: number,
  from: number,
  width: number,
  root: Float64Array,
): void {
  const inverse = new Float64Array(width * width);
  for (let j = 0; j < width; j++) {
    for (let i = j; i < width; i++) {
      let sum = i === j ? 1 : 0;
      for (let k = j; k < i; k++)
        sum -= (root[i * BLOCK + k] as number) * (inverse[k * width + j] as number);
      inverse[i * width + j] = sum / (root[i * BLOCK + i] as number);
    }
  }
  for (let i = 0; i < width; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = 0;
      for (let k = i; k < width; k++)
        sum += (inverse[k * width + i] as number) * (inverse[k * width + j] as number);
      a[(from + i) * m + from + j] = -sum;
    }
  }
}

/** A - W W' over the lower triangle, a tile of four by four at a time. Rows of K have W = 0. */
function subtractProducts(
  a: Float64Array,
  m: number,
  from: number,
  width: number,
  w: Float64Array,
): void {
  const groups = m / TILE;
  for (let g = 0; g < groups; g++) {
    const i = g * TILE;
    if (i >= from && i + TILE <= from + width) continue;
    for (let h = 0; h <= g; h++) {
      let p = g * width * TILE;
      let q = h * width * TILE;
      const end = p + width * TILE;
      let a0 = 0,
        a1 = 0,
        a2 = 0,
        a3 = 0;
      let b0 = 0,
        b1 = 0,
        b2 = 0,
        b3 = 0;
      let c0 = 0,
        c1 = 0,
        c2 = 0,
        c3 = 0;
      let d0 = 0,
        d1 = 0,
        d2 = 0,
        d3 = 0;
      for (; p < end; p += TILE, q += TILE) {
        const y0 = w[q] as number;
        const y1 = w[q + 1] as number;
        const y2 = w[q + 2] as number;
        const y3 = w[q + 3] as number;
        let x = w[p] as number;
        a0 += x * y0;
        a1 += x * y1;
        a2 += x * y2;
        a3 += x * y3;
        x = w[p + 1] as number;
        b0 += x * y0;
        b1 += x * y1;
        b2 += x * y2;
        b3 += x * y3;
        x = w[p + 2] as number;
        c0 += x * y0;
        c1 += x * y1;
        c2 += x * y2;
        c3 += x * y3;
        x = w[p + 3] as number;
        d0 += x * y0;
        d1 += x * y1;
        d2 += x * y2;
        d3 += x * y3;
      }
      const at = i * m + h * TILE;
      subtractFour(a, at, a0, a1, a2, a3);
      subtractFour(a, at + m, b0, b1, b2, b3);
      subtractFour(a, at + 2 * m, c0, c1, c2, c3);
      subtractFour(a, at + 3 * m, d0, d1, d2, d3);
    }
  }
}

function subtractFour(
  a: Float64Array,
  at: number,
  s0: number,
  s1: number,
  s2: number,
  s3: number,
): void {
  a[at] = (a[at] as number) - s0;
  a[at + 1] = (a[at + 1] as number) - s1;
  a[at + 2] = (a[at + 2] as number) - s2;
  a[at + 3] = (a[at + 3] as number) - s3;
}
