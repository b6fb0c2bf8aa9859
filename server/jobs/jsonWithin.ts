import { isUtf8 } from 'node:buffer';

/** What the deepest of our formats needs is nine. */
export const DEEPEST = 40;
/** An examination of 20,000 candidates at 20 stations has some four million. */
export const MOST_VALUES = 8_000_000;

/** JSON that is not read; the message is one sentence for whoever sent it. */
export class Unreadable extends Error {}

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const [OPEN_OBJECT, CLOSE_OBJECT, OPEN_ARRAY, CLOSE_ARRAY, COMMA] = [...Buffer.from('{}[],')];

/**
 * Reads JSON that is neither deeper nor has more values than anything of ours: both are counted before
 * anything is made of it. Throws `Unreadable`.
 */
export function jsonWithin(
  bytes: Buffer,
  { deepest = DEEPEST, most = MOST_VALUES }: { deepest?: number; most?: number } = {},
): unknown {
  if (!isUtf8(bytes)) throw new Unreadable('The text is not UTF-8. Save the file as UTF-8.');
  let depth = 0;
  let values = 1;
  let quoted = false;
  for (let i = 0; i < bytes.length; i++) {
    const byte = bytes[i];
    if (quoted) {
      if (byte === BACKSLASH) i++;
      else if (byte === QUOTE) quoted = false;
    } else if (byte === QUOTE) quoted = true;
    else if (byte === OPEN_OBJECT || byte === OPEN_ARRAY) {
      values++;
      if (++depth > deepest) throw new Unreadable(`It is nested more than ${deepest} deep.`);
    } else if (byte === CLOSE_OBJECT || byte === CLOSE_ARRAY) depth--;
    else if (byte === COMMA && ++values > most)
      throw new Unreadable(`It has more than ${most.toLocaleString('en')} values.`);
  }
  try {
    return JSON.parse(bytes.toString('utf8')) as unknown;
  } catch {
    throw new Unreadable('The body is not valid JSON.');
  }
}
