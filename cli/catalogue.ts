import { readFile } from 'node:fs/promises';
import { PROCEDURES, procedureById } from '@kritikos/catalogue/procedures';
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
  readEitherChecklist,
} from '@kritikos/contracts/openChecklist';
import { parsed, RefusedFile } from '@kritikos/contracts/openFile';
import { BadInput } from './badInput.ts';
import type { Export } from './formats.ts';

/** The catalogue, or one procedure of it, in an open format. */
export function exported(id: string | undefined, as: Export): object {
  if (id === undefined) {
    if (as !== 'catalogue') throw new BadInput(`Name the procedure whose ${as} you want.`);
    return asOpenCatalogue(PROCEDURES);
  }
  const procedure = procedureById(id);
  if (!procedure) {
    throw new BadInput(`The catalogue has no procedure "${id}"; its page's address shows the id.`);
  }
  switch (as) {
    case 'catalogue':
      return asOpenCatalogue([procedure]);
    case 'checklist':
      return asOpenChecklist(id, procedure.checklist);
    case 'fhir':
      return asQuestionnaire(id, procedure.title, procedure.checklist);
  }
}

/** The JSON Schema that a file of this format fits. */
export function schemaOf(as: Exclude<Export, 'fhir'>): object {
  return as === 'catalogue' ? openCatalogueSchema() : openChecklistSchema();
}

/** What a file holds, when it can be taken; else every path and reason. */
export async function checked(path: string): Promise<object> {
  const text = await readFile(path, 'utf8').catch((error: Error) => {
    throw new BadInput(`${path} cannot be read (${error.message}).`);
  });
  try {
    return summary(text);
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
    return { holds: 'catalogue', procedures: procedures.length };
  }
  const { procedure, checklist } = readEitherChecklist(text);
  return { holds: 'checklist', procedure, items: checklist.items.length };
}
