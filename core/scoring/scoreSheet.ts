import { belongsToVariant } from './checklist.ts';
import type {
  AttemptRule,
  BranchRule,
  ChecklistContent,
  ChecklistItem,
  Domain,
  OrderRule,
  SeenVariants,
} from './checklist.ts';
import { earnedShare } from './mark.ts';
import { cameTooLate, skippedItems } from './rulesOfOrder.ts';
import type { Mark } from './mark.ts';

/** How the marks of a sheet are put together: what a checklist says of them, and what the school does. */
export interface ScoringRules {
  /** A sheet with a larger share of its weight unmarked or not observed is not scorable. */
  readonly mostUnobservedShare: number;
  readonly order: readonly OrderRule[];
  readonly branches: readonly BranchRule[];
  readonly attempts: AttemptRule;
}

export const DEFAULT_RULES: ScoringRules = {
  mostUnobservedShare: 0.25,
  order: [],
  branches: [],
  attempts: { allowed: 1, counts: 'last' },
};

/** The rules that a checklist comes with. */
export function rulesOf({
  order,
  branches,
  attempts,
}: Pick<ChecklistContent, 'order' | 'branches' | 'attempts'>): ScoringRules {
  return { ...DEFAULT_RULES, order, branches, attempts };
}

/** A part of the score: weights earned and possible, and their ratio in percent. */
export interface Tally {
  readonly earned: number;
  readonly possible: number;
  readonly percent: number | null;
}

export interface SheetScore {
  /** Weighted percent over what applied and was observed; `null` where the sheet is not scorable. */
  readonly percent: number | null;
  readonly domains: Readonly<Record<Domain, Tally>>;
  readonly safety: Tally;
  /** Keys of the items whose miss fails the station: missed, met, and asked for but not observed. */
  readonly critical: {
    readonly missed: readonly string[];
    readonly met: readonly string[];
    readonly unseen: readonly string[];
  };
  /** Keys of items whose miss is only reported. */
  readonly flags: readonly string[];
  readonly unmarked: readonly string[];
  readonly notObserved: readonly string[];
  readonly notApplicable: readonly string[];
  readonly notes: readonly string[];
  /** The share of its weight that each item earned, by key; none where there is no share. */
  readonly shares: Readonly<Record<string, number>>;
  /** The attempt that counted. */
  readonly attempt: number;
}

/**
 * Scores one sheet: `percent = 100 * sum(weight * share) / sum(weight)`.
 *
 * Items of another variant and items not applicable by rule leave both sums. Items that were not
 * observed, or not marked at all, leave both sums too, and are counted; too many of them make the
 * sheet not scorable. A second attempt takes the place of the first item by item, and by the rule
 * of the checklist either it counts or the better of the two.
 * Worked value: weights 1 and 3, shares 1 and 0.5, give 100 * 2.5 / 4 = 62.5.
 */
export function scoreSheet(
  items: readonly ChecklistItem[],
  marks: readonly Mark[],
  seen: SeenVariants,
  rules: ScoringRules = DEFAULT_RULES,
): SheetScore {
  const attempts = marks.reduce((most, mark) => Math.max(most, attemptOf(mark)), 1);
  if (attempts === 1) return scoreAttempt(items, marks, seen, rules, 1);
  const upTo = (last: number) => scoreAttempt(items, standing(marks, last), seen, rules, last);
  const scores = Array.from({ length: attempts }, (_, i) => upTo(i + 1));
  const last = scores.at(-1) as SheetScore;
  if (rules.attempts.counts === 'last') return last;
  return scores.reduce((best, next) =>
    (next.percent ?? -1) >= (best.percent ?? -1) ? next : best,
  );
}

function attemptOf(mark: Mark): number {
  return mark.attempt ?? 1;
}

/** What stands after an attempt: of every item its newest mark until then. */
function standing(marks: readonly Mark[], last: number): Mark[] {
  const newest = new Map<string, Mark>();
  for (const mark of marks) {
    const before = newest.get(mark.item);
    if (attemptOf(mark) > last || (before && attemptOf(before) > attemptOf(mark))) continue;
    newest.set(mark.item, mark);
  }
  return [...newest.values()];
}

function scoreAttempt(
  items: readonly ChecklistItem[],
  marks: readonly Mark[],
  seen: SeenVariants,
  rules: ScoringRules,
  attempt: number,
): SheetScore {
  const byItem = new Map<string, Mark>();
  for (const mark of marks) byItem.set(mark.item, mark);
  const total = new Sum();
  const safety = new Sum();
  const domains = eachDomain(() => new Sum());
  const critical = { missed: [] as string[], met: [] as string[], unseen: [] as string[] };
  const flags: string[] = [];
  const unmarked: string[] = [];
  const notObserved: string[] = [];
  const notApplicable: string[] = [];
  const shares: Record<string, number> = {};
  const skipped = skippedItems(rules.branches, byItem);
  let weightUnseen = 0;

  for (const item of items) {
    if (!belongsToVariant(item, seen)) continue;
    const mark = byItem.get(item.key);
    if (mark?.observation === 'not-applicable' || skipped.has(item.key)) {
      notApplicable.push(item.key);
      continue;
    }
    let share = mark ? earnedShare(item, mark) : null;
    if (share === null) {
      (mark?.observation === 'not-observed' ? notObserved : unmarked).push(item.key);
      weightUnseen += item.weight;
      if (item.criticality === 'fails-station') critical.unseen.push(item.key);
      continue;
    }
    if (mark && cameTooLate(mark, rules.order, byItem)) share = 0;
    shares[item.key] = share;
    total.add(item.weight, share);
    domains[item.domain].add(item.weight, share);
    if (item.safety) safety.add(item.weight, share);
    if (item.criticality === 'fails-station') {
      critical[share === 0 ? 'missed' : 'met'].push(item.key);
    }
    if (share === 0 && item.criticality === 'flag') flags.push(item.key);
  }

  const unseenShare = weightUnseen / (weightUnseen + total.possible);
  const notes: string[] = [];
  let percent = total.tally().percent;
  if (percent === null) notes.push('No item was marked, so there is no score.');
  else if (unseenShare > rules.mostUnobservedShare) {
    percent = null;
    notes.push(
      `${Math.round(100 * unseenShare)} % of the weight was not marked or not observed; ` +
        `at most ${Math.round(100 * rules.mostUnobservedShare)} % may be, so the sheet is not scorable.`,
    );
  }
  return {
    percent,
    domains: eachDomain((domain) => domains[domain].tally()),
    safety: safety.tally(),
    critical,
    flags,
    unmarked,
    notObserved,
    notApplicable,
    notes,
    shares,
    attempt,
  };
}

/** A value for each domain. */
function eachDomain<T>(of: (domain: Domain) => T): Record<Domain, T> {
  return {
    preparation: of('preparation'),
    positioning: of('positioning'),
    technique: of('technique'),
    comparison: of('comparison'),
    interpretation: of('interpretation'),
    communication: of('communication'),
  };
}

class Sum {
  earned = 0;
  possible = 0;
  add(weight: number, share: number): void {
    this.earned += weight * share;
    this.possible += weight;
  }
  tally(): Tally {
    const { earned, possible } = this;
    return { earned, possible, percent: possible > 0 ? (100 * earned) / possible : null };
  }
}
