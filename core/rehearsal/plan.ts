import type { ChecklistContent } from '../scoring/checklist.ts';
import type { StandardSettings } from '../standards/setStandard.ts';

/** A station as it is rehearsed. */
export interface RehearsedStation {
  readonly id: string;
  readonly content: ChecklistContent;
  /** The mean score in percent that candidates are supposed to have. */
  readonly mean: number;
  /** How far ability tells here: 1 as at the usual station, 0 not at all. */
  readonly carries: number;
  /** The share that each item earns on average, by key; the rest are as the station is. */
  readonly facilities: Readonly<Record<string, number>>;
}

/** Who marks whom, where, in which circuit. */
export interface RehearsedSheet {
  readonly candidate: number;
  readonly station: number;
  readonly examiner: number;
  readonly circuit: number;
}

/** The examination that is rehearsed: stations, and the sheets as they are planned. */
export interface RehearsedPlan {
  readonly stations: readonly RehearsedStation[];
  readonly candidates: number;
  readonly examiners: number;
  readonly sheets: readonly RehearsedSheet[];
  readonly settings: StandardSettings;
}
