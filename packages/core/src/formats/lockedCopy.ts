import { CompactEncrypt, compactDecrypt, decodeProtectedHeader, errors } from 'jose';

/**
 * A copy that opens with a passphrase alone: a JSON Web Encryption in its compact form (RFC 7516). The key of the contents is wrapped
 * with one that is derived from the passphrase by PBKDF2 with HMAC-SHA-512 (RFC 7518, section 4.8), the contents are
 * encrypted and guarded against change by AES-256 in Galois/Counter Mode.
 */
const [KEY, CONTENTS] = ['PBES2-HS512+A256KW', 'A256GCM'] as const;

/** Rounds of PBKDF2: as the OWASP Password Storage Cheat Sheet recommends for HMAC-SHA-512 (from memory). */
export const LOCK_ROUNDS = 210_000;
/** More rounds are not done for a file of somebody else: it would only hold the page up. */
const MOST_ROUNDS = 2_000_000;

/** Letters a passphrase has at least: NIST SP 800-63B (from memory). */
export const SHORTEST_PASSPHRASE = 8;

/** The largest locked copy that is read, bytes: a bundle in its four letters for three bytes. */
export const LARGEST_LOCKED = 90 * 1024 * 1024;

/** A file does not open with this passphrase: it is another one, or the file was changed. */
export class WrongPassphrase extends Error {
  override readonly name = 'WrongPassphrase';
  constructor() {
    super('This is not the passphrase of the file, or the file is damaged.');
  }
}

/** The same letters give the same passphrase on every keyboard (NFKC, one of the two forms of NIST SP 800-63B; from memory). */
const bytesOf = (passphrase: string): Uint8Array => new TextEncoder().encode(passphrase.normalize('NFKC'));

/**
 * @param text of a bundle
 * @param rounds fewer only where it is tried
 * @throws RangeError for a passphrase that is too short
 */
export async function lockCopy(text: string, passphrase: string, rounds = LOCK_ROUNDS): Promise<string> {
  if (passphrase.length < SHORTEST_PASSPHRASE)
    throw new RangeError(`a passphrase has ${SHORTEST_PASSPHRASE} letters at least`);
  return new CompactEncrypt(new TextEncoder().encode(text))
    .setProtectedHeader({ alg: KEY, enc: CONTENTS, cty: 'application/json' })
    .setKeyManagementParameters({ p2c: rounds })
    .encrypt(bytesOf(passphrase));
}

/** Whether a text is a locked copy, whatever opens it. */
export function isLocked(text: string): boolean {
  if (!/^\s*[\w-]+\.[\w-]+\.[\w-]+\./.test(text.slice(0, 4000))) return false;
  try {
    const { alg, enc } = decodeProtectedHeader(text.trim());
    return alg === KEY && enc === CONTENTS;
  } catch {
    return false;
  }
}

/**
 * The text that was locked.
 * @throws WrongPassphrase where it does not open
 */
export async function unlockCopy(text: string, passphrase: string): Promise<string> {
  try {
    const { plaintext } = await compactDecrypt(text.trim(), bytesOf(passphrase), {
      keyManagementAlgorithms: [KEY],
      contentEncryptionAlgorithms: [CONTENTS],
      maxPBES2Count: MOST_ROUNDS,
    });
    return new TextDecoder('utf-8', { fatal: true }).decode(plaintext);
  } catch (error) {
    if (error instanceof errors.JOSEError || error instanceof TypeError) throw new WrongPassphrase();
    throw error;
  }
}
