import { readResponse } from '@kritikos/core/catalogue/reading';
import { respond } from '@kritikos/core/catalogue/response';
import { CONDITIONS, NOTHING_WRONG } from '../conditions.ts';
import type { Condition } from '../conditions.ts';
import type { Finding, Procedure } from '../procedure.ts';
import { STRUCTURES } from '../structures.ts';
import { nearestOf } from './nearestOf.ts';
import type { Unsound } from './unsound.ts';

/** Every structure that it acts on is one that a simulated patient can have something wrong with. */
export function unknownStructures(procedure: Procedure): Unsound[] {
  const { loads, misleads, voids, refrains = [], numbers, findings } = procedure;
  const named: readonly (readonly [path: string, structure: string])[] = [
    ...loads.map(({ structure }, i) => [`/loads/${i}/structure`, structure] as const),
    ...misleads.map(
      ({ lesion }, i) => [`/misleads/${i}/lesion/structure`, lesion.structure] as const,
    ),
    ...voids.map(({ structure }, i) => [`/voids/${i}/structure`, structure] as const),
    ...refrains.map(({ structure }, i) => [`/refrains/${i}/structure`, structure] as const),
    ...numbers.flatMap(({ by }, i) =>
      by.map(({ structure }, j) => [`/numbers/${i}/by/${j}/structure`, structure] as const),
    ),
    ...findings.flatMap(({ reading }, i) => readFrom(reading, `/findings/${i}/reading`)),
  ];
  return named
    .filter(([, structure]) => !STRUCTURES.includes(structure))
    .map(([path, structure]) => {
      const nearest = nearestOf(structure, STRUCTURES);
      const reason = `is “${structure}”, which no simulated patient has anything wrong with`;
      return { path, reason, nearest, instead: nearest };
    });
}

function readFrom(reading: Finding['reading'], path: string): (readonly [string, string])[] {
  if (reading.kind === 'sign')
    return (reading.structures ?? []).map((one, i) => [`${path}/structures/${i}`, one] as const);
  if (reading.kind !== 'site') return [];
  return reading.sites.flatMap(({ structures }, i) =>
    structures.map((one, j) => [`${path}/sites/${i}/structures/${j}`, one] as const),
  );
}

/** Every number that is read off the patient is asked for by an item that measures it. */
export function unasked({ numbers, checklist }: Procedure): Unsound[] {
  const measured = checklist.items.flatMap(({ kind, key }) => (kind === 'measured' ? [key] : []));
  return numbers.flatMap(({ item }, i): Unsound[] => {
    if (measured.includes(item)) return [];
    const nearest = nearestOf(item, measured);
    const reason = `names ${item}, which is no item that measures`;
    return [{ path: `/numbers/${i}/item`, reason, nearest, instead: nearest }];
  });
}

/**
 * The key of every finding follows from the patient: there is an option for whatever a patient of
 * the catalogue answers, a sound one is not called positive, and somebody answers otherwise.
 */
export function unkeyed(procedure: Procedure): Unsound[] {
  return procedure.findings.flatMap((finding, i): Unsound[] => {
    const path = `/findings/${i}`;
    const options = finding.options.map(({ key }) => key);
    const answers = CONDITIONS.map(
      (patient) => [patient, answerOf(procedure, finding, patient)] as const,
    );
    const missing = answers.find(([, answer]) => !options.includes(answer));
    if (missing) {
      const [{ name }, answer] = missing;
      const reason = `has no option ${answer}, which is the answer of a patient with: ${name}`;
      return [{ path: `${path}/options`, reason, nearest: `an option ${answer}`, instead: null }];
    }
    const sound = answerOf(procedure, finding, NOTHING_WRONG);
    const place = finding.options.findIndex(({ key }) => key === sound);
    if (finding.options[place]?.call === 1) {
      const reason = `calls a patient with nothing wrong positive (${sound})`;
      return [{ path: `${path}/options/${place}/call`, reason, nearest: '0', instead: 0 }];
    }
    if (answers.some(([, answer]) => answer !== sound)) return [];
    const reason = `is ${sound} whoever the patient is: no load of the procedure leads to another answer`;
    return [
      {
        path: `${path}/reading`,
        reason,
        nearest: 'a load that shows one of its signs',
        instead: null,
      },
    ];
  });
}

function answerOf(procedure: Procedure, { reading }: Finding, { lesions }: Condition): string {
  return readResponse(reading, respond(procedure, lesions));
}
