import { belongsToVariant, usualVariants } from '../scoring/checklist.ts';
import type { ChecklistItem, SeenVariants } from '../scoring/checklist.ts';
import type { DraftContent, DraftItem } from './draftChecklist.ts';
import type { Finding } from './finding.ts';

/** The percent with which a station is passed where nothing is known of its cut (common practice, no source). */
export const USUAL_PASS_PERCENT = 50;

/**
 * The percent that is left to a candidate who misses everything critical and earns all the rest,
 * in the variants that leave most; `null` where that fails the station, or nothing is critical.
 *
 * Worked value: weights 1 (flagged) and 3 leave 100 * 3 / 4 = 75.
 */
export function leftWithoutCritical(content: DraftContent): number | null {
  const left = variantsOf(content).flatMap((seen) => {
    const asked = content.items.filter((item) => belongsToVariant(item as ChecklistItem, seen));
    const critical = asked.filter(({ criticality }) => criticality !== 'none');
    if (critical.length === 0) return [];
    if (critical.some(({ criticality }) => criticality === 'fails-station')) return [];
    const all = weightOf(asked);
    return all === 0 ? [] : [(100 * (all - weightOf(critical))) / all];
  });
  return left.length === 0 ? null : Math.max(...left);
}

/** Weights under which everything critical can be missed and the station passed all the same. */
export function criticalLost(content: DraftContent, passPercent: number): Finding[] {
  const left = leftWithoutCritical(content);
  if (left === null || left < passPercent) return [];
  const critical = content.items.filter(({ criticality }) => criticality !== 'none');
  const named = critical.map(({ text }) => `“${text}”`).join(', ');
  return [
    {
      item: critical.length === 1 ? (critical[0]?.key ?? null) : null,
      part: 'weight',
      rule: 'critical-lost',
      words: `Without ${named} a candidate still has ${Math.floor(left)} %; ${Math.round(passPercent)} % pass.`,
      reason: 'What is critical is only noted on the report: the station is passed without it.',
      mend: { do: 'fail-station', items: critical.map(({ key }) => key) },
    },
  ];
}

function weightOf(items: readonly DraftItem[]): number {
  return items.reduce((sum, { weight }) => sum + (weight ?? 0), 0);
}

/** The usual variants, and each other one in the place of its procedure's. */
function variantsOf(content: DraftContent): SeenVariants[] {
  const usual = usualVariants(content);
  return content.procedures.flatMap(({ procedure, variants }) =>
    variants.map(({ key }) => ({ ...usual, [procedure]: key })),
  );
}
