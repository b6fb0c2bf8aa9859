import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import type { ChecklistContent, ChecklistItem } from '@kritikos/core/scoring/checklist';
import { z } from 'zod';
import type { DraftContent } from '@kritikos/core/checklists/draftChecklist';
import { checklistContent, procedureChecklist } from './checklists.ts';
import { draftContent } from './draftContent.ts';
import { parsed, readContent, readWhole, RefusedFile, whyNotVersion } from './openFile.ts';
import { key } from './primitives.ts';

export const FORMAT = 'kritikos-checklist';
export const FORMAT_VERSION = 2;

const format = z.literal(FORMAT, { error: `must be "${FORMAT}"` });
/** The checklist of one procedure; what was written before there was a second version. */
const first = z.object({
  format,
  version: z.literal(1),
  procedure: key,
  checklist: procedureChecklist,
});
const second = z.object({
  format,
  version: z.literal(FORMAT_VERSION),
  checklist: checklistContent,
});

/** A checklist as a file of its own: what others may read and write. */
export const openChecklist = z.discriminatedUnion('version', [first, second], {
  error: ({ input }) =>
    typeof input === 'object' && input !== null && !Array.isArray(input)
      ? whyNotVersion((input as { version?: unknown }).version, [1, FORMAT_VERSION])
      : 'must be an object with format, version and checklist',
});
export type OpenChecklist = z.infer<typeof second>;

/** The published schema of the file, JSON Schema draft 2020-12. */
export function openChecklistSchema(): object {
  return z.toJSONSchema(openChecklist, { unrepresentable: 'any' });
}

export function asOpenChecklist(checklist: ChecklistContent): OpenChecklist {
  return second.parse({ format: FORMAT, version: FORMAT_VERSION, checklist });
}

/** Reads a checklist file whole, of either version, or refuses it with every path and reason. */
export function readOpenChecklist(text: string): OpenChecklist {
  return lifted(readWhole(openChecklist, parsed(text)));
}

/** A file of the first version as the second would say it. */
function lifted(file: z.infer<typeof openChecklist>): OpenChecklist {
  if (file.version === FORMAT_VERSION) return file;
  const { procedure: id, checklist } = file;
  return asOpenChecklist(liftChecklist({ id, title: id, checklist }));
}

/** Reads a checklist in either of its formats: our own JSON or a Questionnaire. */
export function readEitherChecklist(text: string): OpenChecklist {
  const content = parsed(text);
  return isQuestionnaire(content)
    ? fromQuestionnaire(content)
    : lifted(readWhole(openChecklist, content));
}

const unfinished = z.object({
  format,
  version: z.literal(FORMAT_VERSION),
  checklist: draftContent,
});

/** Reads a checklist file that may still be in the making: what it lacks is not held against it. */
export function readDraftChecklist(text: string): DraftContent {
  try {
    return readEitherChecklist(text).checklist;
  } catch (refused) {
    const content = parsed(text) as { format?: unknown; version?: unknown } | null;
    if (content?.format !== FORMAT || content.version !== FORMAT_VERSION) throw refused;
    // What a draft cannot be either is less than what a published checklist must be.
    return readWhole(unfinished, content).checklist;
  }
}

function isQuestionnaire(content: unknown): boolean {
  return typeof content === 'object' && content !== null && 'resourceType' in content;
}

/** Where the extensions are named that carry what a Questionnaire has no word for. */
const EXTENSION = 'urn:kritikos:fhir';

interface Extension {
  readonly url: string;
  readonly valueString: string;
}

interface QuestionnaireItem {
  readonly linkId: string;
  readonly text: string;
  readonly type: 'boolean' | 'choice' | 'decimal' | 'string';
  readonly extension: readonly Extension[];
  readonly answerOption?: readonly {
    readonly valueCoding: { readonly code: string; readonly display: string };
  }[];
}

/** As much of FHIR R4's Questionnaire as a checklist needs. */
export interface Questionnaire {
  readonly resourceType: 'Questionnaire';
  readonly status: 'draft';
  readonly url: string;
  readonly name: string;
  readonly title: string;
  readonly description: string;
  readonly extension: readonly Extension[];
  readonly item: readonly QuestionnaireItem[];
}

/** As FHIR asks of a name that programs use (invariant que-0): a capital, then letters and figures. */
function computable(key: string): string {
  return key
    .split('-')
    .map((word) => word.charAt(0).toUpperCase() + word.slice(1))
    .join('')
    .replace(/^(?![A-Z])/, 'Checklist')
    .slice(0, 255);
}

/**
 * A checklist as an HL7 FHIR R4 Questionnaire: done items are boolean, graded ones and choices
 * are choices, numbers decimal; pairs and clusters, for which it has no single answer, are text. What FHIR has no element for (weight, domain, criticality,
 * anchors, key) stands in extensions, so that a way there and back loses nothing.
 */
export function asQuestionnaire(checklist: ChecklistContent): Questionnaire {
  const { items, task, ...rest } = checklist;
  const procedure = rest.procedures.map((own) => own.procedure).join('-');
  return {
    resourceType: 'Questionnaire',
    status: 'draft',
    url: `${EXTENSION}:questionnaire:${procedure}`,
    name: computable(procedure),
    title: rest.procedures.map((own) => own.title).join(', '),
    description: task,
    extension: [{ url: `${EXTENSION}:checklist`, valueString: JSON.stringify(rest) }],
    item: items.map(asQuestion),
  };
}

function asQuestion(item: ChecklistItem): QuestionnaireItem {
  const { key: linkId, text, ...rest } = item;
  const base = {
    linkId,
    text,
    extension: [{ url: `${EXTENSION}:item`, valueString: JSON.stringify(rest) }],
  };
  switch (item.kind) {
    case 'done':
      return { ...base, type: 'boolean' };
    case 'measured':
    case 'count':
    case 'hold':
      return { ...base, type: 'decimal' };
    case 'sides':
    case 'retest':
    case 'cluster':
      return { ...base, type: 'string' };
    case 'graded':
      return {
        ...base,
        type: 'choice',
        answerOption: item.anchors.map((display, grade) => ({
          valueCoding: { code: String(grade), display },
        })),
      };
    case 'choice':
      return {
        ...base,
        type: 'choice',
        answerOption: item.options.map(({ key: code, label: display }) => ({
          valueCoding: { code, display },
        })),
      };
  }
}

const extension = z.object({ url: z.string(), valueString: z.string() });
const questionnaire = z.object({
  resourceType: z.literal('Questionnaire', { error: 'must be "Questionnaire"' }),
  description: z.string(),
  extension: z.array(extension),
  item: z.array(z.object({ linkId: z.string(), text: z.string(), extension: z.array(extension) })),
});

/** Reads a Questionnaire that this product wrote, or refuses it with path and reason. */
export function fromQuestionnaire(resource: unknown): OpenChecklist {
  const { description, item, extension: own } = readContent(questionnaire, resource);
  // The first version named its procedure, the second its procedures.
  const { procedure, ...rest } = carried(own, 'checklist', '/extension');
  return readOpenChecklist(
    JSON.stringify({
      format: FORMAT,
      version: procedure === undefined ? FORMAT_VERSION : 1,
      procedure,
      checklist: {
        ...rest,
        task: description,
        items: item.map(({ linkId, text, extension: more }, i) => ({
          key: linkId,
          text,
          ...carried(more, 'item', `/item/${i}/extension`),
        })),
      },
    }),
  );
}

function carried(own: readonly Extension[], name: string, path: string): Record<string, unknown> {
  const found = own.find(({ url }) => url === `${EXTENSION}:${name}`);
  if (!found) throw new RefusedFile([{ path, reason: `has no extension ${EXTENSION}:${name}` }]);
  try {
    return JSON.parse(found.valueString) as Record<string, unknown>;
  } catch {
    throw new RefusedFile([{ path, reason: 'carries text that is not JSON' }]);
  }
}
