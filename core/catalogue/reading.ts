import type { Sign } from './lesion.ts';
import type { Response } from './response.ts';

/** How a finding reads a response: one question with its options, from under-called to over-called. */
export type Reading =
  /**
   * Absent, doubtful or present. A sign of the first degree is present all the same, unless it
   * counts `from` a higher one: what stays below is then `faint`. With `structures` it must come
   * from one of these; of the `doubtful` signs, from anywhere, one makes it equivocal.
   */
  | {
      readonly kind: 'sign';
      readonly signs: readonly Sign[];
      readonly stage?: string;
      readonly structures?: readonly string[];
      readonly doubtful?: readonly Sign[];
      readonly from?: 2 | 3;
      readonly faint?: 'negative' | 'equivocal';
    }
  /**
   * By degree, 0 to 3. `graded` says what grades a structure reaches by itself; where another
   * structure that is named in `raisedBy` is lax with it, one more.
   */
  | {
      readonly kind: 'grade';
      readonly sign: Sign;
      readonly graded?: {
        readonly structure: string;
        readonly grades: readonly [number, number, number];
        readonly raisedBy: string;
      };
    }
  /** Where it is: the first option whose structures show one of the signs. */
  | {
      readonly kind: 'site';
      readonly signs: readonly Sign[];
      readonly sites: readonly {
        readonly option: string;
        readonly structures: readonly string[];
      }[];
      readonly none: string;
      readonly both?: string;
    }
  /** Which of several stages show it: the option for that set of stages. */
  | {
      readonly kind: 'stages';
      readonly signs: readonly Sign[];
      readonly options: readonly { readonly option: string; readonly stages: readonly string[] }[];
    };

/** The option for a trial that could not be done; it stands outside the order of the others. */
export const VOID = 'void';

/** The option that is right for a response. */
export function readResponse(reading: Reading, response: Response): string {
  if (response.void !== null) return VOID;
  const lost = response.voidStages.map(({ stage }) => stage);
  if (stagesOf(reading).some((stage) => lost.includes(stage))) return VOID;
  switch (reading.kind) {
    case 'sign':
      return readSign(reading, response);
    case 'grade':
      return `grade-${readGrade(reading, response)}`;
    case 'site':
      return readSite(reading, response);
    case 'stages':
      return readStages(reading, response);
  }
}

/** The stages that a finding cannot do without. */
function stagesOf(reading: Reading): readonly string[] {
  if (reading.kind === 'sign') return reading.stage === undefined ? [] : [reading.stage];
  if (reading.kind === 'stages') return reading.options.flatMap(({ stages }) => stages);
  return [];
}

type Kind<K extends Reading['kind']> = Extract<Reading, { kind: K }>;

function readSign(reading: Kind<'sign'>, { shown }: Response): string {
  const { signs, stage, structures, doubtful = [], from = 1, faint = 'negative' } = reading;
  const here = shown.filter((s) => stage === undefined || s.stage === stage);
  const present = here.filter(
    (s) => signs.includes(s.sign) && (structures?.includes(s.structure) ?? true),
  );
  if (present.some(({ degree }) => degree >= from)) return 'positive';
  if (here.some((s) => doubtful.includes(s.sign))) return 'equivocal';
  return present.length > 0 ? faint : 'negative';
}

function readGrade({ sign, graded }: Kind<'grade'>, { shown }: Response): number {
  const degreeOf = (structure?: string) =>
    Math.max(
      0,
      ...shown
        .filter((s) => s.sign === sign && (structure === undefined || s.structure === structure))
        .map(({ degree }) => degree),
    );
  if (!graded) return degreeOf();
  const own = graded.grades[degreeOf(graded.structure) - 1] ?? 0;
  return own > 0 && degreeOf(graded.raisedBy) > 0 ? Math.min(3, own + 1) : own;
}

function readSite(reading: Kind<'site'>, { shown }: Response): string {
  const hit = reading.sites.filter(({ structures }) =>
    shown.some((s) => reading.signs.includes(s.sign) && structures.includes(s.structure)),
  );
  if (hit.length > 1 && reading.both) return reading.both;
  return hit[0]?.option ?? reading.none;
}

function readStages({ signs, options }: Kind<'stages'>, { shown }: Response): string {
  const seen = new Set(shown.filter((s) => signs.includes(s.sign)).map((s) => s.stage ?? ''));
  const fits = options.find(
    ({ stages }) => stages.length === seen.size && stages.every((stage) => seen.has(stage)),
  );
  return fits?.option ?? (options[0]?.option as string);
}
