import type { DraftItem } from './draftChecklist.ts';
import { scalesOf } from './draftChecklist.ts';
import type { Finding } from './finding.ts';

/** The fewest grades that make a scale of its own; two are done or not done. */
const FEWEST_ANCHORS = 3;

/** A graded item says what each grade looks like; a number alone is each examiner's own. */
export function withoutAnchors(item: DraftItem): Finding[] {
  const graded = scalesOf(item).find((scale) => scale.kind === 'graded');
  if (graded?.kind !== 'graded') return [];
  const said = graded.anchors.filter((anchor) => anchor.trim() !== '');
  const missing = graded.anchors.length - said.length;
  if (missing === 0 && said.length >= FEWEST_ANCHORS) return [];
  return [
    {
      item: item.key,
      part: 'anchors',
      rule: 'no-anchors',
      words:
        said.length === 0
          ? 'Its grades are not described.'
          : missing > 0
            ? `${missing} of its ${graded.anchors.length} grades ${missing === 1 ? 'is' : 'are'} not described.`
            : `${said.length} grades are no scale; it needs ${FEWEST_ANCHORS}.`,
      reason: 'A grade without its description means to each examiner what it means to them.',
      mend:
        said.length >= FEWEST_ANCHORS
          ? { do: 'keep-anchors', item: item.key, anchors: said }
          : { do: 'as-done', item: item.key },
    },
  ];
}

/** What the candidate declares is marked against a key; without one nobody can be right. */
export function withoutKey(item: DraftItem, derived: DraftItem | undefined): Finding[] {
  const lacks =
    item.kind === 'cluster'
      ? item.needs.length === 0 && !item.from
      : scalesOf(item).some(
          (scale) =>
            scale.kind === 'choice' && !scale.options.some(({ key }) => key === scale.answer),
        );
  if (!lacks) return [];
  const answer = derived?.kind === 'choice' ? derived.answer : '';
  const fits = item.kind === 'choice' && item.options.some(({ key }) => key === answer);
  return [
    {
      item: item.key,
      part: 'answer',
      rule: 'no-key',
      words: 'It asks for an answer and says none is right.',
      reason: 'Each examiner would mark it by what they themselves found.',
      mend: fits
        ? { do: 'answer', item: item.key, answer }
        : { do: 'write', item: item.key, part: 'answer' },
    },
  ];
}

/** Whoever fails a station by one item is told why it counts for so much. */
export function withoutReason(item: DraftItem): Finding[] {
  if (item.criticality === 'none' || item.criticalReason?.trim()) return [];
  return [
    {
      item: item.key,
      part: 'reason',
      rule: 'no-reason',
      words: 'Missing it counts for more than its weight, and no reason is given.',
      reason: 'The candidate who fails by it, and the board, will ask.',
      mend: { do: 'write', item: item.key, part: 'reason' },
    },
  ];
}

/** Said where a checklist has no stop rule of its own; local policy goes before it. */
export const GENERAL_STOP_RULE =
  'Stop at once when the person asks, at sharp pain, at new numbness or when they turn pale; stopping costs no marks. Local policy comes first.';

/** Every test that lays hands on somebody says when they are taken off. */
export function withoutStopRule(stopRule: string, derived: string | undefined): Finding[] {
  if (stopRule.trim() !== '') return [];
  return [
    {
      item: null,
      part: 'stop-rule',
      rule: 'no-stop-rule',
      words: 'Nothing says when to stop.',
      reason: 'Students press too hard. Whoever plays the patient must be able to rely on a rule.',
      mend: { do: 'stop-rule', text: derived?.trim() || GENERAL_STOP_RULE },
    },
  ];
}
