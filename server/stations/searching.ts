import { CONDITIONS } from '@kritikos/catalogue/conditions';
import { PROCEDURES } from '@kritikos/catalogue/procedures';
import { procedureSearch } from '@kritikos/catalogue/search';
import type { SearchedProcedure } from '@kritikos/catalogue/search';
import type { Account } from '@kritikos/contracts/accounts';
import type { BankPage, BankSearch } from '@kritikos/contracts/stations';
import { wordsOfShelf } from '../catalogue/shelfRepository.ts';
import type { Database } from '../db/database.ts';
import { searchBank } from './repository.ts';
import type { WordMeaning } from './repository.ts';

/** Procedures by the words that somebody may look for them by, misspelt ones too. */
const IN_CATALOGUE = procedureSearch(PROCEDURES);
const NAMED_CONDITIONS = CONDITIONS.map(({ id, name }) => ({ id, words: name.toLowerCase() }));

/** Looks for stations: each word may be of the title, a procedure, the patient, the region or the equipment. */
export async function lookInBank(
  db: Database,
  { words = '', kind, structure, ...rest }: BankSearch,
  viewer: Account,
): Promise<BankPage> {
  const byProcedure = words !== '' || kind !== undefined || structure !== undefined;
  const shelf = byProcedure ? await wordsOfShelf(db) : [];
  const searches = [IN_CATALOGUE, procedureSearch(shelf)];
  const meanings = words
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .map((word): WordMeaning => ({
      word,
      procedures: searches.flatMap((search) => search.byWord(word)),
      conditions: NAMED_CONDITIONS.filter(({ words }) => words.includes(word)).map(({ id }) => id),
    }));
  const asked = (procedure: SearchedProcedure) =>
    (kind === undefined || procedure.kind === kind) &&
    (structure === undefined || procedure.structures.includes(structure));
  const procedures =
    kind === undefined && structure === undefined
      ? null
      : [...PROCEDURES, ...shelf].filter(asked).map(({ id }) => id);
  return searchBank(db, { ...rest, meanings, procedures }, viewer.id);
}
