import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { invertSymmetric } from './symmetricInverse.ts';

/** A symmetric matrix by rows, and how to read its lower triangle again. */
function matrix(m: number, entry: (i: number, j: number) => number): Float64Array {
  return Float64Array.from({ length: m * m }, (_, at) => entry(Math.floor(at / m), at % m));
}
const lower = (a: Float64Array, m: number, i: number, j: number) =>
  a[Math.max(i, j) * m + Math.min(i, j)] as number;

describe('the inverse of a symmetric matrix', () => {
  it('finds the whole numbers in the inverse of the Hilbert matrix', () => {
    // Choi 1983, Tricks or treats with the Hilbert matrix; determinant 1/6048000.
    const a = matrix(4, (i, j) => 1 / (i + j + 1));
    const logDeterminant = invertSymmetric(a, 4);
    const expected = [[16], [-120, 1200], [240, -2700, 6480], [-140, 1680, -4200, 2800]];
    for (const [i, row] of expected.entries()) {
      for (const [j, value] of row.entries()) expect(lower(a, 4, i, j)).toBeCloseTo(value, 6);
    }
    expect(logDeterminant).toBeCloseTo(-Math.log(6_048_000), 8);
  });

  // Sizes within a tile, at its edge, within a block of 32, at its edge, and over several.
  it.each([1, 2, 3, 4, 5, 31, 32, 33, 64, 65, 131])(
    'inverts the second-difference matrix of size %d as the textbook says',
    (n) => {
      // Strang, Introduction to Applied Mathematics: min(i, j) (n + 1 - max(i, j)) / (n + 1),
      // determinant n + 1.
      const a = matrix(n, (i, j) => (i === j ? 2 : Math.abs(i - j) === 1 ? -1 : 0));
      expect(invertSymmetric(a, n)).toBeCloseTo(Math.log(n + 1), 9);
      for (let i = 0; i < n; i++) {
        for (let j = 0; j <= i; j++) {
          const expected = ((j + 1) * (n - i)) / (n + 1);
          expect(Math.abs(lower(a, n, i, j) - expected)).toBeLessThan(1e-9 * (n + 1));
        }
      }
    },
  );

  it('gives the matrix back when it is inverted twice', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 1600, maxLength: 1600 }),
        (m, numbers) => {
          // B B' + I is positive definite whatever B.
          const b = (i: number, k: number) => numbers[i * 40 + k] as number;
          const original = matrix(m, (i, j) => {
            let sum = i === j ? 1 : 0;
            for (let k = 0; k < m; k++) sum += b(i, k) * b(j, k);
            return sum;
          });
          const a = original.slice();
          const there = invertSymmetric(a, m);
          const back = invertSymmetric(a, m);
          expect(there + back).toBeCloseTo(0, 6);
          for (let i = 0; i < m; i++) {
            for (let j = 0; j <= i; j++) {
              expect(lower(a, m, i, j)).toBeCloseTo(lower(original, m, i, j), 6);
            }
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('refuses a matrix that is not positive definite', () => {
    expect(() => invertSymmetric(Float64Array.of(1, 2, 2, 1), 2)).toThrow(/not positive definite/);
  });
});
