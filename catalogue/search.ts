import type { Procedure } from './procedure.ts';
import MiniSearch from 'minisearch';

export interface Filter {
  readonly words: string;
  readonly region: string | null;
  readonly kind: string | null;
  readonly structure: string | null;
}

/** What is known of a procedure that it is found by. */
export type SearchedProcedure = Pick<
  Procedure,
  'id' | 'names' | 'title' | 'structures' | 'region' | 'kind'
>;

export interface ProcedureSearch<P extends SearchedProcedure> {
  /** Procedures that fit the words (synonyms and misspellings found) and the filters, best first. */
  find(filter: Filter): P[];
  /** The ids of procedures whose names or title hold one word, misspelt or not. */
  byWord(word: string): string[];
  /** The structures that can be asked for. */
  readonly structures: readonly string[];
}

/** Makes procedures searchable. */
export function procedureSearch<P extends SearchedProcedure>(
  procedures: readonly P[],
): ProcedureSearch<P> {
  const index = new MiniSearch<P>({
    fields: ['names', 'title', 'structures', 'region', 'kind'],
    extractField: (procedure, field) => {
      const value = procedure[field as 'names'];
      return Array.isArray(value) ? value.join(' ') : String(value);
    },
    searchOptions: {
      boost: { names: 3, title: 2 },
      prefix: true,
      // A slip of the finger in a short word, two in a long one.
      fuzzy: (term) => (term.length > 7 ? 0.3 : term.length > 3 ? 0.25 : false),
      combineWith: 'AND',
    },
  });
  index.addAll(procedures);
  let latest: { words: string; rank: ReadonlyMap<string, number> } = { words: '', rank: new Map() };

  /** Where each procedure stands for these words. Every region's count asks for the same ones. */
  function ranked(words: string): ReadonlyMap<string, number> {
    if (latest.words !== words) {
      const found = index.search(words).map(({ id }, place) => [id as string, place] as const);
      latest = { words, rank: new Map(found) };
    }
    return latest.rank;
  }

  return {
    find({ words, region, kind, structure }) {
      const fits = (procedure: P) =>
        (region === null || procedure.region === region) &&
        (kind === null || procedure.kind === kind) &&
        (structure === null || procedure.structures.includes(structure));
      if (words.trim() === '') return procedures.filter(fits);
      const rank = ranked(words);
      return procedures
        .filter((p) => rank.has(p.id) && fits(p))
        .sort((a, b) => (rank.get(a.id) ?? 0) - (rank.get(b.id) ?? 0));
    },
    byWord(word) {
      const found = index.search(word, { fields: ['names', 'title'] });
      return found.map(({ id }) => id as string);
    },
    structures: [...new Set(procedures.flatMap((p) => p.structures))].sort(),
  };
}
