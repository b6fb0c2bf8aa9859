/** How many conditions of each facet a score is the mean of, for example 12 stations, 1 examiner. */
export type Sizes = Readonly<Record<string, number>>;

export interface DStudy {
  readonly sizes: Sizes;
  /** Variance of the difference between candidates' scores that is error (relative decisions). */
  readonly relativeError: number;
  /** Variance of a candidate's score about the true one (absolute decisions: a pass mark). */
  readonly absoluteError: number;
  /** Generalizability coefficient, relative; `null` where nothing varies. */
  readonly generalizability: number | null;
  /** Dependability coefficient Phi, absolute. */
  readonly dependability: number | null;
  /** Standard error of measurement for absolute decisions, in the unit of the marks. */
  readonly sem: number;
}

/**
 * What a design of these sizes would be worth, from the variance components of a G study.
 *
 * Every effect but the object's own is divided by the product of the sizes of its facets; those
 * that hold the object are relative error, all of them are absolute error:
 *   E rho^2 = s_p^2 / (s_p^2 + s_delta^2),  Phi = s_p^2 / (s_p^2 + s_Delta^2).
 * An effect is named by its facets with colons; `residual` holds the object and all facets. An
 * examiner nested in a station counts within the station: two examiners at each of 12 stations.
 *
 * Source: Brennan 2001, equations 4.10 to 4.17.
 * Worked value: components p .55, i .44, residual .93 with 4 i give E rho^2 .703, Phi .616.
 * Throws `RangeError` for a size below 1 or a facet without one.
 */
export function dStudy(
  components: Readonly<Record<string, number>>,
  sizes: Sizes,
  object = 'candidate',
): DStudy {
  const own = components[object];
  if (own === undefined) throw new RangeError(`There is no component of ${object}.`);
  for (const [facet, size] of Object.entries(sizes)) {
    if (!(size >= 1)) throw new RangeError(`The number of ${facet} must be 1 or more.`);
  }
  let relative = 0;
  let absolute = 0;
  for (const [name, variance] of Object.entries(components)) {
    if (name === object) continue;
    const facets = name === 'residual' ? [object, ...Object.keys(sizes)] : name.split(':');
    const share =
      variance /
      facets.reduce((product, facet) => {
        if (facet === object) return product;
        const size = sizes[facet];
        if (size === undefined) throw new RangeError(`How many ${facet}s is not said.`);
        return product * size;
      }, 1);
    absolute += share;
    if (facets.includes(object)) relative += share;
  }
  const coefficient = (error: number) => (own + error === 0 ? null : own / (own + error));
  return {
    sizes,
    relativeError: relative,
    absoluteError: absolute,
    generalizability: coefficient(relative),
    dependability: coefficient(absolute),
    sem: Math.sqrt(absolute),
  };
}

/**
 * Dependability of the decision at a cut score: how sure the side of the cut is,
 * `Phi(lambda) = (s_p^2 + (M - l)^2 - s_M^2) / (s_p^2 + (M - l)^2 - s_M^2 + s_Delta^2)`,
 * where s_M^2, the error of the mean of n candidates, keeps (M - l)^2 unbiased.
 *
 * It is smallest, Phi itself, where the cut lies at the mean, and rises as the cut moves away.
 * Source: Brennan & Kane 1977; Brennan 2001, equation 2.54.
 */
export function dependabilityAtCut(
  components: Readonly<Record<string, number>>,
  sizes: Sizes,
  { mean, cut, candidates }: { mean: number; cut: number; candidates: number },
  object = 'candidate',
): number | null {
  const { absoluteError, relativeError } = dStudy(components, sizes, object);
  const own = components[object] as number;
  const errorOfMean = (own + relativeError) / candidates + (absoluteError - relativeError);
  const distance = Math.max(0, (mean - cut) ** 2 - errorOfMean);
  const signal = own + distance;
  return signal + absoluteError === 0 ? null : signal / (signal + absoluteError);
}

export interface DesignPrice {
  /** Minutes that one examiner spends on one candidate at one station. */
  readonly minutes: number;
  readonly candidates: number;
}

export interface PricedDesign extends DStudy {
  readonly examinerHours: number;
}

/** Every combination of the numbers given for each facet, each with what it is worth. */
export function dStudyGrid(
  components: Readonly<Record<string, number>>,
  ranges: Readonly<Record<string, readonly number[]>>,
  object = 'candidate',
): DStudy[] {
  let designs: Record<string, number>[] = [{}];
  for (const [facet, numbers] of Object.entries(ranges)) {
    designs = designs.flatMap((design) => numbers.map((n) => ({ ...design, [facet]: n })));
  }
  return designs.map((sizes) => dStudy(components, sizes, object));
}

/**
 * The design of a grid that reaches the wished dependability with the fewest examiner-hours (the
 * product of all sizes, times minutes and candidates); between equals the more dependable.
 * `null` where none within `mostHours` reaches it.
 */
export function cheapestDesign(
  designs: readonly DStudy[],
  wished: number,
  { minutes, candidates }: DesignPrice,
  mostHours = Infinity,
): PricedDesign | null {
  const priced = designs
    .map((design) => ({
      ...design,
      examinerHours:
        (Object.values(design.sizes).reduce((product, n) => product * n, 1) *
          minutes *
          candidates) /
        60,
    }))
    .filter(
      ({ dependability, examinerHours }) =>
        (dependability ?? 0) >= wished && examinerHours <= mostHours,
    )
    .sort(
      (a, b) =>
        a.examinerHours - b.examinerHours || (b.dependability ?? 0) - (a.dependability ?? 0),
    );
  return priced[0] ?? null;
}
