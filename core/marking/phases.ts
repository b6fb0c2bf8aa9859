import type { ChecklistItem, Domain } from '../scoring/checklist.ts';

/** What is happening in front of the examiner, in the order in which it usually happens. */
export const PHASES: readonly { domain: Domain; title: string }[] = [
  { domain: 'preparation', title: 'Prepare' },
  { domain: 'positioning', title: 'Position' },
  { domain: 'technique', title: 'Perform' },
  { domain: 'comparison', title: 'Compare' },
  { domain: 'interpretation', title: 'Interpret' },
  { domain: 'communication', title: 'Close' },
];

export interface PhaseGroup {
  readonly title: string;
  readonly items: readonly ChecklistItem[];
}

/** The items grouped by phase, the groups in order, none empty. */
export function byPhase(items: readonly ChecklistItem[]): PhaseGroup[] {
  return PHASES.map(({ domain, title }) => ({
    title,
    items: items.filter((item) => item.domain === domain),
  })).filter((group) => group.items.length > 0);
}

/** Two columns of about the same height; a group is never torn apart unless it is the longest by far. */
export function inTwoColumns(groups: readonly PhaseGroup[]): [PhaseGroup[], PhaseGroup[]] {
  const height = (group: PhaseGroup) => group.items.length + 0.35;
  const total = groups.reduce((sum, group) => sum + height(group), 0);
  let best = 1;
  let smallest = Infinity;
  for (let cut = 1; cut < groups.length; cut++) {
    const left = groups.slice(0, cut).reduce((sum, group) => sum + height(group), 0);
    const taller = Math.max(left, total - left);
    if (taller < smallest) [smallest, best] = [taller, cut];
  }
  return [groups.slice(0, best), groups.slice(best)];
}
