import { Z_95 } from '../numerics/normal.ts';

/**
 * How many double-marked candidates give a kappa of two raters and two categories an interval of
 * the wished half-width.
 *
 * With P the prevalence of a pass and the kappa expected, the large-sample variance of the
 * intraclass kappa is `((1 - k) / n) [(1 - k)(1 - 2k) + k (2 - k) / (2 P (1 - P))]`; n is solved
 * for `1.96 SE = halfWidth`.
 *
 * Source: Donner & Eliasziw 1992, equation 3 (variance of Bloch & Kraemer 1989).
 * Throws `RangeError` for a kappa or prevalence outside (0, 1) or a half-width that is not above 0.
 * Worked value: kappa .6, prevalence .5, half-width .2: .4 (.4 (-.2) + 1.68) 96.04 = 61.5, so 62.
 */
export function candidatesForKappa(kappa: number, prevalence: number, halfWidth: number): number {
  positive(halfWidth);
  return Math.ceil((Z_95 / halfWidth) ** 2 * kappaSpread(kappa, prevalence) - 1e-9);
}

/** The other way round: the half-width that so many double-marked candidates give. */
export function kappaHalfWidth(kappa: number, prevalence: number, candidates: number): number {
  return Z_95 * Math.sqrt(kappaSpread(kappa, prevalence) / candidates);
}

/** n times the variance of the intraclass kappa. */
function kappaSpread(kappa: number, prevalence: number): number {
  between('kappa', kappa);
  between('prevalence', prevalence);
  return (
    (1 - kappa) *
    ((1 - kappa) * (1 - 2 * kappa) + (kappa * (2 - kappa)) / (2 * prevalence * (1 - prevalence)))
  );
}

/**
 * How many candidates, each marked by k examiners, give an intraclass correlation an interval of
 * the wished half-width: `n = 8 z^2 (1 - r)^2 (1 + (k - 1) r)^2 / (k (k - 1) w^2) + 1`, w the
 * whole width; for k = 2 and a correlation of .7 or more, 5 r is added.
 *
 * Source: Bonett 2002, equation 4.
 * Worked value: r .8, k 2, half-width .1: 8 (3.8415) (.04) (3.24) / (2 (.04)) + 1 + 4 = 54.8, so 55.
 */
export function candidatesForIntraclass(
  correlation: number,
  raters: number,
  halfWidth: number,
): number {
  between('correlation', correlation);
  positive(halfWidth);
  if (!Number.isInteger(raters) || raters < 2) {
    throw new RangeError('An intraclass correlation needs two raters or more.');
  }
  const width = 2 * halfWidth;
  const spread = (1 - correlation) ** 2 * (1 + (raters - 1) * correlation) ** 2;
  const n = (8 * Z_95 ** 2 * spread) / (raters * (raters - 1) * width ** 2) + 1;
  const correction = raters === 2 && correlation >= 0.7 ? 5 * correlation : 0;
  return Math.ceil(n + correction - 1e-9);
}

/** The other way round, for two examiners; `null` for fewer candidates than the formula is for. */
export function intraclassHalfWidth(correlation: number, candidates: number): number | null {
  between('correlation', correlation);
  const own = candidates - 1 - (correlation >= 0.7 ? 5 * correlation : 0);
  if (own <= 0) return null;
  const spread = (1 - correlation) ** 2 * (1 + correlation) ** 2;
  return Math.sqrt((8 * Z_95 ** 2 * spread) / (2 * own)) / 2;
}

function between(name: string, value: number): void {
  if (!(value > 0 && value < 1)) throw new RangeError(`The ${name} must lie between 0 and 1.`);
}

function positive(halfWidth: number): void {
  if (!(halfWidth > 0)) throw new RangeError('The half-width must be above 0.');
}
