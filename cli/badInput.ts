/** Something in the file or the flags that the person can put right; ends with status 2. */
export class BadInput extends Error {}

/** A cell that cannot be read, as the spreadsheet names it: row 1 is the header. */
export function badCell(row: number, column: string, what: string): BadInput {
  return new BadInput(`Row ${row}, column "${column}": ${what}. Nothing was computed.`);
}

/** Lets the core compute; what it refuses as out of range is the person's to put right. */
export function asBadInput<T>(compute: () => T): T {
  try {
    return compute();
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput(`${error.message} Nothing was computed.`);
    throw error;
  }
}
