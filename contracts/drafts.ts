import { DISPUTE_KINDS } from '@kritikos/core/agreement/disputeKind';
import type { EarlierUse } from '@kritikos/core/checklists/earlierUse';
import type { AroundPart } from '@kritikos/core/checklists/pieces';
import { z } from 'zod';
import { around, draftItem, words } from './draftContent.ts';
import { id, instant, key, page } from './primitives.ts';
import { simulatedPatient } from './simulatedPatient.ts';

/** Where an item stands among the others: sorts as text. */
const place = z
  .string()
  .regex(/^[0-9A-Za-z]+$/, 'must be letters and digits')
  .max(200);
const placedItem = z.object({ place, item: draftItem });

/** Parts of the station that a draft is of, where it is of one of the bank. */
const ofStation = {
  title: words(80),
  minutes: z.int().min(1).max(60),
  patient: z.object({ has: simulatedPatient.nullable() }),
  equipment: z.array(words(60)).max(20),
};
export const STATION_PARTS = ['title', 'minutes', 'patient', 'equipment'] as const;
export type StationPart = (typeof STATION_PARTS)[number];
/** What those parts say; a station without a patient of its own has the one of the catalogue. */
export type StationParts = z.infer<z.ZodObject<typeof ofStation>>;

/** What the reading along found and somebody left as it is: the words of the findings. */
export const LEFT_AS_IT_IS = 'leftAsItIs';
const ofReading = { [LEFT_AS_IT_IS]: z.array(words(600)).max(200) };

const PARTS = { ...around, ...ofStation, ...ofReading } satisfies Record<
  AroundPart | StationPart | typeof LEFT_AS_IT_IS,
  z.ZodType
>;

/** The name of a piece: an item by its key, or a part around the items, or of the station. */
const piece = z
  .string()
  .max(70)
  .refine(
    (name) => Object.hasOwn(PARTS, name) || /^item\/[a-z0-9]+(-[a-z0-9]+)*$/.test(name),
    'must be item/ and a key, or a part of a checklist',
  );

/** One piece as it became, on top of what its writer saw there: the number of its last change. */
export const pieceChange = z
  .object({
    piece,
    /** `null` takes an item out. */
    value: z.unknown(),
    /** The change of this piece that the writer saw last; 0 where there was none. */
    seen: z.int().nonnegative(),
  })
  .superRefine((change, context) => {
    const refused = whyNotPiece(change.piece, change.value);
    for (const { path, message } of refused) {
      context.addIssue({ code: 'custom', path: ['value', ...path], message });
    }
  });

function whyNotPiece(
  name: string,
  value: unknown,
): readonly { path: PropertyKey[]; message: string }[] {
  if (!name.startsWith('item/')) {
    if (!Object.hasOwn(PARTS, name)) return []; // said of the name itself
    const part: z.ZodType = PARTS[name as keyof typeof PARTS];
    // A part that need not be there may be taken out.
    return part.safeParse(value ?? undefined).error?.issues ?? [];
  }
  if (value === null) return [];
  const placed = placedItem.safeParse(value);
  if (!placed.success) return placed.error.issues;
  const same = name === `item/${placed.data.item.key}`;
  return same ? [] : [{ path: ['item', 'key'], message: `must be that of the piece, ${name}` }];
}

/** What a writer did since the last time. */
export const draftChanges = z.object({
  /** Made by the writer's page; the same one twice is written once. */
  id,
  changes: z.array(pieceChange).min(1).max(130),
});
export type DraftChanges = z.infer<typeof draftChanges>;

/** A piece of a draft as it stands, with the change that made it so. */
export const standingPiece = z.object({
  piece: z.string(),
  value: z.unknown(),
  sequence: z.int(),
  by: z.string(),
});
export type StandingPiece = z.infer<typeof standingPiece>;

const draftHead = {
  id,
  checklistId: id,
  title: z.string(),
  procedures: z.array(z.string()),
  /** The station of the bank that it is of, where it is of one. */
  bankStationId: id.nullable(),
  /** The version that it was begun from. */
  startedFrom: z.object({ versionId: id, version: z.int() }),
  begunBy: z.string(),
  begunAt: instant,
  changedAt: instant,
  /** Published, or put away. */
  closedAt: instant.nullable(),
  /** Who else has it open, by name. */
  others: z.array(z.string()),
};

/** A draft as the list of drafts shows it. */
export const draftSummary = z.object({ ...draftHead, items: z.int() });
export type DraftSummary = z.infer<typeof draftSummary>;

export const draft = z.object({
  ...draftHead,
  sequence: z.int(),
  pieces: z.array(standingPiece),
});
export type Draft = z.infer<typeof draft>;

/** What came of changes: the pieces that stand now, and those that somebody else had changed meanwhile. */
export const draftAnswer = z.object({
  sequence: z.int(),
  /** The pieces that were sent, as they stand now. */
  pieces: z.array(standingPiece),
  /** Kept in the history, but not taken: another person's change stands there. */
  beside: z.array(z.string()),
});
export type DraftAnswer = z.infer<typeof draftAnswer>;

/** What others changed since, and who is there. */
export const draftNews = z.object({
  sequence: z.int(),
  pieces: z.array(standingPiece),
  others: z.array(z.string()),
  closedAt: instant.nullable(),
});
export type DraftNews = z.infer<typeof draftNews>;

export const since = z.object({ since: z.coerce.number().int().nonnegative().max(10_000_000) });

/** One change as the history keeps it. */
export const keptChange = z.object({
  sequence: z.int(),
  piece: z.string(),
  value: z.unknown(),
  /** What stood there before, where a change had made it so. */
  before: z.unknown(),
  /** Whether nothing had changed the piece before: it stood as the draft was begun. */
  first: z.boolean(),
  taken: z.boolean(),
  by: z.string(),
  at: instant,
});
export type KeptChange = z.infer<typeof keptChange>;
export const draftHistory = z.object({ total: z.int(), changes: z.array(keptChange) });
export const historyPage = page;

export const publication = z.object({
  /** The change that whoever publishes has seen last. */
  sequence: z.int().nonnegative(),
});

/** One version of a checklist, and where it is used. */
export const versionUse = z.object({
  id,
  version: z.int(),
  /** Whom it was made by: the catalogue, the shelf's procedure, or somebody's hand. */
  origin: z.enum(['catalogue', 'shelf', 'school']),
  madeAt: instant,
  madeBy: z.string().nullable(),
  frozenAt: instant.nullable(),
  uses: z.array(
    z.object({ examinationId: id, title: z.string(), heldOn: z.string(), station: z.string() }),
  ),
});
export type VersionUse = z.infer<typeof versionUse>;

/** How items behaved when they were marked before, by their keys. */
export const earlierUses = z.record(
  key,
  z.object({
    marked: z.int(),
    facility: z.number().nullable(),
    pairs: z.int(),
    agreement: z.number().nullable(),
    dispute: z.object({
      kind: z.enum(DISPUTE_KINDS),
      examiner: z.string().nullable(),
      direction: z.enum(['harsher', 'milder']).nullable(),
    }),
  }),
) satisfies z.ZodType<Record<string, EarlierUse>>;
