import type { ChecklistItem } from '@kritikos/core/scoring/checklist';

export const REGIONS = ['shoulder', 'elbow', 'wrist', 'hip', 'knee', 'ankle'] as const;
export type Region = (typeof REGIONS)[number];

export const KINDS = [
  'provocation',
  'laxity',
  'length',
  'strength',
  'nerve',
  'effusion',
  'rom',
  'function',
  'palpation',
] as const;
export type Kind = (typeof KINDS)[number];

/** An accepted way of doing the procedure; the station says which is expected, the sheet which was seen. */
export interface Variant {
  readonly key: string;
  readonly label: string;
  readonly description: string;
}

/** A fault that can be seen, the item it spoils, and the grade that the item then gets. */
export interface Fault {
  readonly key: string;
  readonly text: string;
  readonly item: string;
  readonly grade: number;
}

/** What the examiner ticks, with what the simulated patient shows. */
export interface ChecklistContent {
  readonly items: readonly ChecklistItem[];
  readonly faults: readonly Fault[];
  readonly variants: readonly Variant[];
  /** The variant that the station expects unless the examiner records another. */
  readonly usualVariant: string;
  readonly simulatedPatient: string;
  readonly task: string;
  readonly cautions: readonly string[];
  readonly stopRule: string;
}

export interface Procedure {
  readonly id: string;
  readonly names: readonly string[];
  readonly title: string;
  readonly region: Region;
  readonly kind: Kind;
  readonly structures: readonly string[];
  readonly checklist: ChecklistContent;
}
