/** A number with one decimal, or a dash. */
export function one(x: number | null | undefined): string {
  return x === null || x === undefined ? '–' : x.toFixed(1);
}

/** A share as a whole percentage, or a dash. */
export function percent(share: number | null | undefined): string {
  return share === null || share === undefined ? '–' : `${Math.round(100 * share)} %`;
}

interface Interval {
  readonly estimate: number | null;
  readonly lower: number | null;
  readonly upper: number | null;
}

/** An estimate with its interval behind it, where there is one. */
export function withInterval({ estimate, lower, upper }: Interval, digits: number): string {
  const said = (x: number) => x.toFixed(digits).replace('-', '−');
  if (estimate === null) return '–';
  if (lower === null || upper === null) return said(estimate);
  return `${said(estimate)} (${said(lower)} to ${said(upper)})`;
}
