import { describe, expect, it } from 'vitest';
import { MixedModelMatrix } from './mixedModelMatrix.ts';
import { seededChance } from './random.ts';
import { invertSymmetric } from './symmetricInverse.ts';

/** A crossed design: `candidates` by `examiners`, each pair with its number of shared marks. */
function crossed(candidates: number, examiners: number, share: number, seed: number) {
  const chance = seededChance(seed);
  const size = candidates + examiners;
  const diagonal = new Float64Array(size);
  const neighbours = Array.from({ length: size }, () => new Map<number, number>());
  for (let c = 0; c < candidates; c++) {
    for (let e = candidates; e < size; e++) {
      if (chance.uniform() > share) continue;
      const marks = 1 + chance.below(3);
      diagonal[c] = (diagonal[c] as number) + marks;
      diagonal[e] = (diagonal[e] as number) + marks;
      neighbours[c]?.set(e, marks);
      neighbours[e]?.set(c, marks);
    }
  }
  return { size, diagonal, neighbours };
}

describe('the matrix of a mixed model', () => {
  // Sparse enough to be eliminated column by column, and so full that it is all core.
  it.each([
    [30, 12, 0.1],
    [60, 8, 0.3],
    [9, 7, 1],
    [1, 1, 1],
  ])('agrees with the dense inverse: %d candidates, %d examiners, share %d', (c, e, share) => {
    const { size, diagonal, neighbours } = crossed(c, e, share, 11);
    const scales = Float64Array.from({ length: size }, (_, i) => (i < c ? 0.7 : 0.4));
    const dense = new Float64Array(size * size);
    for (let i = 0; i < size; i++) {
      for (let j = 0; j <= i; j++) {
        const g = i === j ? (diagonal[i] as number) : (neighbours[i]?.get(j) ?? 0);
        dense[i * size + j] = g * (scales[i] as number) * (scales[j] as number) + (i === j ? 1 : 0);
      }
    }
    const b = Float64Array.from({ length: size }, (_, i) => Math.sin(i + 1));
    const logDeterminant = invertSymmetric(dense, size);
    const inverse = (i: number, j: number) =>
      dense[Math.max(i, j) * size + Math.min(i, j)] as number;

    const matrix = new MixedModelMatrix(diagonal, neighbours);
    expect(matrix.rescale(scales)).toBeCloseTo(logDeterminant, 8);
    const solution = matrix.solve(b);
    const onDiagonal = matrix.inverseDiagonal();
    for (let i = 0; i < size; i++) {
      let expected = 0;
      for (let j = 0; j < size; j++) expected += inverse(i, j) * (b[j] as number);
      expect(solution[i]).toBeCloseTo(expected, 8);
      expect(onDiagonal[i]).toBeCloseTo(inverse(i, i), 8);
    }
  });

  it('takes new scales without forgetting the design', () => {
    const { size, diagonal, neighbours } = crossed(20, 6, 0.4, 3);
    const matrix = new MixedModelMatrix(diagonal, neighbours);
    const small = new Float64Array(size).fill(0.2);
    const first = matrix.rescale(small);
    matrix.rescale(new Float64Array(size).fill(2));
    expect(matrix.rescale(small)).toBeCloseTo(first, 12);
    // Without any variance the matrix is the identity.
    expect(matrix.rescale(new Float64Array(size))).toBeCloseTo(0, 12);
    expect(matrix.inverseDiagonal().every((x) => Math.abs(x - 1) < 1e-12)).toBe(true);
  });

  it('multiplies by the counts of the design', () => {
    const { diagonal, neighbours } = crossed(2, 2, 1, 5);
    const ones = new MixedModelMatrix(diagonal, neighbours).timesG(new Float64Array(4).fill(1));
    // Each level's own marks, and as many shared with the levels of the other facet.
    expect([...ones]).toEqual([...diagonal].map((count) => 2 * count));
  });
});
