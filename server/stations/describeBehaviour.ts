import { disputeOf } from '@kritikos/core/agreement/disputeKind';
import { POOLED_SCALE, scaleOf } from '@kritikos/core/agreement/itemScale';
import { pairwiseAgreement } from '@kritikos/core/agreement/pairwiseAgreement';
import { countSubjects, sheetsByCandidate, subjectsOf } from '@kritikos/core/agreement/ratedSheet';
import type { RatedSheet } from '@kritikos/core/agreement/ratedSheet';
import { mean } from '@kritikos/core/numerics/summary';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { FIVE_POINT_SCALE, borderlinePoint } from '@kritikos/core/scoring/globalRating';
import { borderlineRegression } from '@kritikos/core/standards/borderlineRegression';
import type { KeptBehaviour } from './behaviourRepository.ts';

/** What somebody who looks for a station wants to know of how it behaved. */
export function describeBehaviour(
  items: readonly ChecklistItem[],
  scores: readonly { candidate: string; percent: number | null; grade: number | null }[],
  rated: readonly RatedSheet[],
): KeptBehaviour {
  const percents = scores.flatMap(({ percent }) => percent ?? []);
  const graded = scores.filter(({ percent, grade }) => percent !== null && grade !== null);
  const { cut } = borderlineRegression(
    graded.map(({ percent }) => percent as number),
    graded.map(({ grade }) => grade as number),
    borderlinePoint(FIVE_POINT_SCALE) ?? NaN,
  );
  const candidates = sheetsByCandidate(rated);
  const subjects = subjectsOf(
    candidates,
    items.map((_, place) => place),
    POOLED_SCALE.read,
  );
  const pooled = POOLED_SCALE.categories.map(({ key }) => key);
  const agreement =
    subjects.length === 0
      ? null
      : pairwiseAgreement(countSubjects(subjects, pooled).tally).estimate;
  const disputes = items.map((item, place) => {
    const scale = scaleOf(item);
    const categories = scale.categories.map(({ key }) => key);
    return disputeOf(subjectsOf(candidates, [place], scale.read), categories).kind;
  });
  return {
    candidates: new Set(scores.map(({ candidate }) => candidate)).size,
    facility: percents.length === 0 ? null : mean(percents),
    cut: cut.estimate,
    pairs: candidates.length,
    agreement,
    disputed: disputes.filter((kind) => kind === 'ambiguous' || kind === 'one-sided').length,
  };
}
