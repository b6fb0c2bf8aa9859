import type { ExaminerEffects } from '../reliability/examinerEffects.ts';
import type { DisputeKind } from './disputeKind.ts';

/** What the first sentence is said from: a station with its items, shortened. */
export interface SaidStation {
  readonly position: number;
  readonly candidates: number;
  readonly agreement: number | null;
  readonly items: readonly {
    readonly text: string;
    /** Share of the station's disagreement. */
    readonly share: number;
    readonly dispute: DisputeKind;
    readonly examiner: string | null;
  }[];
}

/** Severities within so many percent points are not worth a sentence (common practice, no source). */
const WORTH_SAYING = 3;

/**
 * In words how far the examiners agree: over all stations, where least, by which item, and whether
 * somebody is harsher than the others. `awaited` stations are still being worked out.
 */
export function sayAgreement(
  stations: readonly SaidStation[],
  effects: Pick<ExaminerEffects, 'examiners'> | null,
  awaited = 0,
): string {
  const known = stations.filter((station) => station.agreement !== null);
  if (known.length === 0 && awaited > 0) return 'The first stations are being worked out.';
  if (known.length === 0) {
    return 'No candidate was marked by two examiners yet, so that nothing can be said about their agreement.';
  }
  const candidates = known.reduce((sum, station) => sum + station.candidates, 0);
  const mean =
    known.reduce((sum, s) => sum + s.candidates * (s.agreement ?? 0), 0) / Math.max(1, candidates);
  const least = known.reduce((a, b) => ((b.agreement ?? 1) < (a.agreement ?? 1) ? b : a));
  const where =
    known.length === 1
      ? ''
      : `, least at station ${least.position} (${percent(least.agreement ?? 0)})`;
  const sentences = [
    `Examiners who saw the same performance gave the same mark in ${percent(mean)} of cases${where}.`,
  ];
  const disputed = known
    .flatMap(({ position, items }) => items.map((item) => ({ position, ...item })))
    .filter(({ dispute }) => dispute === 'one-sided' || dispute === 'ambiguous')
    .sort((a, b) => b.share - a.share);
  sentences.push(sayDisputed(disputed));
  const harsh = (effects?.examiners ?? []).filter(
    ({ severity, lower, upper }) =>
      Math.abs(severity) >= WORTH_SAYING && lower !== null && upper !== null && lower * upper > 0,
  );
  for (const { examiner, severity } of harsh.slice(0, 2)) {
    sentences.push(
      `${examiner} marks ${Math.abs(severity).toFixed(1)} points ${severity > 0 ? 'lower' : 'higher'} than the average examiner.`,
    );
  }
  return sentences.join(' ');
}

function sayDisputed(
  disputed: readonly (SaidStation['items'][number] & { position: number })[],
): string {
  const [first] = disputed;
  if (!first) return 'No item is in dispute.';
  const { text, position, dispute, examiner } = first;
  const why =
    dispute === 'ambiguous'
      ? 'both sides split at random, so that its words need mending'
      : `${examiner ?? 'one examiner'} marks it otherwise than the others`;
  const count = disputed.length === 1 ? 'One item is' : `${disputed.length} items are`;
  return `${count} in dispute, first of all “${text}” at station ${position}: ${why}.`;
}

function percent(share: number): string {
  return `${Math.round(100 * share)} %`;
}
