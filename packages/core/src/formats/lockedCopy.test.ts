import { createDecipheriv, pbkdf2Sync } from 'node:crypto';
import { demoContents } from '../demo';
import { writeBundle } from './bundle';
import { LOCK_ROUNDS, WrongPassphrase, isLocked, lockCopy, unlockCopy } from './lockedCopy';
import { readBundle } from './readBundle';

const PASSPHRASE = 'three cranes over öre pond';
const text = writeBundle(demoContents('2026-11-20'), new Date('2026-11-20T10:00:00Z'));
const bytes = (part: string): Buffer => Buffer.from(part, 'base64url');

/** Opens a locked copy after the letter of the standards with the primitives of Node alone. */
function openedByHand(locked: string, passphrase: string): string {
  const [head, wrapped, iv, contents, tag] = locked.split('.') as [string, string, string, string, string];
  const { alg, enc, p2s, p2c } = JSON.parse(bytes(head).toString()) as Record<'alg' | 'enc' | 'p2s', string> & {
    p2c: number;
  };
  // RFC 7518, section 4.8.1.1: the salt is the name of the algorithm, a zero byte, and the salt of the file.
  const salt = Buffer.concat([Buffer.from(alg), Buffer.from([0]), bytes(p2s)]);
  const wrapping = pbkdf2Sync(Buffer.from(passphrase.normalize('NFKC')), salt, p2c, 32, 'sha512');
  // RFC 3394, section 2.2.3.1: the default initial value.
  const unwrap = createDecipheriv('id-aes256-wrap' as 'aes-256-ctr', wrapping, Buffer.alloc(8, 0xa6));
  const key = Buffer.concat([unwrap.update(bytes(wrapped)), unwrap.final()]);
  // RFC 7516, section 5.2: the head as it stands is guarded along.
  expect(enc).toBe('A256GCM');
  const open = createDecipheriv('aes-256-gcm', key, bytes(iv));
  open.setAAD(Buffer.from(head));
  open.setAuthTag(bytes(tag));
  return Buffer.concat([open.update(bytes(contents)), open.final()]).toString();
}

test('a locked copy opens after RFC 7516 and RFC 7518 with nothing of ours, and with the passphrase here', async () => {
  const locked = await lockCopy(text, PASSPHRASE);
  expect(isLocked(locked)).toBe(true);
  expect(openedByHand(locked, PASSPHRASE)).toBe(text);
  const opened = await unlockCopy(`${locked}\n`, PASSPHRASE);
  expect(opened).toBe(text);
  expect(readBundle(opened).ok).toBe(true);
  const head = JSON.parse(bytes(locked.split('.')[0]!).toString()) as object;
  expect(head).toMatchObject({ alg: 'PBES2-HS512+A256KW', enc: 'A256GCM', p2c: LOCK_ROUNDS });
  // Nothing of the contents can be seen in it.
  expect(bytes(locked.split('.')[3]!).includes('students')).toBe(false);
});

test('the same letters typed in another way open it; another passphrase, a changed letter and fewer rounds do not', async () => {
  const locked = await lockCopy('{}', PASSPHRASE, 1000);
  expect(await unlockCopy(locked, PASSPHRASE.normalize('NFD'))).toBe('{}');
  await expect(unlockCopy(locked, 'three cranes over the pond')).rejects.toThrow(WrongPassphrase);
  await expect(unlockCopy(locked, '')).rejects.toThrow(WrongPassphrase);
  const parts = locked.split('.');
  for (const at of [0, 1, 2, 3, 4]) {
    const part = parts[at]!;
    const other = part[1] === 'A' ? 'B' : 'A';
    const changed = parts.with(at, part[0]! + other + part.slice(2)).join('.');
    await expect(unlockCopy(changed, PASSPHRASE)).rejects.toThrow(WrongPassphrase);
  }
  await expect(unlockCopy(parts.slice(0, 4).join('.'), PASSPHRASE)).rejects.toThrow(WrongPassphrase);
});

test('what asks for endless rounds, or is locked in another way, is not opened', async () => {
  const head = (part: object) => Buffer.from(JSON.stringify(part)).toString('base64url');
  const endless = head({ alg: 'PBES2-HS512+A256KW', enc: 'A256GCM', p2s: 'AAAAAAAAAAA', p2c: 4_000_000_000 });
  const rest = 'AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA.AAAAAAAAAAAAAAAA.AAAA.AAAAAAAAAAAAAAAAAAAAAA';
  await expect(unlockCopy(`${endless}.${rest}`, PASSPHRASE)).rejects.toThrow(WrongPassphrase);
  expect(isLocked(`${head({ alg: 'dir', enc: 'A256GCM' })}.${rest}`)).toBe(false);
  expect([text, '', 'a.b.c.d.e', 'no file of ours', '....'].map(isLocked)).toEqual([false, false, false, false, false]);
});

test('a passphrase that is too short locks nothing', async () => {
  await expect(lockCopy('{}', 'seven77')).rejects.toThrow('8 letters at least');
});
