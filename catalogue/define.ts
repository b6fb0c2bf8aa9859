import { numberOf } from '@kritikos/core/catalogue/patientNumber';
import { readResponse, VOID } from '@kritikos/core/catalogue/reading';
import { respond } from '@kritikos/core/catalogue/response';
import type { FigureSpec } from '@kritikos/core/figure/spec';
import type { ChecklistItem, MeasuredItem } from '@kritikos/core/scoring/checklist';
import { conditionById } from './conditions.ts';
import type { Condition } from './conditions.ts';
import { redraw } from './figures.ts';
import { orVoid } from './findings.ts';
import { bothSides, choice, consent, done } from './items.ts';
import type { Fault } from '@kritikos/core/scoring/checklist';
import type { Finding, Procedure, ProcedureChecklist, School } from './procedure.ts';
import { refraining } from './refraining.ts';
import { scriptFor } from './script.ts';

type MayBeEmpty =
  | 'misleads'
  | 'voids'
  | 'numbers'
  | 'rules'
  | 'confounders'
  | 'measurements'
  | 'worth'
  | 'followUp'
  | 'sides';

/** A procedure as its file writes it down: without what follows from the rest. */
export type Known = Omit<Procedure, 'checklist' | MayBeEmpty> &
  Partial<Pick<Procedure, MayBeEmpty>>;

/** What makes the checklist; consent, the comparison of sides and the declared results are added. */
export interface ChecklistSpec {
  readonly task: string;
  readonly items: readonly ChecklistItem[];
  /** `[what is seen, the item that it spoils]`. */
  readonly faults: readonly (readonly [string, string])[];
  readonly cautions: readonly string[];
  readonly stopRule: string;
  /** The patient whom the checklist is offered with, until a station names another. */
  readonly patient: { readonly condition: string; readonly side: 'left' | 'right' };
}

/** A checklist written out as a whole, with the patient whom it is offered with. */
type WrittenOut = Omit<ProcedureChecklist, 'simulatedPatient'> & Pick<ChecklistSpec, 'patient'>;

/**
 * Completes a procedure. A checklist that is written out as a whole keeps its items and their
 * order; its key and its script follow from the patient all the same.
 */
export function defineProcedure(known: Known, checklist: ChecklistSpec | WrittenOut): Procedure {
  const procedure = {
    misleads: [],
    voids: [],
    numbers: [],
    rules: [],
    confounders: [],
    measurements: [],
    worth: [],
    followUp: [],
    sides: 'both' as const,
    ...known,
    schools: known.schools.map((school) => withFigure(school, known.figure)),
    findings: (known.voids ?? []).length > 0 ? known.findings.map(voidable) : known.findings,
  };
  if ('variants' in checklist) {
    const { patient, ...content } = checklist;
    const own: Procedure = { ...procedure, checklist: { ...content, simulatedPatient: '' } };
    return { ...own, checklist: checklistFor(own, conditionById(patient.condition), patient.side) };
  }
  const { task, items, faults, cautions, stopRule, patient } = checklist;
  refuseDoubles(procedure, items);
  const unkeyed: Procedure = {
    ...procedure,
    checklist: {
      task,
      items: [consent(), ...items, ...comparison(procedure)],
      faults: faults.map(([text, item], i) => fault(text, item, i)),
      variants: known.schools.map(({ key, label, description }) => ({ key, label, description })),
      usualVariant: known.schools[0]?.key ?? '',
      simulatedPatient: '',
      cautions,
      stopRule,
    },
  };
  return {
    ...unkeyed,
    checklist: checklistFor(unkeyed, conditionById(patient.condition), patient.side),
  };
}

/** A school whose drawing departs from the procedure's gets one of its own. */
function withFigure(school: School, figure: FigureSpec | null): School {
  return figure && school.drawn ? { ...school, figure: redraw(figure, school.drawn) } : school;
}

/** The option that it could not be done stands in every finding of a procedure that some patients void. */
function voidable(finding: Finding): Finding {
  return finding.options.some((option) => option.key === VOID) ? finding : orVoid(finding);
}

/** An item under the key of a finding would vanish behind it without a word. */
function refuseDoubles(
  { id, findings }: Pick<Procedure, 'id' | 'findings'>,
  items: readonly ChecklistItem[],
): void {
  const double = items.find(({ key }) => findings.some((finding) => finding.key === key));
  if (double) {
    throw new RangeError(`${id}: "${double.text}" has the key of a finding, ${double.key}.`);
  }
}

function comparison({ sides, schools }: Pick<Procedure, 'sides' | 'schools'>): ChecklistItem[] {
  if (sides === 'both') {
    const others = schools.filter(({ oneSide }) => !oneSide).map(({ key }) => key);
    return [others.length < schools.length ? { ...bothSides(), variants: others } : bothSides()];
  }
  if (sides === 'none') return [];
  return [
    done({ key: 'both-sides', text: 'Compares both sides in one view', domain: 'comparison' }),
  ];
}

function fault(text: string, item: string, place: number): Fault {
  return { key: `fault-${place + 1}`, text, item, grade: 0 };
}

/**
 * The checklist of a procedure for a patient with this condition: the declared results get the
 * key that follows from it, numbers that are read off the patient the band around what this
 * patient shows, and the simulated patient a script. Nobody types a key that can be derived.
 * A patient on whom it must not be done makes it a checklist of refraining.
 */
export function checklistFor(
  procedure: Procedure,
  condition: Condition,
  side: 'left' | 'right',
): ProcedureChecklist {
  const response = respond(procedure, condition.lesions);
  const { checklist } = procedure;
  const declared = procedure.findings.map(({ reading, partly, ...finding }) => {
    const answer = readResponse(reading, response);
    const near = answer === VOID ? [] : reading.kind === 'grade' ? neighbours(answer) : partly;
    // What an item written out as a whole says of weight and criticality stays.
    const typed = checklist.items.find(({ key }) => key === finding.key);
    const { partly: _, ...kept } = typed?.kind === 'choice' ? typed : { partly: undefined };
    void _;
    return choice({
      domain: 'interpretation',
      ...kept,
      ...finding,
      answer,
      ...(near && near.length > 0 ? { partly: near } : {}),
    });
  });
  const keys = new Map(declared.map((item) => [item.key, item]));
  const placed = checklist.items.map((item) => keys.get(item.key) ?? readOff(item));
  const fresh = declared.filter(({ key }) => !checklist.items.some((item) => item.key === key));
  const keyed = {
    ...checklist,
    items: [...placed, ...fresh],
    simulatedPatient: scriptFor(procedure, condition, side),
  };
  return response.refrain ? refraining(procedure, keyed, response.refrain) : keyed;

  function readOff(item: ChecklistItem): ChecklistItem {
    const number = procedure.numbers.find((own) => own.item === item.key);
    if (!number || item.kind !== 'measured') return item;
    return bandAround(item, numberOf(number, condition.lesions), number.tolerance, number.half);
  }
}

/** The item with full marks for a reading within the instrument's tolerance of this number. */
export function bandAround(
  item: MeasuredItem,
  value: number,
  fullTolerance: number,
  halfTolerance: number,
): MeasuredItem {
  return {
    ...item,
    lower: value,
    upper: value,
    fullTolerance,
    halfTolerance,
    minimum: Math.min(item.minimum, value - halfTolerance),
    maximum: Math.max(item.maximum, value + halfTolerance),
  };
}

/** One grade off earns half, but never a sound side called loose nor a loose one called sound. */
function neighbours(answer: string): string[] {
  const grade = Number(answer.replace('grade-', ''));
  return grade === 0
    ? []
    : [grade - 1, grade + 1].filter((g) => g >= 1 && g <= 3).map((g) => `grade-${g}`);
}
