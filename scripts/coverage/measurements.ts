import { blandAltman } from '@kritikos/core/agreement/blandAltman';
import type { BlandAltman } from '@kritikos/core/agreement/blandAltman';
import { linConcordance } from '@kritikos/core/agreement/linConcordance';
import { withinSubjectSd } from '@kritikos/core/agreement/withinSubject';
import { accuracyOf } from '@kritikos/core/accuracy/twoByTwo';
import { normalQuantile } from '@kritikos/core/numerics/normal';
import type { Chance } from '@kritikos/core/numerics/random';
import { internalConsistency } from '@kritikos/core/reliability/internalConsistency';
import { intraclass } from '@kritikos/core/reliability/intraclass';
import type { Intraclass } from '@kritikos/core/reliability/intraclass';
import { examinerSeverity } from '@kritikos/core/reliability/severity';
import type { Severity } from '@kritikos/core/reliability/severity';
import type { Scenario, Shown } from './simulation.ts';

const NONE: Shown = { estimate: null, lower: null, upper: null };

/** Scores of candidates and error that are normal, by raters of these levels. */
function scores(chance: Chance, n: number, raters: readonly number[], errorSd: number): number[][] {
  return Array.from({ length: n }, () => {
    const own = chance.normal();
    return raters.map((rater) => own + rater + errorSd * chance.normal());
  });
}

const mcGrawWong = (form: Intraclass | undefined): Shown =>
  form?.mcGrawWong ? { ...form, ...form.mcGrawWong } : NONE;

/** The six intraclass correlations and alpha, at 8 to 100 candidates and 2 to 20 columns. */
export function* correlationScenarios(sizes: readonly number[]): Generator<Scenario> {
  for (const size of sizes.filter((n) => n <= 100)) {
    for (const k of [2, 4, 20]) {
      for (const [raterSd, errorSd] of [
        [0, 0.5],
        [0, 1.5],
        [0.5, 0.5],
        [0.5, 1.5],
      ] as const) {
        const icc = 1 / (1 + raterSd ** 2 + errorSd ** 2);
        const consistency = 1 / (1 + errorSd ** 2);
        const up = (r: number) => (k * r) / (1 + (k - 1) * r);
        const oneWay = raterSd === 0;
        yield {
          size,
          setting: `${k} raters, rater SD ${raterSd}, error SD ${errorSd}`,
          truth: {
            // Nested raters are all error to the one-way forms; here only where raters do not differ.
            ...(oneWay ? { ICC11: icc, ICC1k: up(icc) } : {}),
            ICC21: icc,
            ICC31: consistency,
            ICC2k: up(icc),
            'ICC21, McGraw & Wong': icc,
            'ICC2k, McGraw & Wong': up(icc),
            ICC3k: up(consistency),
            'alpha (Feldt)': up(consistency),
          },
          sample: (chance) => {
            const raters = Array.from({ length: k }, () => raterSd * chance.normal());
            const rows = scores(chance, size, raters, errorSd);
            const forms = intraclass(rows)?.forms;
            const alpha = internalConsistency(rows).alpha;
            return {
              ICC11: forms?.ICC11 ?? NONE,
              ICC1k: forms?.ICC1k ?? NONE,
              ICC21: forms?.ICC21 ?? NONE,
              ICC31: forms?.ICC31 ?? NONE,
              ICC2k: forms?.ICC2k ?? NONE,
              'ICC21, McGraw & Wong': mcGrawWong(forms?.ICC21),
              'ICC2k, McGraw & Wong': mcGrawWong(forms?.ICC2k),
              ICC3k: forms?.ICC3k ?? NONE,
              'alpha (Feldt)': alpha,
            };
          },
        };
      }
    }
  }
}

/** Absolute agreement where examiners are not spread evenly: some are far harsher than most. */
export function* unevenRaterScenarios(sizes: readonly number[]): Generator<Scenario> {
  for (const size of sizes.filter((n) => n <= 100)) {
    for (const k of [4, 8, 20]) {
      for (const raterSd of [0.25, 0.5]) {
        const icc = 1 / (1 + raterSd ** 2 + 0.25);
        yield {
          size,
          setting: `${k} raters who lean to one side, rater SD ${raterSd}, error SD 0.5`,
          truth: {
            'ICC21, uneven examiners': icc,
            'ICC2k, uneven examiners': (k * icc) / (1 + (k - 1) * icc),
          },
          sample: (chance) => {
            const raters = Array.from({ length: k }, () => raterSd * (exponential(chance) - 1));
            const { forms } = intraclass(scores(chance, size, raters, 0.5));
            return {
              'ICC21, uneven examiners': forms.ICC21,
              'ICC2k, uneven examiners': forms.ICC2k,
            };
          },
        };
      }
    }
  }
}

const asPublished = (limits: BlandAltman | null): Shown =>
  limits ? { ...limits.upperLimit, ...limits.upperLimit.blandAltman } : NONE;

/** Differences of a few that lie far out, or more to one side than to the other. */
const UNEVEN: readonly {
  readonly of: string;
  readonly setting: string;
  readonly sd: number;
  readonly draw: (chance: Chance) => number;
}[] = [
  {
    of: 'with tails',
    setting: 't with 5 degrees of freedom',
    sd: Math.sqrt(5 / 3),
    draw: (chance) => {
      const squares = Array.from({ length: 5 }, () => chance.normal() ** 2);
      return chance.normal() / Math.sqrt(squares.reduce((sum, x) => sum + x, 0) / 5);
    },
  },
  {
    of: 'with tails',
    setting: 'Laplace',
    sd: Math.SQRT2,
    draw: (chance) => exponential(chance) * (chance.uniform() < 0.5 ? -1 : 1),
  },
  {
    of: 'with tails',
    setting: 'one in ten three times as far',
    sd: Math.sqrt(1.8),
    draw: (chance) => (chance.uniform() < 0.1 ? 3 : 1) * chance.normal(),
  },
  {
    of: 'that lean to one side',
    setting: 'exponential',
    sd: 1,
    draw: (chance) => exponential(chance) - 1,
  },
];

function exponential(chance: Chance): number {
  return -Math.log(1 - chance.uniform());
}

/** Limits of agreement where differences are not normal. */
export function* unevenPairScenarios(sizes: readonly number[]): Generator<Scenario> {
  for (const size of sizes) {
    for (const { of, setting, sd, draw } of UNEVEN) {
      const truth = normalQuantile(0.975) * sd;
      const name = `Bland-Altman limits, differences ${of}`;
      yield {
        size,
        setting,
        truth: { [name]: truth, [`${name}, as published`]: truth },
        sample: (chance) => {
          const first = Array.from({ length: size }, () => draw(chance));
          const limits = blandAltman(
            first,
            first.map(() => 0),
          );
          return {
            [name]: limits?.upperLimit ?? NONE,
            [`${name}, as published`]: asPublished(limits),
          };
        },
      };
    }
  }
}

/** Two measurements of the same subjects. */
export function* pairScenarios(sizes: readonly number[]): Generator<Scenario> {
  for (const size of sizes) {
    for (const errorSd of [0.2, 0.6, 1]) {
      for (const shift of [0, 0.5]) {
        const spread = Math.SQRT2 * errorSd;
        const reach = normalQuantile(0.975) * spread;
        const variance = 1 + errorSd ** 2;
        yield {
          size,
          setting: `error SD ${errorSd}, shift ${shift}`,
          truth: {
            'Bland-Altman bias': shift,
            'Bland-Altman limits': shift + reach,
            'Bland-Altman limits, as published': shift + reach,
            'proportional bias': 0,
            'Lin concordance': 2 / (2 * variance + shift ** 2),
            'within-subject SD': Math.sqrt(errorSd ** 2 + shift ** 2 / 2),
          },
          sample: (chance) => {
            const own = Array.from({ length: size }, () => chance.normal());
            const second = own.map((x) => x + errorSd * chance.normal());
            const first = own.map((x) => x + shift + errorSd * chance.normal());
            const limits = blandAltman(first, second);
            return {
              'Bland-Altman bias': limits?.bias ?? NONE,
              'Bland-Altman limits': limits?.upperLimit ?? NONE,
              'Bland-Altman limits, as published': asPublished(limits),
              'proportional bias': limits?.proportionalBias?.slope ?? NONE,
              'Lin concordance': linConcordance(first, second),
              // A shift is no within-subject error of normal kind; asked only where there is none.
              'within-subject SD':
                shift === 0 ? withinSubjectSd(first.map((x, i) => [x, second[i] as number])) : NONE,
            };
          },
        };
      }
    }
  }
}

/** A fourfold table of a test, half of the people sick. */
export function* accuracyScenarios(sizes: readonly number[]): Generator<Scenario> {
  for (const size of sizes) {
    for (const sensitivity of [0.6, 0.8, 0.95]) {
      for (const specificity of [0.6, 0.8, 0.95]) {
        yield {
          size,
          setting: `sensitivity ${sensitivity}, specificity ${specificity}`,
          truth: {
            'sensitivity (Wilson)': sensitivity,
            'likelihood ratio, positive': sensitivity / (1 - specificity),
            'likelihood ratio, negative': (1 - sensitivity) / specificity,
            'diagnostic odds ratio':
              (sensitivity / (1 - sensitivity)) * (specificity / (1 - specificity)),
          },
          sample: (chance) => {
            const count = (n: number, p: number) =>
              Array.from({ length: n }, () => chance.uniform()).filter((u) => u < p).length;
            const sick = Math.ceil(size / 2);
            const tp = count(sick, sensitivity);
            const tn = count(size - sick, specificity);
            const found = accuracyOf(tp, size - sick - tn, sick - tp, tn);
            return {
              'sensitivity (Wilson)': found.sensitivity,
              'likelihood ratio, positive': found.lrPositive,
              'likelihood ratio, negative': found.lrNegative,
              'diagnostic odds ratio': found.dor,
            };
          },
        };
      }
    }
  }
}

/** Severity of the first of several examiners who share all candidates. */
export function* severityScenarios(): Generator<Scenario> {
  for (const examiners of [4, 8]) {
    for (const candidates of [16, 30, 100]) {
      for (const spread of [0.2, 0.5]) {
        yield {
          size: candidates,
          setting: `${examiners} examiners, severity SD ${spread}`,
          // The truth differs from sample to sample: what is asked is how far it lies off.
          truth: { 'severity of an examiner': 0, 'severity against all possible examiners': 0 },
          sample: (chance) => {
            const severities = Array.from({ length: examiners }, () => spread * chance.normal());
            const mean = severities.reduce((sum, s) => sum + s, 0) / examiners;
            const candidate: number[] = [];
            const examiner: number[] = [];
            const marks: number[] = [];
            for (let c = 0; c < candidates; c++) {
              const ability = chance.normal();
              // Two of the examiners see each candidate, in turn.
              for (const e of [c % examiners, (c + 1 + (c % (examiners - 1))) % examiners]) {
                candidate.push(c);
                examiner.push(e);
                marks.push(ability - (severities[e] as number) + 0.6 * chance.normal());
              }
            }
            const factor = (name: string, levels: number, level: number[]) => ({
              name,
              levels,
              level: Int32Array.from(level),
            });
            const study = examinerSeverity(
              Float64Array.from(marks),
              [factor('candidate', candidates, candidate), factor('examiner', examiners, examiner)],
              'examiner',
            );
            const own = severities[0] as number;
            return {
              'severity of an examiner': offBy(study.examiners[0], own - mean),
              // Whose mean severity is 0.
              'severity against all possible examiners': offBy(study.examiners[0], own),
            };
          },
        };
      }
    }
  }
}

/** How far a severity lies off the truth of its own sample, which differs from sample to sample. */
function offBy(found: Severity | undefined, truth: number): Shown {
  if (!found) return NONE;
  const { severity, lower, upper } = found;
  const off = (end: number | null) => (end === null ? null : end - truth);
  return { estimate: severity - truth, lower: off(lower), upper: off(upper) };
}
