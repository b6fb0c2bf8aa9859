import { createHmac, timingSafeEqual } from 'node:crypto';

/** Without letters and digits that are mistaken for one another. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const LENGTH = 10;

/**
 * The word that whoever starts an empty installation is shown, and that its first account is asked
 * for: an installation that anybody can reach does not belong to whoever comes first. Every process
 * of it has the same, and it is nowhere in the database.
 */
export function firstWord(secretKey: string): string {
  const bytes = createHmac('sha256', secretKey).update('the first account').digest();
  const word = [...bytes.subarray(0, LENGTH)]
    .map((byte) => LETTERS[byte % LETTERS.length])
    .join('');
  return `${word.slice(0, LENGTH / 2)}-${word.slice(LENGTH / 2)}`;
}

/** Whether somebody typed the word; capitals, spaces and the hyphen do not matter. */
export function isFirstWord(secretKey: string, typed: string): boolean {
  const plain = (word: string) => Buffer.from(word.toLowerCase().replace(/[^a-z0-9]/g, ''));
  const [own, other] = [plain(firstWord(secretKey)), plain(typed)];
  return own.length === other.length && timingSafeEqual(own, other);
}
