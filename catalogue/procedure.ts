import type { Load, Sign } from '@kritikos/core/catalogue/lesion';
import type { PatientNumber } from '@kritikos/core/catalogue/patientNumber';
import type { Reading } from '@kritikos/core/catalogue/reading';
import type { Misleading, RefrainRule, VoidRule } from '@kritikos/core/catalogue/response';
import type { FigureSpec } from '@kritikos/core/figure/spec';
import type {
  ChecklistItem,
  ChoiceOption,
  Fault,
  Variant,
  Withheld,
} from '@kritikos/core/scoring/checklist';

export const REGIONS = ['shoulder', 'elbow', 'wrist', 'hip', 'knee', 'ankle', 'any'] as const;
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
  'preparation',
] as const;
export type Kind = (typeof KINDS)[number];

/**
 * The parts of a drawing that a school changes; angles that are not named stay as they are, lists
 * take the place of the procedure's. Empty where the procedure is drawn in this very way.
 */
export interface Redrawing extends Partial<
  Pick<FigureSpec, 'position' | 'pose' | 'from' | 'hands' | 'forces' | 'props' | 'view' | 'closeUp'>
> {
  /** The pose is said whole: nothing of the procedure's stays. */
  readonly afresh?: boolean;
  readonly band?: readonly [number, number];
  /** Another angle decides, or none. */
  readonly decides?: FigureSpec['decides'] | null;
}

/** What a school does its own way; what is absent is as in the procedure. */
export interface School extends Variant {
  readonly positions?: string;
  readonly angles?: string;
  readonly hands?: string;
  readonly force?: string;
  readonly order?: string;
  readonly repetitions?: string;
  readonly hold?: string;
  readonly criterion?: string;
  /** The finger, instrument or record that it uses. */
  readonly means?: string;
  /** It tests the painful side alone; the comparison of sides is then not asked for. */
  readonly oneSide?: true;
  /** How its drawing departs from that of the procedure. */
  readonly drawn?: Redrawing;
  /** The drawing, where it differs; made from `drawn`. */
  readonly figure?: FigureSpec;
}

/** What the examiner ticks in this procedure, with what the simulated patient shows. */
export interface ProcedureChecklist {
  readonly items: readonly ChecklistItem[];
  readonly faults: readonly Fault[];
  readonly variants: readonly Variant[];
  /** The variant that the station expects unless the examiner records another. */
  readonly usualVariant: string;
  readonly simulatedPatient: string;
  readonly task: string;
  readonly cautions: readonly string[];
  readonly stopRule: string;
  /** What this patient forbids; absent where everything may be done. */
  readonly withheld?: readonly Withheld[] | undefined;
}

/** A result that the candidate declares: its options, and how the key follows from the patient. */
export interface Finding {
  readonly key: string;
  readonly text: string;
  readonly options: readonly ChoiceOption[];
  readonly reading: Reading;
  readonly partly?: readonly string[];
  readonly weight?: number;
}

/**
 * How the simulated patient acts a sign under this procedure, perhaps of some structures only.
 * `{side}` and `{other}` become the sides, `{where}` the place of the structure.
 */
export interface ShownAs {
  readonly sign: Sign;
  readonly structures?: readonly string[];
  readonly words: string;
}

/** What a finding at a place speaks for. */
export interface InterpretationRule {
  readonly when: string;
  readonly speaksFor: string;
}

export interface Measurement {
  readonly what: string;
  readonly landmarks: string;
  readonly unit: string;
  readonly instrument: string;
  readonly normal: string;
  readonly tolerance: string;
}

export const SOURCE_KINDS = ['from memory', 'from memory, unsure', 'common practice'] as const;

/** Accuracy or reliability as somebody found it. Shares in [0, 1]; the source is named. */
export interface WorthFigure {
  readonly of: string;
  readonly sensitivity?: number;
  readonly specificity?: number;
  readonly kappa?: number;
  readonly text?: string;
  readonly source: string;
  readonly sourceKind: (typeof SOURCE_KINDS)[number];
}

/** Everything that the product knows of one procedure. */
export interface Procedure {
  readonly id: string;
  readonly names: readonly string[];
  readonly title: string;
  /** When to add it at all: the complaint or the question that it answers. */
  readonly indication: string;
  readonly region: Region;
  readonly kind: Kind;
  readonly structures: readonly string[];
  readonly patient: string;
  readonly examiner: string;
  readonly steps: readonly string[];
  readonly schools: readonly School[];
  readonly figure: FigureSpec | null;
  readonly loads: readonly Load[];
  readonly misleads: readonly Misleading[];
  /** Patients in whom it cannot be set up; every finding is then void. */
  readonly voids: readonly VoidRule[];
  /** Patients on whom it must not be done; files from before these were data have none. */
  readonly refrains?: readonly RefrainRule[];
  /** How the patient acts a sign here, where its name alone cannot be acted. */
  readonly shownAs?: readonly ShownAs[];
  /** The numbers that are read off the patient, and what a lesion makes of them. */
  readonly numbers: readonly PatientNumber[];
  readonly findings: readonly Finding[];
  readonly positive: string;
  readonly negative: string;
  readonly rules: readonly InterpretationRule[];
  readonly confounders: readonly string[];
  readonly doesNotProve: string;
  readonly measurements: readonly Measurement[];
  readonly worth: readonly WorthFigure[];
  readonly followUp: readonly string[];
  /** Both sides are tested, seen in one view, or there is nothing to compare. */
  readonly sides: 'both' | 'one view' | 'none';
  readonly contraindications: readonly string[];
  readonly checklist: ProcedureChecklist;
}
