import { readResponse, respond } from '@kritikos/core/catalogue/response';
import type { FigureSpec } from '@kritikos/core/figure/spec';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { conditionById } from './conditions.ts';
import type { Condition } from './conditions.ts';
import { redraw } from './figures.ts';
import { bothSides, choice, consent, done } from './items.ts';
import type { ChecklistContent, Fault, Procedure, School } from './procedure.ts';
import { siteOf } from './structures.ts';

type MayBeEmpty =
  'misleads' | 'rules' | 'confounders' | 'measurements' | 'worth' | 'followUp' | 'sides';

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

/** Completes a procedure. A checklist that is written out as a whole is taken as it is. */
export function defineProcedure(
  known: Known,
  checklist: ChecklistSpec | ChecklistContent,
): Procedure {
  const procedure = {
    misleads: [],
    rules: [],
    confounders: [],
    measurements: [],
    worth: [],
    followUp: [],
    sides: 'both' as const,
    ...known,
    schools: known.schools.map((school) => withFigure(school, known.figure)),
  };
  if ('simulatedPatient' in checklist) return { ...procedure, checklist };
  const { task, items, faults, cautions, stopRule, patient } = checklist;
  const unkeyed: Procedure = {
    ...procedure,
    checklist: {
      task,
      items: [consent(), ...items, ...comparison(procedure.sides)],
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

function comparison(sides: Procedure['sides']): ChecklistItem[] {
  if (sides === 'both') return [bothSides()];
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
 * key that follows from it, and the simulated patient a script. Nobody types a key.
 */
export function checklistFor(
  procedure: Procedure,
  condition: Condition,
  side: 'left' | 'right',
): ChecklistContent {
  const response = respond(procedure.loads, condition.lesions, procedure.misleads);
  const { checklist } = procedure;
  const declared = procedure.findings.map(({ reading, partly, ...finding }) => {
    const answer = readResponse(reading, response);
    const near = reading.kind === 'grade' ? neighbours(answer) : partly;
    return choice({
      ...finding,
      domain: 'interpretation',
      answer,
      ...(near && near.length > 0 ? { partly: near } : {}),
    });
  });
  const keys = new Set(declared.map(({ key }) => key));
  return {
    ...checklist,
    items: [...checklist.items.filter(({ key }) => !keys.has(key)), ...declared],
    simulatedPatient: scriptFor(procedure, condition, side),
  };
}

/** One grade off earns half, but never a sound side called loose nor a loose one called sound. */
function neighbours(answer: string): string[] {
  const grade = Number(answer.replace('grade-', ''));
  return grade === 0
    ? []
    : [grade - 1, grade + 1].filter((g) => g >= 1 && g <= 3).map((g) => `grade-${g}`);
}

/** What the simulated patient tells and shows, on one page. */
export function scriptFor(
  procedure: Procedure,
  condition: Condition,
  side: 'left' | 'right',
): string {
  const { shown, misleading } = respond(procedure.loads, condition.lesions, procedure.misleads);
  const other = side === 'left' ? 'right' : 'left';
  const signs = [...new Map(shown.map((s) => [`${s.sign} ${s.structure}`, s])).values()].map(
    ({ sign, structure, degree }) =>
      `${DEGREES[degree]} ${SIGN_WORDS[sign]} (${siteOf(structure)})`,
  );
  const shows =
    signs.length === 0
      ? 'Show nothing: no pain, no looseness, no fear.'
      : `Show: ${signs.join('; ')}.`;
  const trap = misleading.map(
    ({ looksLike, avoidedBy }) => ` Without the step "${avoidedBy}" it looks like ${looksLike}.`,
  );
  return `${condition.history.replaceAll('{side}', side)} ${shows} The ${other} side is sound.${trap.join('')}`;
}

const DEGREES = { 1: 'slight', 2: 'clear', 3: 'marked' } as const;
const SIGN_WORDS = {
  pain: 'familiar pain',
  laxity: 'looseness',
  click: 'click',
  weakness: 'weakness',
  stiffness: 'stiffness',
  tingling: 'tingling',
  apprehension: 'fear that it slips out',
  swelling: 'swelling',
  block: 'springy block',
  gap: 'gap to be felt',
  crepitus: 'grating',
} as const;
