import type { Sign } from '@kritikos/core/catalogue/lesion';
import { VOID } from '@kritikos/core/catalogue/reading';
import type { Finding } from './procedure.ts';

/** Present or not, with a doubtful middle: a painless click, pain elsewhere. */
export function present(
  key: string,
  text: string,
  signs: readonly Sign[],
  labels: readonly [string, string, string] = ['Negative', 'Equivocal', 'Positive'],
  stage?: string,
): Finding {
  const [negative, equivocal, positive] = labels;
  return {
    key,
    text,
    options: [
      { key: 'negative', label: negative, call: 0 },
      { key: 'equivocal', label: equivocal, call: 1 },
      { key: 'positive', label: positive, call: 2 },
    ],
    reading: { kind: 'sign', signs, ...(stage === undefined ? {} : { stage }) },
  };
}

/** Present or not, nothing between. */
export function yesNo(
  key: string,
  text: string,
  signs: readonly Sign[],
  labels: readonly [string, string] = ['Absent', 'Present'],
  stage?: string,
): Finding {
  return {
    key,
    text,
    weight: 1,
    options: [
      { key: 'negative', label: labels[0], call: 0 },
      { key: 'positive', label: labels[1], call: 1 },
    ],
    reading: { kind: 'sign', signs, ...(stage === undefined ? {} : { stage }) },
  };
}

const LAXITY_LABELS = ['Equal', '1+ (3–5 mm)', '2+ (6–10 mm)', '3+ (over 10)'] as const;

/** How much more than the other side, by the shared grades of laxity. */
export function laxityGrade(
  text = 'States the difference between the sides',
  labels: readonly string[] = LAXITY_LABELS,
): Finding {
  return {
    key: 'grade',
    text,
    options: labels.map((label, grade) => ({ key: `grade-${grade}`, label, call: grade })),
    reading: { kind: 'grade', sign: 'laxity' },
  };
}

/** A few fibres that are left still make an end: soft from the second degree on. */
export function endPoint(): Finding {
  const soft = yesNo('end-point', 'States the end point', ['laxity'], ['Firm', 'Soft']);
  return countsFrom(2, soft, 'negative');
}

/** Which compartment, by the structures that answer. */
export function site(
  key: string,
  text: string,
  signs: readonly Sign[],
  none: string,
  ...sites: readonly (readonly [option: string, label: string, structures: readonly string[]])[]
): Finding {
  return {
    key,
    text,
    options: [
      { key: 'none', label: none, call: 0 },
      ...sites.map(([option, label], i) => ({ key: option, label, call: i + 1 })),
    ],
    reading: {
      kind: 'site',
      signs,
      none: 'none',
      sites: sites.map(([option, , structures]) => ({ option, structures })),
    },
  };
}

/** Which stages show it: one option for each set of stages, the first for none. */
export function stages(
  key: string,
  text: string,
  signs: readonly Sign[],
  ...sets: readonly (readonly [option: string, label: string, stages: readonly string[]])[]
): Finding {
  return {
    key,
    text,
    options: sets.map(([option, label], call) => ({ key: option, label, call })),
    reading: {
      kind: 'stages',
      signs,
      options: sets.map(([option, , own]) => ({ option, stages: own })),
    },
  };
}

export const COMPARTMENTS = [
  ['medial', 'Inner', ['medial meniscus']],
  ['lateral', 'Outer', ['lateral meniscus']],
] as const;

/** A finding that another sign makes doubtful: pain where fear is the sign, pain without a click. */
export function doubtfulWith(finding: Finding, ...doubtful: readonly Sign[]): Finding {
  const { reading } = finding;
  if (reading.kind !== 'sign') throw new RangeError(`${finding.key} is not read by a sign.`);
  return { ...finding, reading: { ...reading, doubtful } };
}

/** A finding whose sign counts from a degree on; what is fainter is doubtful, or nothing. */
export function countsFrom(
  from: 2 | 3,
  finding: Finding,
  faint: 'negative' | 'equivocal',
): Finding {
  const { reading } = finding;
  if (reading.kind !== 'sign') throw new RangeError(`${finding.key} is not read by a sign.`);
  return { ...finding, reading: { ...reading, from, faint } };
}

/** A finding that counts only where one of these structures shows it. */
export function onlyFrom(finding: Finding, ...structures: readonly string[]): Finding {
  const { reading } = finding;
  if (reading.kind !== 'sign') throw new RangeError(`${finding.key} is not read by a sign.`);
  return { ...finding, reading: { ...reading, structures } };
}

/** The finding with the option that the trial was void, outside the order of the others. */
export function orVoid(finding: Finding, label = 'Void: it cannot be done'): Finding {
  const others = finding.options.filter((option) => option.key !== VOID);
  return { ...finding, options: [...others, { key: VOID, label, call: null }] };
}
