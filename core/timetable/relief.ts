import { Diary } from './diary.ts';
import type { OpenSlot } from './drawnSlots.ts';
import { isAvailable, mayExamine } from './problem.ts';
import type { Interval, PlannedExaminer, PlanningProblem, Unmet } from './problem.ts';

/**
 * Puts somebody in where a slot has no examiner or one in conflict with the candidate: whoever is
 * free, or two examiners of the same round change places for it. What stays open has no examiner,
 * and is told.
 */
export function relieved(
  problem: PlanningProblem,
  slots: readonly OpenSlot[],
): { readonly diary: Diary; readonly unmet: readonly Unmet[] } {
  const { examiners, candidates } = problem;
  const diary = new Diary();
  const byId = new Map(examiners.map((one) => [one.id, one]));
  const conflicts = new Map(candidates.map((one) => [one.id, new Set(one.conflicts)]));
  for (const slot of slots) if (slot.examiner !== null) diary.take(slot.examiner, slot);

  const suits = (examiner: PlannedExaminer, slot: OpenSlot) =>
    slot.station !== null &&
    mayExamine(examiner, slot.station) &&
    isAvailable(examiner.available, slot) &&
    conflicts.get(slot.candidate)?.has(examiner.id) !== true;
  const isRight = (slot: OpenSlot) => {
    const own = slot.examiner === null ? undefined : byId.get(slot.examiner);
    return own !== undefined && suits(own, slot);
  };
  const giveTo = (slot: OpenSlot, examiner: string | null) => {
    if (slot.examiner !== null) diary.release(slot.examiner, slot);
    slot.examiner = examiner;
    if (examiner !== null) diary.take(examiner, slot);
  };

  const wrong = slots.filter((slot) => slot.station !== null && !isRight(slot));
  for (const slot of wrong) {
    const free = examiners
      .filter((one) => suits(one, slot) && diary.isFree(one.id, slot))
      .sort((a, b) => diary.count(b.id) - diary.count(a.id));
    if (free[0]) {
      giveTo(slot, free[0].id);
      continue;
    }
    if (slot.examiner === null) continue;
    const other = slots.find((one) => canChange(slot, one));
    if (!other) continue;
    const [mine, theirs] = [slot.examiner, other.examiner];
    giveTo(slot, null);
    giveTo(other, mine);
    giveTo(slot, theirs);
  }
  const left = wrong.filter((slot) => !isRight(slot));
  const unmet = left.map(tell);
  // A conflict is never kept quiet by a mark: the slot stays open until somebody is found.
  for (const slot of left) giveTo(slot, null);
  return { diary, unmet };

  function canChange(slot: OpenSlot, other: OpenSlot): boolean {
    const [mine, theirs] = [slot.examiner, other.examiner].map((id) => byId.get(id ?? ''));
    if (!mine || !theirs || mine === theirs || other.station === null) return false;
    const together = other.start === slot.start;
    const long: Interval = { start: slot.start, end: Math.max(slot.end, other.end) };
    return (
      together &&
      suits(theirs, slot) &&
      suits(mine, other) &&
      alone(mine, slot, long) &&
      alone(theirs, other, long)
    );
  }
  /** Free for the longer of the two slots, but for the one that is given up. */
  function alone(examiner: PlannedExaminer, own: OpenSlot, long: Interval): boolean {
    diary.release(examiner.id, own);
    const free = diary.isFree(examiner.id, long);
    diary.take(examiner.id, own);
    return free;
  }
  function tell(slot: OpenSlot): Unmet {
    const { candidate, station, examiner } = slot;
    if (examiner === null) {
      const why = `nobody who may examine ${station} is free for ${candidate}`;
      return { rule: 'examiner', who: station ?? '', why };
    }
    const why = `${examiner} is at ${station} and must not mark ${candidate}, and nobody else is free; the slot has no examiner`;
    return { rule: 'conflict', who: candidate, why };
  }
}
