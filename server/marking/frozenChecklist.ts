import type { ChecklistVersion } from '@kritikos/contracts/checklists';
import { findVersion } from '../checklists/repository.ts';
import type { Database } from '../db/database.ts';
import { notFound } from '../http/problems.ts';

// A version is never edited, so what was read once stays true for as long as the server runs.
const checklists = new Map<string, ChecklistVersion>();
const MOST_CACHED = 500;

/** The checklist version of this id, where there is one. */
export async function knownChecklist(
  db: Database,
  id: string,
): Promise<ChecklistVersion | undefined> {
  const known = checklists.get(id);
  if (known) return known;
  const version = await findVersion(db, id);
  if (!version) return undefined;
  if (checklists.size >= MOST_CACHED) checklists.clear();
  checklists.set(id, version);
  return version;
}

export async function frozenChecklist(db: Database, id: string): Promise<ChecklistVersion> {
  const version = await knownChecklist(db, id);
  if (!version) throw notFound('checklist version');
  return version;
}
