/**
 * A small sideways shift for a point, the same for the same candidate every time, so that
 * candidates with equal grades are seen apart and nothing dances while a control moves.
 * Between -0.16 and 0.16 of a grade; only the drawing is shifted, never the computation.
 */
export function jitter(id: string): number {
  let hash = 0;
  for (const character of id) hash = (Math.imul(hash, 31) + character.charCodeAt(0)) | 0;
  return ((hash >>> 0) / 2 ** 32 - 0.5) * 0.32;
}
