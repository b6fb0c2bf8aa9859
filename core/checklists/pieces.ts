import deepEqual from 'fast-deep-equal';
import { generateKeyBetween } from 'fractional-indexing';
import type { DraftContent, DraftItem } from './draftChecklist.ts';

/** The parts of a draft beside its items, each changed as a whole. */
export const AROUND_PARTS = [
  'procedures',
  'faults',
  'order',
  'branches',
  'withheld',
  'attempts',
  'simulatedPatient',
  'task',
  'cautions',
  'stopRule',
] as const satisfies readonly (keyof DraftContent)[];
export type AroundPart = (typeof AROUND_PARTS)[number];

/** An item where it stands: places sort as text, and there is always one between two others. */
export interface PlacedItem {
  readonly place: string;
  readonly item: DraftItem;
}

const ITEM = 'item/';
/** `item/` and the key of an item, or a part around the items. */
export type PieceName = `${typeof ITEM}${string}` | AroundPart;

/**
 * A draft as the pieces that people change: each item with its place, and each part around them.
 * Two people who change different pieces do not meet; who adds or moves an item touches that one
 * only.
 */
export type Pieces = Readonly<Record<string, unknown>>;

/** A piece as it became; `null` where it is gone. */
export interface PieceChange {
  readonly piece: string;
  readonly value: unknown;
}

export function isItemPiece(piece: string): boolean {
  return piece.startsWith(ITEM);
}

function isAround(piece: string): boolean {
  return AROUND_PARTS.some((part) => part === piece);
}

export function itemPiece(key: string): PieceName {
  return `${ITEM}${key}`;
}

/** The draft that these pieces make; of two items at one place the key decides. */
export function contentOf(pieces: Pieces): DraftContent {
  const placed = Object.entries(pieces)
    .filter(([piece]) => isItemPiece(piece))
    .map(([, value]) => value as PlacedItem)
    .sort((a, b) => compare(a.place, b.place) || compare(a.item.key, b.item.key));
  const around = Object.fromEntries(
    AROUND_PARTS.flatMap((part) => (part in pieces ? [[part, pieces[part]]] : [])),
  ) as unknown as Pick<DraftContent, AroundPart>;
  return { ...around, format: 2, items: placed.map(({ item }) => item) };
}

/**
 * The pieces of a draft. Items that were there before keep their place where the order allows it,
 * so that moving one item changes one piece.
 */
export function piecesOf(content: DraftContent, before: Pieces = {}): Pieces {
  const known = content.items.map(
    ({ key }) => (before[itemPiece(key)] as PlacedItem | undefined)?.place,
  );
  const kept = longestRising(known);
  const pieces: Record<string, unknown> = {};
  let last: string | null = null;
  for (const [i, item] of content.items.entries()) {
    const own = known[i];
    if (own !== undefined && kept.has(i)) last = own;
    else {
      const next = known.find((place, j) => j > i && place !== undefined && kept.has(j)) ?? null;
      last = generateKeyBetween(last, next);
    }
    pieces[itemPiece(item.key)] = { place: last, item } satisfies PlacedItem;
  }
  // What a checklist need not have is no piece where it has none.
  for (const part of AROUND_PARTS) if (content[part] !== undefined) pieces[part] = content[part];
  return pieces;
}

/** What changed from the one to the other, in a steady order. */
export function changedPieces(before: Pieces, after: Pieces): PieceChange[] {
  const names = [...new Set([...Object.keys(before), ...Object.keys(after)])];
  return names.flatMap((piece) => {
    const value = after[piece] ?? null;
    return deepEqual(before[piece] ?? null, value) ? [] : [{ piece, value }];
  });
}

/** What changes in the pieces of a draft so that it says this; what is not of the checklist stays. */
export function changesTo(before: Pieces, content: DraftContent): PieceChange[] {
  const after = piecesOf(content, before);
  const ofChecklist = Object.fromEntries(
    Object.entries(before).filter(([piece]) => isItemPiece(piece) || isAround(piece)),
  );
  return changedPieces(ofChecklist, after);
}

/**
 * The pieces after changes; a piece that became `null` is gone. Where the changes say what stands
 * already these are the very same pieces, so that whoever watches them has nothing to do.
 */
export function withChanges(pieces: Pieces, changes: readonly PieceChange[]): Pieces {
  const fresh = changes.filter(({ piece, value }) => !deepEqual(pieces[piece] ?? null, value));
  if (fresh.length === 0) return pieces;
  const changed = { ...pieces };
  for (const { piece, value } of fresh) {
    if (value === null) delete changed[piece];
    else changed[piece] = value;
  }
  return changed;
}

function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

/** The indices of the longest run of places that rises already; the others move. */
function longestRising(places: readonly (string | undefined)[]): ReadonlySet<number> {
  const best: { length: number; before: number }[] = [];
  let end = -1;
  for (const [i, place] of places.entries()) {
    best[i] = { length: place === undefined ? 0 : 1, before: -1 };
    for (let j = 0; j < i && place !== undefined; j++) {
      const [other, run] = [places[j], best[j]];
      if (other === undefined || !run || other >= place) continue;
      if (run.length + 1 > (best[i]?.length ?? 0)) best[i] = { length: run.length + 1, before: j };
    }
    if ((best[i]?.length ?? 0) > (best[end]?.length ?? 0)) end = i;
  }
  const kept = new Set<number>();
  for (let at = end; at >= 0; at = best[at]?.before ?? -1) kept.add(at);
  return kept;
}
