import { wilsonInterval } from '../numerics/proportion.ts';
import { Z_95 } from '../numerics/normal.ts';

export interface Figure {
  readonly estimate: number | null;
  readonly lower: number | null;
  readonly upper: number | null;
  readonly notes: readonly string[];
}

export interface Accuracy {
  readonly sensitivity: Figure;
  readonly specificity: Figure;
  readonly ppv: Figure;
  readonly npv: Figure;
  readonly lrPositive: Figure;
  readonly lrNegative: Figure;
  readonly dor: Figure;
}

// What the coverage table in docs/methods.md shows of the published intervals.
const FEW_AT_THE_EDGE = 3;
const EDGE_NOTE =
  'So near 0 or 1 Wilson’s interval holds in as few as 84 of 100 cases; read it as a rough one.';
const SMALL_CELL = 5;
const SMALL_CELL_NOTE =
  'A cell holds fewer than 5 people, so the log interval is too short: it holds in 67 to 93 of 100 cases.';

/**
 * What a test is worth, from true positives, false positives, false negatives, true negatives.
 *
 * Sensitivity, specificity and predictive values with Wilson's interval (1927); likelihood ratios
 * with the log interval of Simel, Samsa & Matchar (1991); the diagnostic odds ratio with that of
 * Woolf (1955). Nothing is added to empty cells: a ratio over zero is undefined, and says so.
 * Worked value: 24, 3, 6, 70 give sensitivity .80, specificity .959, LR+ 19.5, LR- .209, DOR 93.3.
 * Throws `RangeError` for a count that is negative or not whole.
 */
export function accuracyOf(tp: number, fp: number, fn: number, tn: number): Accuracy {
  for (const [name, count] of Object.entries({ tp, fp, fn, tn })) {
    if (!Number.isInteger(count) || count < 0)
      throw new RangeError(`${name} must be a whole number, 0 or more.`);
  }
  const sick = tp + fn;
  const well = fp + tn;
  return {
    sensitivity: proportion(tp, sick, 'Nobody has the condition.'),
    specificity: proportion(tn, well, 'Everybody has the condition.'),
    ppv: proportion(tp, tp + fp, 'Nobody tested positive.'),
    npv: proportion(tn, fn + tn, 'Nobody tested negative.'),
    lrPositive: ratioOf(
      tp,
      sick,
      fp,
      well,
      'There is no false positive, so the ratio has no upper end.',
    ),
    lrNegative: ratioOf(
      fn,
      sick,
      tn,
      well,
      'There is no true negative, so the ratio has no upper end.',
    ),
    dor: oddsRatio(tp, fp, fn, tn),
  };
}

function proportion(part: number, whole: number, reason: string): Figure {
  if (whole === 0) return none(reason);
  const [lower, upper] = wilsonInterval(part, whole);
  const fewest = Math.min(part, whole - part);
  const notes = fewest < FEW_AT_THE_EDGE ? [EDGE_NOTE] : [];
  return { estimate: part / whole, lower, upper, notes };
}

/** (a / n) / (b / m) with its log interval. */
function ratioOf(a: number, n: number, b: number, m: number, reason: string): Figure {
  if (n === 0 || m === 0) return none('One of the two groups is empty.');
  if (b === 0) return none(reason);
  const estimate = a / n / (b / m);
  if (a === 0)
    return {
      estimate,
      lower: null,
      upper: null,
      notes: ['With an empty cell there is no log interval.'],
    };
  return logInterval(estimate, Math.sqrt(1 / a - 1 / n + 1 / b - 1 / m), Math.min(a, b));
}

function oddsRatio(tp: number, fp: number, fn: number, tn: number): Figure {
  if (fp * fn === 0)
    return none('With no false positive or no false negative the odds ratio has no upper end.');
  const estimate = (tp * tn) / (fp * fn);
  if (estimate === 0)
    return {
      estimate,
      lower: null,
      upper: null,
      notes: ['With an empty cell there is no log interval.'],
    };
  const error = Math.sqrt(1 / tp + 1 / fp + 1 / fn + 1 / tn);
  return logInterval(estimate, error, Math.min(tp, fp, fn, tn));
}

function logInterval(estimate: number, error: number, smallestCell: number): Figure {
  const reach = Math.exp(Z_95 * error);
  const notes = smallestCell < SMALL_CELL ? [SMALL_CELL_NOTE] : [];
  return { estimate, lower: estimate / reach, upper: estimate * reach, notes };
}

function none(reason: string): Figure {
  return { estimate: null, lower: null, upper: null, notes: [reason] };
}
