import { closest, distance } from 'fastest-levenshtein';

/** The word that was probably meant; `null` where none is near. */
export function nearestOf(word: string, words: readonly string[]): string | null {
  if (words.length === 0) return null;
  const nearest = closest(word, words);
  // Further off than half its letters it is another word.
  return distance(word, nearest) <= word.length / 2 ? nearest : null;
}
