import type { DraftContent } from '@kritikos/core/checklists/draftChecklist';
import type { ItemKind } from '@kritikos/core/checklists/asKind';
import type { Mend } from '@kritikos/core/checklists/finding';
import { isItemPiece } from '@kritikos/core/checklists/pieces';
import type { PlacedItem } from '@kritikos/core/checklists/pieces';
import { PHASES } from '@kritikos/core/marking/phases';
import type { Criticality, Observability } from '@kritikos/core/scoring/checklist';

export const KIND_WORDS: Readonly<Record<ItemKind, string>> = {
  done: 'Done or not',
  graded: 'Graded',
  measured: 'Measured',
  count: 'Counted',
  hold: 'Held',
  choice: 'Declared',
  sides: 'Both sides',
  retest: 'Before and after',
  cluster: 'Combination',
};

export const OBSERVABILITY_WORDS: Readonly<Record<Observability, string>> = {
  seen: 'Seen from beside the couch',
  spoken: 'Heard: the candidate says it',
  felt: 'Felt: only by the examiner’s own re-test',
};

export const CRITICALITY_WORDS: Readonly<Record<Criticality, string>> = {
  none: 'Counts by its weight',
  flag: 'Missing it is noted on the report',
  'fails-station': 'Missing it fails the station',
};

/** What the one action of a finding does, as its button says it. */
export function sayMend(action: Mend): string {
  switch (action.do) {
    case 'split':
      return action.into.length === 2 ? 'Make two items of it' : `Make ${action.into.length} items`;
    case 'say':
      return `Say “${action.text}”`;
    case 'remove':
      return 'Take the item out';
    case 'as-done':
      return 'Mark it done or not done';
    case 'keep-anchors':
      return `Keep the ${action.anchors.length} that are described`;
    case 'answer':
      return 'Take the key of the patient';
    case 'band':
      return `Lay the band at ${action.lower === action.upper ? action.lower : `${action.lower} to ${action.upper}`}`;
    case 'fail-station':
      return action.items.length === 1
        ? 'Missing it fails the station'
        : 'Missing any of them fails the station';
    case 'add':
      return `Add “${action.item.text}”`;
    case 'stop-rule':
      return 'Take a stop rule';
    case 'minutes':
      return `Give the station ${action.minutes} minutes`;
    case 'write':
      return action.part === 'text'
        ? 'Reword it'
        : action.part === 'reason'
          ? 'Write the reason'
          : 'Choose the answer';
  }
}

const PIECE_WORDS: Readonly<Record<string, string>> = {
  procedures: 'Ways of doing it',
  faults: 'Faults',
  order: 'Order rules',
  branches: 'Rules for what does not apply',
  withheld: 'What the patient forbids',
  attempts: 'Attempts',
  simulatedPatient: 'Script of the simulated patient',
  task: 'Candidate’s task',
  cautions: 'Cautions',
  stopRule: 'Stop rule',
  title: 'Title',
  minutes: 'Minutes',
  patient: 'Simulated patient',
  equipment: 'Equipment',
  leftAsItIs: 'Findings left as they are',
};

/** A piece of a draft by its name, and an item by its words. */
export function sayPiece(piece: string, ...values: readonly unknown[]): string {
  if (!isItemPiece(piece)) return PIECE_WORDS[piece] ?? piece;
  const placed = values.find((value) => value !== null && value !== undefined);
  return placed ? `“${(placed as PlacedItem).item.text || 'no words yet'}”` : piece;
}

const PART_WORDS: Readonly<Record<string, string>> = {
  text: 'words',
  domain: 'phase',
  kind: 'way of marking',
  weight: 'weight',
  observability: 'who knows it',
  criticality: 'what missing it does',
  criticalReason: 'reason',
  safety: 'safety',
  saidEarns: 'whether saying it earns',
  variants: 'ways of doing it',
  procedure: 'procedure',
  declared: 'whether it is declared',
  anchors: 'anchors',
  unit: 'unit',
  lower: 'lower limit',
  upper: 'upper limit',
  fullTolerance: 'tolerance for full marks',
  halfTolerance: 'tolerance for half marks',
  step: 'step',
  minimum: 'least',
  maximum: 'most',
  options: 'options',
  answer: 'key',
  partly: 'half marks',
  left: 'left',
  right: 'right',
  before: 'before',
  after: 'after',
  settings: 'settings',
  needs: 'what is needed',
  from: 'what is needed of several',
  never: 'what must not be named',
};

/** A part of an item as it is called on the page. */
export function sayPart(part: string): string {
  return PART_WORDS[part] ?? PIECE_WORDS[part]?.toLowerCase() ?? part;
}

/** As much of what a format has against a part as is needed to say it in words. */
interface Lack {
  readonly code?: string | undefined;
  readonly message: string;
  readonly minimum?: number | bigint;
  readonly origin?: string;
}

/** What a part lacks; formats that say it in words are left to say it. */
export function sayLack({ code, message, minimum, origin }: Lack): string {
  if (code === 'invalid_type') return 'is not written yet';
  if (code === 'invalid_format') return 'is not chosen yet';
  if (code === 'too_small' && origin === 'array') return `needs ${minimum} or more`;
  return message;
}

/** Parts whose values are words of the vocabulary, as the page says them. */
const VALUE_WORDS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  kind: lower(KIND_WORDS),
  criticality: lower(CRITICALITY_WORDS),
  observability: { seen: 'seen', spoken: 'heard', felt: 'felt' },
  domain: Object.fromEntries(PHASES.map(({ domain, title }) => [domain, title.toLowerCase()])),
};

function lower(words: Readonly<Record<string, string>>): Record<string, string> {
  return Object.fromEntries(Object.entries(words).map(([key, said]) => [key, said.toLowerCase()]));
}

/** What belongs to one way of marking: where that changed, it need not be told part by part. */
const OF_THE_KIND = new Set(
  'anchors unit lower upper fullTolerance halfTolerance step minimum maximum options answer partly left right before after settings needs from never'.split(
    ' ',
  ),
);

/** One changed part of an item in words, and none where the way of marking says it already. */
export function sayChanges(
  parts: readonly { readonly part: string; readonly before: unknown; readonly after: unknown }[],
): string[] {
  const otherKind = parts.some(({ part }) => part === 'kind');
  return parts
    .filter(({ part }) => !(otherKind && OF_THE_KIND.has(part)))
    .map(({ part, before, after }) => {
      const said = (value: unknown) => VALUE_WORDS[part]?.[String(value)] ?? sayValue(value);
      return `${sayPart(part)}: ${said(before)} → ${said(after)}`;
    });
}

/** The words of items by their keys, for what names them. */
export type ItemWords = ReadonlyMap<string, string>;

export function itemWordsOf(...drafts: readonly DraftContent[]): ItemWords {
  return new Map(
    drafts.flatMap(({ items }) => items.map(({ key, text }) => [key, text || 'no words yet'])),
  );
}

/** A value of a part, short enough for a line; items that it names are said in their words. */
export function sayValue(value: unknown, items: ItemWords = new Map()): string {
  if (value === undefined || value === null || value === '') return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return String(value);
  if (typeof value === 'string') return `“${items.get(value) ?? value}”`;
  if (Array.isArray(value)) {
    return value.map((entry) => sayEntry(entry, items)).join(', ') || 'nothing';
  }
  return sayEntry(value, items);
}

const RULE_WORDS: Readonly<Record<string, string>> = {
  earns: 'earns:',
  before: 'only before:',
  when: 'when',
  is: 'is',
  skips: 'skips',
  allowed: 'attempts:',
  counts: 'counts:',
  condition: 'has',
  degree: 'degree',
};

function sayEntry(entry: unknown, items: ItemWords): string {
  if (typeof entry !== 'object' || entry === null) {
    const text = String(entry);
    return items.has(text) ? `“${items.get(text)}”` : text;
  }
  const own = entry as Readonly<Record<string, unknown>>;
  if (typeof own.label === 'string') return own.label;
  if (typeof own.item === 'string') return `${String(own.text)} (${sayValue(own.item, items)})`;
  return Object.entries(own)
    .filter(([, value]) => value !== null)
    .map(([part, value]) => `${RULE_WORDS[part] ?? sayPart(part)} ${sayNamed(value, items)}`)
    .join(' ');
}

function sayNamed(value: unknown, items: ItemWords): string {
  return typeof value === 'object' ? sayValue(value, items) : sayEntry(value, items);
}
