import type { SeenVariants } from '../scoring/checklist.ts';
import type { Manner, MarkValue, Observation } from '../scoring/mark.ts';

/** What can happen on a sheet. The message format that carries it stands in contracts. */
export type SheetEvent =
  | {
      type: 'mark';
      item: string;
      value: MarkValue;
      observation: Observation;
      manner: Manner;
      prompted: boolean;
      /** From 1; the first unless said. */
      attempt?: number | undefined;
    }
  | { type: 'clear'; item: string; attempt?: number | undefined }
  | { type: 'fault'; fault: string; present: boolean }
  /** Which procedure it is of is said where the station has several. */
  | { type: 'variant'; variant: string; procedure?: string | undefined }
  | { type: 'comment'; text: string }
  | { type: 'rating'; grade: number }
  | { type: 'clock'; running: boolean; remaining: number }
  | { type: 'safety'; note: string; remaining: number }
  | { type: 'dropped'; what: string; why: string }
  | { type: 'submit' };

export interface StateMark {
  item: string;
  value: MarkValue;
  observation: Observation;
  manner: Manner;
  prompted: boolean;
  attempt: number;
  /** When the item was first marked, in milliseconds since the epoch; a correction keeps it. */
  at: number;
}

/** What is on a sheet now. Times are ISO 8601 instants. */
export interface SheetState {
  marks: StateMark[];
  faults: string[];
  /** The variant seen of each procedure. */
  variants: SeenVariants;
  comment: string;
  rating: number | null;
  clock: { running: boolean; remaining: number; since: string } | null;
  safetyEvents: number;
  submittedAt: string | null;
}

/**
 * The sheet after one more event: the state is the fold of its events in their order, nothing
 * else. `at` is the corrected time of the event. The device folds as the examiner taps; the server
 * reads the same fold off the stream in the database.
 */
export function afterEvent(state: SheetState, event: SheetEvent, at: string): SheetState {
  switch (event.type) {
    case 'mark': {
      const { item, value, observation, manner, prompted, attempt = 1 } = event;
      const before = state.marks.find((m) => m.item === item && m.attempt === attempt);
      const kept = { item, value, observation, manner, prompted, attempt };
      const mark = { ...kept, at: before?.at ?? Date.parse(at) };
      // The order of the marks is the order of the acts: a correction keeps the place.
      const marks = before
        ? state.marks.map((m) => (m === before ? mark : m))
        : [...state.marks, mark];
      return { ...state, marks };
    }
    case 'clear':
      return { ...state, marks: withoutMark(state.marks, event) };
    case 'fault': {
      const others = state.faults.filter((fault) => fault !== event.fault);
      return { ...state, faults: event.present ? [...others, event.fault] : others };
    }
    case 'variant':
      return { ...state, variants: withVariant(state.variants, event) };
    case 'comment':
      return { ...state, comment: event.text };
    case 'rating':
      return { ...state, rating: event.grade };
    case 'clock':
      return { ...state, clock: { running: event.running, remaining: event.remaining, since: at } };
    case 'safety':
      return {
        ...state,
        safetyEvents: state.safetyEvents + 1,
        clock: { running: false, remaining: event.remaining, since: at },
      };
    case 'dropped':
      return state;
    case 'submit':
      return { ...state, submittedAt: at };
  }
}

/** The marks without that of an item in one attempt. */
function withoutMark(
  marks: StateMark[],
  { item, attempt = 1 }: { item: string; attempt?: number | undefined },
): StateMark[] {
  return marks.filter((m) => m.item !== item || m.attempt !== attempt);
}

/** The variants after one was seen; where no procedure is named, there is only one. */
function withVariant(
  variants: SeenVariants,
  { variant, procedure }: { variant: string; procedure?: string | undefined },
): SeenVariants {
  const of = procedure ?? Object.keys(variants)[0];
  return of === undefined ? variants : { ...variants, [of]: variant };
}
