export const SIDES = ['left', 'right'] as const;
export type Side = (typeof SIDES)[number];

/**
 * What a candidate declared as the result on one side: data of its own beside the technique. Pain,
 * motion, end feel and apprehension are four results, not one "positive".
 */
export interface SideResult {
  readonly class: 'negative' | 'equivocal' | 'positive' | null;
  readonly grade: number | null;
  readonly value: number | null;
  readonly site: string | null;
  readonly void: string | null;
}

/** Left and right belong together; one may be missing where only one side was tested. */
export type DeclaredResult = Readonly<Partial<Record<Side, SideResult>>>;

const ORDER = { negative: 0, equivocal: 1, positive: 2 } as const;

export type Call = 'right' | 'over' | 'under' | 'void' | 'missing';

/**
 * A declared class against the key: called right, over (positive where it is not) or under. A
 * void trial, with its reason, is neither. Worked value: positive against equivocal is over.
 */
export function callAgainstKey(declared: SideResult | undefined, key: SideResult): Call {
  if (declared?.void) return 'void';
  if (!declared?.class || !key.class) return 'missing';
  const distance = ORDER[declared.class] - ORDER[key.class];
  return distance === 0 ? 'right' : distance > 0 ? 'over' : 'under';
}

/** How far the two sides differ in a measured result, right minus left; `null` without both. */
export function sideDifference({ left, right }: DeclaredResult): number | null {
  if (left?.value == null || right?.value == null || left.void || right.void) return null;
  return right.value - left.value;
}
