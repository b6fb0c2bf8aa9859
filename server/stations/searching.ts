import { CONDITIONS } from '@kritikos/catalogue/conditions';
import type { Procedure } from '@kritikos/catalogue/procedure';
import { PROCEDURES } from '@kritikos/catalogue/procedures';
import type { Account } from '@kritikos/contracts/accounts';
import type { BankPage, BankSearch } from '@kritikos/contracts/stations';
import { wordsOfShelf } from '../catalogue/shelfRepository.ts';
import type { Database } from '../db/database.ts';
import { searchBank } from './repository.ts';
import type { WordMeaning } from './repository.ts';

type Searched = Pick<Procedure, 'id' | 'names' | 'title' | 'kind' | 'structures'>;
const asNamed = ({ id, names, title }: Searched) => ({
  id,
  words: `${names.join(' ')} ${title}`.toLowerCase(),
});
/** Procedures of the catalogue with the words by which somebody may look for them. */
const NAMED_PROCEDURES = PROCEDURES.map(asNamed);
/** Conditions likewise. */
const NAMED_CONDITIONS = CONDITIONS.map(({ id, name }) => ({ id, words: name.toLowerCase() }));

/** Looks for stations: each word may be of the title, a procedure, the patient, the region or the equipment. */
export async function lookInBank(
  db: Database,
  { words = '', kind, structure, ...rest }: BankSearch,
  viewer: Account,
): Promise<BankPage> {
  const byProcedure = words !== '' || kind !== undefined || structure !== undefined;
  const shelf = byProcedure ? await wordsOfShelf(db) : [];
  const named = [...NAMED_PROCEDURES, ...shelf.map(asNamed)];
  const meanings = words
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .map((word): WordMeaning => ({
      word,
      procedures: idsWith(named, word),
      conditions: idsWith(NAMED_CONDITIONS, word),
    }));
  const asked = (procedure: Searched) =>
    (kind === undefined || procedure.kind === kind) &&
    (structure === undefined || procedure.structures.includes(structure));
  const procedures =
    kind === undefined && structure === undefined
      ? null
      : [...PROCEDURES, ...shelf].filter(asked).map(({ id }) => id);
  return searchBank(db, { ...rest, meanings, procedures }, viewer.id);
}

function idsWith(named: readonly { id: string; words: string }[], word: string): string[] {
  return named.filter(({ words }) => words.includes(word)).map(({ id }) => id);
}
