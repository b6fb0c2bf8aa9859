import type { PartPercents } from './partPercents.ts';

/** Safety events at the stations of one candidate, by what became of them. */
export interface SafetyCount {
  /** Laid to what the candidate did. */
  readonly laid: number;
  /** Nobody has said yet whose doing they were. */
  readonly open: number;
}

export const NO_SAFETY_EVENT: SafetyCount = { laid: 0, open: 0 };

/** What a rule may ask of a candidate beside the scores of the stations. */
export interface CandidateFacts {
  /** What was earned in single parts over all stations; `null` where no part is asked for. */
  readonly parts: PartPercents | null;
  readonly safety: SafetyCount;
}

export const NO_FACTS: CandidateFacts = { parts: null, safety: NO_SAFETY_EVENT };

/** How many safety events of each candidate are laid to the candidate, and how many are open. */
export function countSafety(
  events: readonly {
    readonly candidateId: string;
    readonly followUp: { readonly laidTo: string } | null;
  }[],
): Map<string, SafetyCount> {
  const counts = new Map<string, SafetyCount>();
  for (const { candidateId, followUp } of events) {
    const { laid, open } = counts.get(candidateId) ?? NO_SAFETY_EVENT;
    counts.set(candidateId, {
      laid: laid + Number(followUp?.laidTo === 'candidate'),
      open: open + Number(followUp === null),
    });
  }
  return counts;
}

/** The facts of everybody named, from what is known of parts and of safety events. */
export function factsOf(
  candidates: readonly string[],
  parts: ReadonlyMap<string, PartPercents> | undefined,
  safety: ReadonlyMap<string, SafetyCount> | undefined,
): Map<string, CandidateFacts> {
  return new Map(
    candidates.map((candidate) => [
      candidate,
      { parts: parts?.get(candidate) ?? null, safety: safety?.get(candidate) ?? NO_SAFETY_EVENT },
    ]),
  );
}
