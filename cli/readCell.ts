import { reading } from './readingFlags.ts';

/** What spreadsheets and statistics programs write where there is nothing. */
const LOOKS_MISSING =
  /^(nan|n\/a|#n\/a|#na|null|nil|none|missing|inf|[+-]?infinity|#value!|#div\/0!|#ref!|#num!|#name\?|-{1,3}|\.|\?)$/i;

/** Beyond this, squares and sums leave the range in which a double can count. */
const LARGEST = 1e15;

/** True for an empty cell, NA, and the words that were declared to mean a missing mark. */
export function isMissing(cell: string): boolean {
  return cell === '' || cell === 'NA' || reading.missing.includes(cell);
}

/** Why a word cannot be a mark; `null` where it can. */
export function whyNoMark(cell: string): string | null {
  return LOOKS_MISSING.test(cell)
    ? `"${cell}" looks like a missing mark; leave the cell empty or say --missing "${cell}"`
    : null;
}

/** A number with decimal point or comma; `null` for a missing one; otherwise what is wrong with it. */
export function readNumber(cell: string): number | null | string {
  if (isMissing(cell)) return null;
  const missing = whyNoMark(cell);
  if (missing) return missing;
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)([eE][+-]?\d+)?$/.test(cell)) {
    return `"${cell}" is not a number`;
  }
  const comma = cell.includes(',');
  if (comma && reading.decimal === 'point') {
    return `"${cell}" has a comma, and --decimal point was said`;
  }
  if (!comma && cell.includes('.') && reading.decimal === 'comma') {
    return `"${cell}" has a point, and --decimal comma was said`;
  }
  if (reading.decimal === 'either' && /^[+-]?[1-9]\d{0,2},\d{3}$/.test(cell)) {
    return `"${cell}" could be ${cell.replace(',', '')} or ${cell.replace(',', '.')}; say --decimal comma if the comma is a decimal sign, or write it without the comma`;
  }
  const value = Number(cell.replace(',', '.'));
  if (Math.abs(value) > LARGEST) return `"${cell}" is larger than any mark or score (1e15)`;
  return value;
}
