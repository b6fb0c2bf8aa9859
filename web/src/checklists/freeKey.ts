/** A key of these words that is not taken: `option`, `option-2`. */
export function freeKey(words: string, taken: readonly string[]): string {
  const base =
    words
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 40)
      .replace(/^-+|-+$/g, '') || 'one';
  for (let n = 1; ; n++) {
    const key = n === 1 ? base : `${base}-${n}`;
    if (!taken.includes(key)) return key;
  }
}
