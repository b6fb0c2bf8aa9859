import {
  DIFFICULTIES,
  EBEL_CELLS,
  mayJudge,
  PANEL_LEVELS,
  PANEL_METHODS,
  RELEVANCES,
} from '@kritikos/core/panels/panel';
import { BEUK_QUESTIONS, HOFSTEE_QUESTIONS } from '@kritikos/core/panels/panel';
import { cellKey } from '@kritikos/core/panels/panel';
import { z } from 'zod';
import { id, instant, text } from './primitives.ts';

const share = z
  .number('must be a number')
  .min(0, 'must not be below the scale')
  .max(1, 'must not be above the scale');

export const newPanel = z
  .object({
    title: text(80),
    method: z.enum(PANEL_METHODS),
    level: z.enum(PANEL_LEVELS),
    stations: z
      .array(id)
      .min(1, 'needs a station at least')
      .max(100)
      .refine((list) => new Set(list).size === list.length, 'names a station twice'),
    asksHofstee: z.boolean(),
    asksBeuk: z.boolean(),
    showsFacilities: z.boolean(),
  })
  .refine(({ method, level }) => mayJudge(method, level), {
    path: ['level'],
    message: 'yes or no is asked of items; of a whole station it says nothing',
  });
export type NewPanel = z.infer<typeof newPanel>;

export const newSeat = z.object({
  name: text(120),
  /** Where the link is sent; without one the lead hands it over. */
  email: z.email('must be an e-mail address').max(200).nullable(),
});
export type NewSeat = z.infer<typeof newSeat>;

/** A link to a seat, shown once; whoever has it sits there. */
export const seatLink = z.object({
  seat: id,
  link: z.string(),
  /** The link as a code, for a phone beside the screen. */
  code: z.string(),
  /** Whether it left in a letter too. */
  sent: z.boolean(),
  expiresAt: instant,
});
export type SeatLink = z.infer<typeof seatLink>;

export const reopened = z.object({ reason: text(400, 8) });
/** Closing a round while somebody has not handed in has to be meant. */
export const closing = z.object({ withoutMissing: z.boolean().default(false) });

const roundEvent = z.object({
  number: z.int(),
  what: z.enum(['opened', 'closed', 'reopened']),
  reason: z.string().nullable(),
  missing: z.array(z.string()),
  by: z.string(),
  at: instant,
});

const estimate = z.object({
  estimate: z.number().nullable(),
  lower: z.number().nullable(),
  upper: z.number().nullable(),
  standardError: z.number().nullable(),
  method: z.string(),
  n: z.int(),
  notes: z.array(z.string()),
});

export const panelSubject = z.object({
  key: z.string(),
  station: id,
  text: z.string(),
  weight: z.number(),
  points: z.int(),
  /** The mean share that it earned in examinations before this one, or in this one. */
  earned: z.number().nullable(),
});
export type PanelSubject = z.infer<typeof panelSubject>;

const compromiseAnswers = z.partialRecord(z.enum([...HOFSTEE_QUESTIONS, ...BEUK_QUESTIONS]), share);

/** A round as the lead sees it: with the names of the judges. */
const roundResult = z.object({
  number: z.int(),
  open: z.boolean(),
  cut: estimate,
  spread: z.number().nullable(),
  stations: z.array(z.object({ station: id, cut: estimate })),
  judges: z.array(
    z.object({
      seat: id,
      cut: z.number().nullable(),
      far: z.boolean(),
      /** Of all that they are asked, questions among it, so much is judged. */
      asked: z.int(),
      judged: z.int(),
      againstData: z.number().nullable(),
      handedInAt: instant.nullable(),
    }),
  ),
  subjects: z.array(
    z.object({
      key: z.string(),
      mean: z.number().nullable(),
      spread: z.number().nullable(),
      values: z.array(z.number()),
      split: z.boolean(),
    }),
  ),
  answers: z.array(compromiseAnswers),
});
export type RoundResult = z.infer<typeof roundResult>;

export const panel = z.object({
  id,
  title: z.string(),
  method: z.enum(PANEL_METHODS),
  level: z.enum(PANEL_LEVELS),
  asksHofstee: z.boolean(),
  asksBeuk: z.boolean(),
  showsFacilities: z.boolean(),
  madeBy: z.string(),
  madeAt: instant,
  stations: z.array(z.object({ id, position: z.int(), title: z.string() })),
  subjects: z.array(panelSubject),
  seats: z.array(
    z.object({
      id,
      name: z.string(),
      email: z.string().nullable(),
      withdrawn: z.boolean(),
      /** Until when their link holds; `null` where they have none that does. */
      linkUntil: instant.nullable(),
    }),
  ),
  rounds: z.array(roundResult),
  events: z.array(roundEvent),
});
export type Panel = z.infer<typeof panel>;

export const panelList = z.object({ panels: z.array(panel) });
export type PanelList = z.infer<typeof panelList>;

/* What a judge sees and says. The secret of their link is sent with every call. */

const token = z.string().min(20).max(100);
export const seatAsked = z.object({ token });

const cells = EBEL_CELLS.map(cellKey);
const HOW_MANY = 60;

/** One word of a judge on one thing: a share, a place in the grid, or nothing, which takes it back. */
export const said = z
  .object({
    /** Made on the device, so that the same word sent twice counts once. */
    id,
    subject: z.string().min(1).max(200),
    share: share.nullable(),
    placement: z
      .object({ difficulty: z.enum(DIFFICULTIES), relevance: z.enum(RELEVANCES) })
      .nullable(),
  })
  .refine(({ share, placement }) => share === null || placement === null, {
    message: 'says two things at once',
  });
export type Said = z.infer<typeof said>;
export const judged = z.object({
  token,
  round: z.int().positive(),
  words: z.array(said).min(1).max(HOW_MANY),
});
export type Judged = z.infer<typeof judged>;
export const handedIn = z.object({ token, round: z.int().positive(), done: z.boolean() });

/** What the cells of the grid and the questions of the compromises are said under. */
export const CELL_SUBJECTS: readonly string[] = cells;
export const QUESTION_SUBJECTS: readonly string[] = [...HOFSTEE_QUESTIONS, ...BEUK_QUESTIONS];

/** How the panel stands, which a judge's page asks after now and then. */
export const standing = z.object({
  round: z.object({ number: z.int(), open: z.boolean() }).nullable(),
  /** How many have handed in; not who. */
  progress: z.object({ handedIn: z.int(), seats: z.int() }),
  handedIn: z.boolean(),
});
export type Standing = z.infer<typeof standing>;

export const sitting = standing.extend({
  panel: z.object({
    title: z.string(),
    examination: z.string(),
    school: z.string(),
    method: z.enum(PANEL_METHODS),
    level: z.enum(PANEL_LEVELS),
    asksHofstee: z.boolean(),
    asksBeuk: z.boolean(),
    lead: z.string(),
  }),
  seat: z.object({ id, name: z.string() }),
  stations: z.array(
    z.object({
      id,
      position: z.int(),
      title: z.string(),
      minutes: z.int(),
      task: z.string(),
      patient: z.string(),
      stopRule: z.string(),
      /** Drawings as SVG, each with its name. */
      figures: z.array(z.object({ title: z.string(), svg: z.string() })),
      items: z.array(
        z.object({
          /** What it is judged under; `null` where the station is judged as a whole. */
          subject: z.string().nullable(),
          text: z.string(),
          phase: z.string(),
          /** What earns it, in words. */
          earns: z.string(),
          points: z.int(),
          critical: z.boolean(),
        }),
      ),
      /** What the station as a whole is judged under; `null` where its items are. */
      subject: z.string().nullable(),
      points: z.int(),
    }),
  ),
  /** What this judge said in this round, or has taken over from the one before. */
  words: z.array(
    z.object({
      subject: z.string(),
      share: z.number().nullable(),
      placement: z
        .object({ difficulty: z.enum(DIFFICULTIES), relevance: z.enum(RELEVANCES) })
        .nullable(),
    }),
  ),
  /** The round before, without names. */
  before: z
    .object({
      number: z.int(),
      cut: z.number().nullable(),
      standardError: z.number().nullable(),
      own: z.number().nullable(),
      cuts: z.array(z.number()),
      subjects: z.array(
        z.object({
          key: z.string(),
          values: z.array(z.number()),
          split: z.boolean(),
          own: z.number().nullable(),
          earned: z.number().nullable(),
        }),
      ),
    })
    .nullable(),
});
export type Sitting = z.infer<typeof sitting>;
