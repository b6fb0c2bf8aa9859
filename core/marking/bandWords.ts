/** A band of a measurement in words; a single value is one number, and degrees stand at theirs. */
export function bandWords(lower: number, upper: number, unit: string): string {
  const space = unit === '°' ? '' : '\u00a0';
  return lower === upper ? `${lower}${space}${unit}` : `${lower} to ${upper}${space}${unit}`;
}
