import type { Estimate } from '../numerics/estimate.ts';

interface Band {
  /** The band reaches from here up to the next one. */
  readonly from: number;
  readonly label: string;
}

/**
 * Words for the size of a coefficient. They are conventions, not findings: off by default, and
 * judged on the lower confidence limit, so that a small study cannot buy a kind word.
 *
 * Sources: Landis & Koch 1977, table 2; Altman 1991, table 14.8; Koo & Li 2016 for intraclass
 * correlations.
 */
export const BANDS = {
  'landis-koch': [
    { from: -Infinity, label: 'poor' },
    { from: 0, label: 'slight' },
    { from: 0.21, label: 'fair' },
    { from: 0.41, label: 'moderate' },
    { from: 0.61, label: 'substantial' },
    { from: 0.81, label: 'almost perfect' },
  ],
  altman: [
    { from: -Infinity, label: 'poor' },
    { from: 0.21, label: 'fair' },
    { from: 0.41, label: 'moderate' },
    { from: 0.61, label: 'good' },
    { from: 0.81, label: 'very good' },
  ],
  'koo-li': [
    { from: -Infinity, label: 'poor' },
    { from: 0.5, label: 'moderate' },
    { from: 0.75, label: 'good' },
    { from: 0.9, label: 'excellent' },
  ],
} as const satisfies Record<string, readonly Band[]>;
export type BandScheme = keyof typeof BANDS;

/** The band in which a value falls; the tables print two decimals, so the value is rounded to them. */
export function bandOf(value: number, scheme: BandScheme): string {
  const rounded = Math.round(value * 100) / 100;
  const bands: readonly Band[] = BANDS[scheme];
  return bands.findLast((band) => rounded >= band.from)?.label ?? '';
}

/**
 * The band of an estimate, judged on its lower limit; `null` where there is none.
 * Worked value: a kappa of .72 with lower limit .48 is "moderate" by Landis & Koch.
 */
export function bandOfEstimate({ lower }: Estimate, scheme: BandScheme): string | null {
  return lower === null ? null : bandOf(lower, scheme);
}
