import type { Condition } from '@kritikos/core/standards/examRule';
import type { RulePart } from '@kritikos/core/standards/partPercents';

/** What a part of a score is called. */
export const PART_WORDS: Readonly<Record<RulePart, string>> = {
  preparation: 'Preparation',
  positioning: 'Positioning',
  technique: 'Technique',
  comparison: 'Comparison of sides',
  interpretation: 'Interpretation',
  communication: 'Communication',
  safety: 'Safety',
};

/** What a condition of the rule is called, and how its numbers are written. */
export function sayCondition(part: Condition['part']): { title: string; unit: string } {
  switch (part) {
    case 'mean':
      return { title: 'Mean over the stations', unit: ' %' };
    case 'stations':
      return { title: 'Stations passed', unit: '' };
    case 'critical':
      return { title: 'Critical items missed', unit: '' };
    case 'safety-event':
      return { title: 'Safety events laid to the candidate', unit: '' };
    default:
      return { title: PART_WORDS[part], unit: ' %' };
  }
}
