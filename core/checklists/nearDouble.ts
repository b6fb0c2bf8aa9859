import type { DraftItem } from './draftChecklist.ts';
import type { Finding } from './finding.ts';

/** Words that say nothing of an act by themselves. */
const SMALL =
  /^(a|an|the|this|that|each|every|both|of|to|in|on|at|by|for|from|with|into|over|under|and|or|as|is|are|be|it|its|his|her|their|before|after|while|once|again)$/;

/** Two items are nearly one where so much of what both say is said by both (Jaccard’s index). */
const NEARLY = 0.6;

/**
 * Finds items that ask what an earlier one asks in fewer or more words (“Cleans hands” beside “Cleans
 * hands before touching”): the act would be marked twice. They begin with the same word, and all that
 * the shorter one says is in the longer one.
 */
export function nearDouble(items: readonly DraftItem[]): Finding[] {
  const said = items.map((item) => wordsOf(item.text));
  return items.flatMap((item, i): Finding[] => {
    const at = items.findIndex(
      (other, k) => k < i && maybeTogether(item, other) && alike(said[i] ?? [], said[k] ?? []),
    );
    const first = items[at];
    if (!first) return [];
    return [
      {
        item: item.key,
        part: 'text',
        rule: 'near-double',
        words: `“${item.text}” asks what “${first.text}” asks`,
        reason: 'What is asked twice counts twice, and two examiners may give it once and twice.',
        mend: { do: 'remove', item: item.key },
      },
    ];
  });
}

/**
 * Items of other procedures, or of variants that exclude each other, do not stand on one sheet; and an
 * act is not asked twice by asking what was found by it, which is another kind of item.
 */
function maybeTogether(one: DraftItem, other: DraftItem): boolean {
  if (one.procedure !== other.procedure || one.kind !== other.kind) return false;
  const [mine, theirs] = [one.variants ?? [], other.variants ?? []];
  return mine.length === 0 || theirs.length === 0 || mine.some((v) => theirs.includes(v));
}

function wordsOf(text: string): readonly string[] {
  const words = text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
  return words.filter((word) => !SMALL.test(word));
}

function alike(one: readonly string[], other: readonly string[]): boolean {
  if (one[0] !== other[0]) return false;
  const [a, b] = [new Set(one), new Set(other)];
  const both = [...a].filter((word) => b.has(word)).length;
  const smaller = Math.min(a.size, b.size);
  return smaller >= 2 && both === smaller && both / (a.size + b.size - both) >= NEARLY;
}
