import { readAlong } from '@kritikos/core/checklists/readAlong';
import type { ReadingRule } from '@kritikos/core/checklists/finding';
import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import type { Procedure } from '../procedure.ts';
import { liftChecklist } from '../stationChecklist.ts';
import type { Unsound } from './unsound.ts';

const FEWEST_ITEMS = 8;
const MOST_ITEMS = 14;
/** What the reading along finds and no examiner could agree on. */
const NOT_AGREEABLE: ReadonlySet<ReadingRule> = new Set([
  'two-acts',
  'vague',
  'no-anchors',
  'no-key',
  'no-reason',
  'no-comparison',
  'no-stop-rule',
]);

/** In every school the list fits one screen and says enough. */
export function wronglyLong({ checklist, schools }: Procedure): Unsound[] {
  return schools.flatMap(({ key, label }): Unsound[] => {
    const asked = checklist.items.filter((item) => belongsToVariant(item, { own: key })).length;
    if (asked >= FEWEST_ITEMS && asked <= MOST_ITEMS) return [];
    return [
      {
        path: '/checklist/items',
        reason: `asks for ${asked} items as ${label} does it; ${FEWEST_ITEMS} to ${MOST_ITEMS} fit a screen and a station`,
        nearest: `${asked < FEWEST_ITEMS ? FEWEST_ITEMS : MOST_ITEMS} items`,
        instead: null,
      },
    ];
  });
}

/** The words are such that two examiners read them alike. */
export function notAgreeable(procedure: Procedure): Unsound[] {
  const content = liftChecklist(procedure);
  const found = readAlong(content, { twoSided: procedure.sides !== 'none' });
  return found
    .filter(({ rule }) => NOT_AGREEABLE.has(rule))
    .map(({ item, part, words, mend }) => {
      const place = content.items.findIndex(({ key }) => key === item);
      const where = place < 0 ? '/checklist' : `/checklist/items/${place}`;
      const at = part === 'stop-rule' ? '/stopRule' : part === 'items' ? '/items' : `/${part}`;
      const said = mend.do === 'say' || mend.do === 'stop-rule' ? mend.text : null;
      return {
        path: `${where}${at}`,
        reason: words.replace(/\.$/, ''),
        nearest: mend.do === 'split' ? mend.into.join('; ') : said,
        instead: said,
      };
    });
}
