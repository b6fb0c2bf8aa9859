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
      /** The fault that made it, where no hand did. */
      byFault?: string | undefined;
    }
  | { type: 'clear'; item: string; attempt?: number | undefined }
  | { type: 'fault'; fault: string; present: boolean }
  /** Which procedure it is of is said where the station has several. */
  | { type: 'variant'; variant: string; procedure?: string | undefined }
  | { type: 'comment'; text: string }
  | { type: 'rating'; grade: number | null }
  | { type: 'clock'; running: boolean; remaining: number }
  | { type: 'safety'; note: string; remaining: number }
  /** What happened and what was done, written once the patient is safe. */
  | { type: 'safety-note'; safety: string; note: string }
  /** It was a slip: it stays in the stream, and the clock goes on as if nothing had been. */
  | { type: 'safety-taken-back'; safety: string; running: boolean; remaining: number }
  | { type: 'dropped'; what: string; why: string }
  | { type: 'submit' };

export interface StateMark {
  item: string;
  value: MarkValue;
  observation: Observation;
  manner: Manner;
  prompted: boolean;
  attempt: number;
  /** The fault that made it, until a hand marks the item. */
  byFault: string | null;
  /** When the item was first marked, in milliseconds since the epoch; a correction keeps it. */
  at: number;
}

/** A safety stop that stands. */
export interface SafetyEvent {
  /** The id of its tap. */
  id: string;
  at: string;
  /** Seconds left on the clock that it stopped. */
  remaining: number;
  note: string;
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
  safety: SafetyEvent[];
  submittedAt: string | null;
}

/** What a tap is known by: its id, and its corrected time. */
export interface Tapped {
  readonly id: string;
  readonly at: string;
}

/**
 * The sheet after one more event: the state is the fold of its events in their order, nothing
 * else. The device folds as the examiner taps; the server reads the same fold off the stream in the
 * database.
 */
export function afterEvent(state: SheetState, event: SheetEvent, { id, at }: Tapped): SheetState {
  switch (event.type) {
    case 'mark': {
      const { item, value, observation, manner, prompted, attempt = 1, byFault = null } = event;
      const before = state.marks.find((m) => m.item === item && m.attempt === attempt);
      const kept = { item, value, observation, manner, prompted, attempt, byFault };
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
    case 'safety': {
      const { note, remaining } = event;
      const clock = { running: false, remaining, since: at };
      return { ...state, safety: [...state.safety, { id, at, remaining, note }], clock };
    }
    case 'safety-note': {
      const { safety, note } = event;
      return { ...state, safety: state.safety.map((s) => (s.id === safety ? { ...s, note } : s)) };
    }
    case 'safety-taken-back': {
      const { safety, running, remaining } = event;
      const clock = { running, remaining, since: at };
      return { ...state, safety: state.safety.filter((s) => s.id !== safety), clock };
    }
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
