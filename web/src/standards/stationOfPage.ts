import type { StationRecord } from '@kritikos/core/standards/setStandard';

/** A station with its marks candidate by candidate. */
export interface StationOfPage {
  readonly station: string;
  readonly title: string;
  readonly position: number;
  readonly records: readonly StationRecord[];
}
