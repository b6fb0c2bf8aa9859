import { CONDITIONS } from '@kritikos/catalogue/conditions';
import { PROCEDURES } from '@kritikos/catalogue/procedures';
import type { Procedure } from '@kritikos/catalogue/procedure';
import type { BankPage, BankSearch } from '@kritikos/contracts/stations';
import type { Database } from '../db/database.ts';
import { searchBank } from './repository.ts';
import type { WordMeaning } from './repository.ts';

/** Procedures and conditions with the words by which somebody may look for them. */
const NAMED_PROCEDURES = PROCEDURES.map((procedure) => ({
  id: procedure.id,
  words: `${procedure.names.join(' ')} ${procedure.title}`.toLowerCase(),
}));
const NAMED_CONDITIONS = CONDITIONS.map(({ id, name }) => ({ id, words: name.toLowerCase() }));

/** Looks for stations: each word may be of the title, a procedure, the patient, the region or the equipment. */
export function lookInBank(
  db: Database,
  { words = '', kind, structure, ...rest }: BankSearch,
): Promise<BankPage> {
  const meanings = words
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .map((word): WordMeaning => ({
      word,
      procedures: idsWith(NAMED_PROCEDURES, word),
      conditions: idsWith(NAMED_CONDITIONS, word),
    }));
  const asked = (procedure: Procedure) =>
    (kind === undefined || procedure.kind === kind) &&
    (structure === undefined || procedure.structures.includes(structure));
  const procedures =
    kind === undefined && structure === undefined
      ? null
      : PROCEDURES.filter(asked).map(({ id }) => id);
  return searchBank(db, { ...rest, meanings, procedures });
}

function idsWith(named: readonly { id: string; words: string }[], word: string): string[] {
  return named.filter(({ words }) => words.includes(word)).map(({ id }) => id);
}
