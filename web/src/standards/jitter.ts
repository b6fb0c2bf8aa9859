/**
 * A small sideways shift for a point, the same for the same candidate every time, so that
 * candidates with equal grades are seen apart and nothing dances while a control moves.
 * Between -0.16 and 0.16 of a grade; only the drawing is shifted, never the computation.
 */
export function jitter(id: string): number {
  let hash = 0;
  for (const character of id) hash = (Math.imul(hash, 31) + character.charCodeAt(0)) | 0;
  // Ids that differ in the last character must not land side by side (MurmurHash3's last step).
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
  hash ^= hash >>> 16;
  return ((hash >>> 0) / 2 ** 32 - 0.5) * 0.32;
}
