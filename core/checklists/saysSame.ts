import deepEqual from 'fast-deep-equal';
import type { DraftItem, DraftScale } from './draftChecklist.ts';

/**
 * Whether two items say the same to an examiner: wording, kind, anchors, options, unit, settings.
 * As long as they do they are one item, and its statistics are its own; band, key and weight may
 * change. The database decides by the same parts.
 */
export function saysSame(one: DraftItem, other: DraftItem): boolean {
  return deepEqual(wordsOf(one), wordsOf(other));
}

function wordsOf(item: DraftItem): unknown {
  const { text, kind } = item;
  switch (item.kind) {
    case 'sides':
      return { text, kind, first: wordsOfScale(item.left) };
    case 'retest':
      return { text, kind, settings: item.settings, first: wordsOfScale(item.before) };
    case 'cluster':
      return { text, kind, options: item.options };
    default:
      return { text, ...wordsOfScale(item) };
  }
}

function wordsOfScale(scale: DraftScale): Record<string, unknown> {
  switch (scale.kind) {
    case 'graded':
      return { kind: scale.kind, anchors: scale.anchors };
    case 'choice':
      return { kind: scale.kind, options: scale.options };
    case 'measured':
    case 'count':
      return { kind: scale.kind, unit: scale.unit };
    default:
      return { kind: scale.kind };
  }
}
