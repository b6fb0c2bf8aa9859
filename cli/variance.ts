import { varianceComponents } from '@kritikos/core/reliability/varianceComponents';
import type { Factor } from '@kritikos/core/reliability/varianceComponents';
import { BadInput, badCell } from './badInput.ts';
import { readNumber, readTable } from './readTable.ts';

/** Numbers that grow as rows come in, without boxing each of them. */
class Growing<T extends Int32Array | Float64Array> {
  private length = 0;
  constructor(private store: T) {}
  push(value: number): void {
    if (this.length === this.store.length) {
      const larger = new (this.store.constructor as new (n: number) => T)(2 * this.length);
      larger.set(this.store as never);
      this.store = larger;
    }
    this.store[this.length++] = value;
  }
  whole(): T {
    return this.store.subarray(0, this.length) as T;
  }
}

/** Variance components of a long file of marks, streamed, for a model such as "candidate + examiner". */
export async function variance(file: string, model: string, fixed: string) {
  if (fixed.trim() !== '1') throw new BadInput('Only an intercept can be fixed so far: --fixed 1.');
  const terms = model
    .split('+')
    .map((term) => term.trim())
    .filter(Boolean);
  if (terms.length === 0)
    throw new BadInput('The model names no factor, for example --model "candidate + examiner".');
  if (new Set(terms).size < terms.length) throw new BadInput('The model names a factor twice.');
  let columns: string[] = [];
  let markAt = -1;
  const parts: number[][] = [];
  const codes = terms.map(() => new Map<string, number>());
  const levels = terms.map(() => new Growing(new Int32Array(1024)));
  const marks = new Growing(new Float64Array(1024));
  let missing = 0;

  await readTable(
    file,
    (header) => {
      columns = header;
      const at = (name: string) => {
        const place = header.findIndex((column) => column.toLowerCase() === name.toLowerCase());
        if (place < 0)
          throw new BadInput(`The file has no column "${name}". It has: ${header.join(', ')}.`);
        return place;
      };
      markAt = at('mark');
      for (const term of terms) parts.push(term.split(':').map((name) => at(name.trim())));
    },
    (cells, row) => {
      const value = readNumber(cells[markAt] as string);
      if (value === undefined)
        throw badCell(row, columns[markAt] ?? '', `"${cells[markAt]}" is not a number`);
      if (value === null) {
        missing++;
        return;
      }
      for (const [t, places] of parts.entries()) {
        for (const place of places) {
          if (cells[place] === '') throw badCell(row, columns[place] ?? '', 'the cell is empty');
        }
        const key =
          places.length === 1
            ? (cells[places[0] as number] as string)
            : places.map((p) => cells[p]).join('\u001f');
        const own = codes[t] as Map<string, number>;
        let code = own.get(key);
        if (code === undefined) {
          code = own.size;
          own.set(key, code);
        }
        (levels[t] as Growing<Int32Array>).push(code);
      }
      marks.push(value);
    },
  );
  const factors: Factor[] = terms.map((name, t) => ({
    name,
    levels: (codes[t] as Map<string, number>).size,
    level: (levels[t] as Growing<Int32Array>).whole(),
  }));
  try {
    const result = varianceComponents(marks.whole(), factors);
    return {
      components: { ...result.components, residual: result.residual },
      fixed: { intercept: result.intercept },
      logRestrictedLikelihood: result.logRestrictedLikelihood,
      iterations: result.iterations,
      n: result.n,
      missing,
      notes: result.notes,
    };
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput(`${error.message} Nothing was computed.`);
    throw error;
  }
}
