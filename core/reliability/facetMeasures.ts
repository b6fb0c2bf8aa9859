/** A facet as the analysis has it: the first is measured up (able), all others down (hard, severe). */
export interface FacetMeasures {
  readonly name: string;
  readonly elements: readonly ElementMeasure[];
  /** Spread of the elements in units of their error, corrected for it. */
  readonly separation: number | null;
  /** Share of the spread that is not error, in [0, 1]. */
  readonly reliability: number | null;
}

export interface ElementMeasure {
  readonly level: number;
  /** In logits. Of candidates: ability. Of stations and examiners: difficulty, severity. */
  readonly measure: number;
  readonly standardError: number;
  /**
   * Mean square of residuals, weighted by information and plain; 1 is what the model expects.
   * `null` for an element that says nothing of fit: all its marks stand at one end.
   */
  readonly infit: number | null;
  readonly outfit: number | null;
  readonly marks: number;
  readonly observedAverage: number;
  /** The mark that this element would give or get, everything else being average. */
  readonly fairAverage: number;
  /** All marks at one end of the scale: the measure comes from the estimator's own correction. */
  readonly extreme: boolean;
}

/** Separation and reliability of a facet (Wright & Masters 1982, chapter 5). */
export function spread(elements: readonly ElementMeasure[]): {
  separation: number | null;
  reliability: number | null;
} {
  if (elements.length < 2) return { separation: null, reliability: null };
  const average = elements.reduce((sum, e) => sum + e.measure, 0) / elements.length;
  const observed =
    elements.reduce((sum, e) => sum + (e.measure - average) ** 2, 0) / (elements.length - 1);
  const error = elements.reduce((sum, e) => sum + e.standardError ** 2, 0) / elements.length;
  const real = Math.max(0, observed - error);
  return {
    separation: Math.sqrt(real / error),
    reliability: observed === 0 ? null : real / observed,
  };
}
