import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';

const NONCE_BYTES = 12;
const TAG_BYTES = 16;

/** The key of letters; another use of the same secret has another key (RFC 5869). */
function keyOf(secretKey: string): Buffer {
  return Buffer.from(hkdfSync('sha256', secretKey, '', 'letters', 32));
}

/** Seals a text for the letter of this id; in another letter it cannot be opened. */
export function seal(secretKey: string, letter: string, text: string): Buffer {
  const nonce = randomBytes(NONCE_BYTES);
  const cipher = createCipheriv('aes-256-gcm', keyOf(secretKey), nonce).setAAD(Buffer.from(letter));
  const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), sealed]);
}

/** What was sealed; `null` where the key is another, or somebody has changed it. */
export function unseal(secretKey: string, letter: string, sealed: Buffer): string | null {
  const nonce = sealed.subarray(0, NONCE_BYTES);
  const decipher = createDecipheriv('aes-256-gcm', keyOf(secretKey), nonce)
    .setAAD(Buffer.from(letter))
    .setAuthTag(sealed.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES));
  try {
    const rest = sealed.subarray(NONCE_BYTES + TAG_BYTES);
    return decipher.update(rest, undefined, 'utf8') + decipher.final('utf8');
  } catch {
    return null;
  }
}
