import type { ChecklistContent } from '@kritikos/core/scoring/checklist';
import type { StationFigure } from '../catalogue/stationFigures.ts';

export interface PrintedStation {
  readonly id: string;
  readonly position: number;
  readonly title: string;
  readonly minutes: number;
  readonly region: string;
  readonly equipment: readonly string[];
  readonly checklistVersion: number;
  readonly content: ChecklistContent;
  readonly figures: readonly StationFigure[];
  /** Where it stands, a place a circuit that has one. */
  readonly places: readonly { readonly circuit: string; readonly place: string }[];
}

export interface PrintedCandidate {
  readonly id: string;
  readonly number: number;
  /** The student’s number in the cohort. */
  readonly studentNumber: string;
  readonly name: string;
  /** In percent of the time at a station. */
  readonly extraTime: number;
}

/** What one examiner fills in for one candidate at one station. */
export interface PrintedSheet {
  readonly id: string;
  readonly station: string;
  readonly candidate: number;
  readonly examiner: string;
  /** Marked already: it needs no paper. */
  readonly handedIn: boolean;
}

/** A stretch of the published timetable; times in minutes since 1970, `station` null for a rest. */
export interface PrintedSlot {
  readonly start: number;
  readonly end: number;
  readonly day: number;
  readonly circuit: string;
  readonly station: string | null;
  readonly place: string;
  readonly candidate: number;
  readonly examiner: string | null;
  readonly second: string | null;
  readonly patient: string | null;
}

export interface PrintedPlan {
  readonly number: number;
  readonly revision: number;
  readonly readingMinutes: number;
  readonly quarantineMinutes: number;
  readonly slots: readonly PrintedSlot[];
}

/** All that the papers of an examination are made of. */
export interface Printed {
  readonly examination: {
    readonly id: string;
    readonly title: string;
    readonly school: string;
    readonly heldOn: string;
    readonly zone: string;
  };
  /** The address of this installation, which the codes lead to. */
  readonly door: string;
  readonly stations: readonly PrintedStation[];
  readonly candidates: readonly PrintedCandidate[];
  readonly sheets: readonly PrintedSheet[];
  /** The timetable that is published, if one is. */
  readonly plan: PrintedPlan | null;
}
