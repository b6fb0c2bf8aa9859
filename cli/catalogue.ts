import { readFile } from 'node:fs/promises';
import type { Procedure } from '@kritikos/catalogue/procedure';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import { PROCEDURES, procedureById } from '@kritikos/catalogue/procedures';
import { unsoundIn } from '@kritikos/catalogue/soundness';
import {
  asOpenCatalogue,
  CATALOGUE_FORMAT,
  openCatalogueSchema,
  readOpenCatalogue,
} from '@kritikos/contracts/openCatalogue';
import {
  asOpenChecklist,
  asQuestionnaire,
  openChecklistSchema,
  readDraftChecklist,
  readEitherChecklist,
} from '@kritikos/contracts/openChecklist';
import type { ReadingRule } from '@kritikos/core/checklists/finding';
import { readAlong } from '@kritikos/core/checklists/readAlong';
import { drawFigure } from '@kritikos/core/figure/draw';
import type { Side } from '@kritikos/core/figure/segments';
import { figureSvg } from '@kritikos/core/figure/svg';
import { parsed, RefusedFile } from '@kritikos/contracts/openFile';
import { BadInput } from './badInput.ts';
import type { Export } from './formats.ts';

/** The catalogue, or one procedure of it, in an open format. */
export function exported(id: string | undefined, as: Export): object {
  if (id === undefined) {
    if (as !== 'catalogue') throw new BadInput(`Name the procedure whose ${as} you want.`);
    return asOpenCatalogue(PROCEDURES);
  }
  const procedure = found(id);
  switch (as) {
    case 'catalogue':
      return asOpenCatalogue([procedure]);
    case 'checklist':
      return asOpenChecklist(liftChecklist(procedure));
    case 'fhir':
      return asQuestionnaire(liftChecklist(procedure));
  }
}

/**
 * A procedure's drawing as an SVG text, the same that its page shows. `school` is the key of one of
 * its schools; without it the procedure is drawn as its first school does it.
 */
export function figureOf(id: string, side: Side, school: string | undefined): string {
  const procedure = found(id);
  const own = procedure.schools.find(({ key }) => key === school);
  if (school !== undefined && !own) {
    const keys = procedure.schools.map(({ key }) => key).join(', ');
    throw new BadInput(`${id} has no school "${school}". It has: ${keys}.`);
  }
  const spec = own?.figure ?? procedure.figure;
  if (!spec) throw new BadInput(`${id} has no drawing.`);
  return figureSvg(drawFigure(spec, { side }));
}

function found(id: string): Procedure {
  const procedure = procedureById(id);
  if (!procedure) {
    throw new BadInput(`The catalogue has no procedure "${id}"; its page's address shows the id.`);
  }
  return procedure;
}

/** The JSON Schema that a file of this format fits. */
export function schemaOf(as: Exclude<Export, 'fhir'>): object {
  return as === 'catalogue' ? openCatalogueSchema() : openChecklistSchema();
}

/** What a file holds, when it can be taken; else every path and reason. */
export function checked(path: string): Promise<object> {
  return taken(path, summary);
}

/** The rules that a file can be read by: the others need a patient or a history. */
const RULES_OF_A_FILE: ReadonlySet<ReadingRule> = new Set([
  'two-acts',
  'vague',
  'no-comparison',
  'critical-lost',
  'too-many',
]);

/**
 * What the reading along finds in a checklist file, published or still being written. Without
 * minutes nothing is said of how many items there are.
 */
export function readingOf(path: string, minutes: number | undefined): Promise<object> {
  return taken(path, (text) => {
    const content = readDraftChecklist(text);
    const twoSided = content.procedures.some(
      ({ procedure }) => procedureById(procedure)?.sides !== 'none',
    );
    const found = readAlong(content, { twoSided, ...(minutes === undefined ? {} : { minutes }) });
    return {
      findings: found
        .filter(({ rule }) => RULES_OF_A_FILE.has(rule))
        .map(({ item, rule, words }) => ({ item, rule, words })),
    };
  });
}

async function taken(path: string, read: (text: string) => object): Promise<object> {
  const text = await readFile(path, 'utf8').catch((error: Error) => {
    throw new BadInput(`${path} cannot be read (${error.message}).`);
  });
  try {
    return read(text);
  } catch (error) {
    if (error instanceof RefusedFile) {
      throw new BadInput(`${path} was refused, nothing of it is taken:\n${error.message}`);
    }
    throw error;
  }
}

function summary(text: string): object {
  const content = parsed(text) as { format?: unknown } | null;
  if (content?.format === CATALOGUE_FORMAT) {
    const { procedures } = readOpenCatalogue(text);
    const known = new Set([...PROCEDURES, ...procedures].map(({ id }) => id));
    return {
      holds: 'catalogue',
      procedures: procedures.length,
      unsound: procedures.flatMap((procedure) =>
        unsoundIn(procedure, known).map((found) => ({ procedure: procedure.id, ...found })),
      ),
    };
  }
  const { procedures, items } = readEitherChecklist(text).checklist;
  const named = procedures.map(({ procedure }) => procedure).join(', ');
  return { holds: 'checklist', procedure: named, items: items.length };
}
