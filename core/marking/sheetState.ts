import type { Manner, Observation } from '../scoring/mark.ts';

/** What can happen on a sheet. The message format that carries it stands in contracts. */
export type SheetEvent =
  | {
      type: 'mark';
      item: string;
      value: number | string | null;
      observation: Observation;
      manner: Manner;
      prompted: boolean;
    }
  | { type: 'clear'; item: string }
  | { type: 'fault'; fault: string; present: boolean }
  | { type: 'variant'; variant: string }
  | { type: 'comment'; text: string }
  | { type: 'rating'; grade: number }
  | { type: 'clock'; running: boolean; remaining: number }
  | { type: 'safety'; note: string; remaining: number }
  | { type: 'dropped'; what: string; why: string }
  | { type: 'submit' };

export interface StateMark {
  item: string;
  value: number | string | null;
  observation: Observation;
  manner: Manner;
  prompted: boolean;
  /** When the item was first marked, in milliseconds since the epoch; a correction keeps it. */
  at: number;
}

/** What is on a sheet now. Times are ISO 8601 instants. */
export interface SheetState {
  marks: StateMark[];
  faults: string[];
  variant: string;
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
      const { item, value, observation, manner, prompted } = event;
      const before = state.marks.find((m) => m.item === item);
      const mark = { item, value, observation, manner, prompted, at: before?.at ?? Date.parse(at) };
      // The order of the marks is the order of the acts: a correction keeps the place.
      const marks = before
        ? state.marks.map((m) => (m === before ? mark : m))
        : [...state.marks, mark];
      return { ...state, marks };
    }
    case 'clear':
      return { ...state, marks: state.marks.filter((m) => m.item !== event.item) };
    case 'fault': {
      const others = state.faults.filter((fault) => fault !== event.fault);
      return { ...state, faults: event.present ? [...others, event.fault] : others };
    }
    case 'variant':
      return { ...state, variant: event.variant };
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
