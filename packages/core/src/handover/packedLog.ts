import { strFromU8, strToU8, unzlibSync, zlibSync } from 'fflate';
import { fromUint8Array, toUint8Array } from 'js-base64';
import { crc32 } from '../text/crc32';
import { HomeLogSchema, type HomeLog } from './homeLog';

const VERSION = 1;
/** Larger than any log of a few months, characters of the unpacked text: more is not ours. */
const LARGEST = 4_000_000;
const MOST_PARTS = 400;

/** Both sides know these words already, so that a short log stays short. The text belongs to version 1 and does not change. */
const known = strToU8(
  '"startedAt":"2026-01-01T07:30:00.000Z","enteredAt":"2026-","practisedSeconds":"source":"conducted","classId":null,"lines":[{"segmentId":"exerciseId":"exerciseName":"kind":"breath","kind":"cycle","kind":"hold","side":"right","direction":"reversed","side":"left","direction":"forward","side":"both","direction":"none","asked":{"amount":"seconds":},"done":{"amount":"seconds":},"enough":null,"alignmentKept":null,"turned":{"kneeBendDeg":null,"weightShare":null,"shoulderRaiseDeg":null,"ahead":null,"stanceWidth":null,"stage":null},"turned":null,"staySeconds":null,"gaveOut":"legs","gaveOut":"arms","gaveOut":null,"effort":null}],"effort":5,"pain":0,"painWhere":"","painPlace":null,"symptoms":[],"note":""},{"id":"studentId":"routineId":"routineName":"day":"2026-{"format":"pomek home log","version":1,"sheetId":"sheetMadeOn":"studentId":"studentName":"givenAt":"2026-"logs":[',
);

const sumOf = (bytes: Uint8Array): string => crc32(bytes).toString(16).padStart(8, '0');

/**
 * A log in one or more texts that any message or QR code carries, each with its number, how many there are, and the checksum of
 * the whole.
 * @param letters so many at most of the packed log in each; one text when left out
 */
export function packedLog(log: HomeLog, letters = Number.POSITIVE_INFINITY): string[] {
  const bytes = zlibSync(strToU8(JSON.stringify(log)), { level: 9, dictionary: known });
  const text = fromUint8Array(bytes, true);
  const parts = Math.max(1, Math.ceil(text.length / letters));
  const each = Math.ceil(text.length / parts);
  return Array.from(
    { length: parts },
    (_, part) =>
      `POMEK-LOG-${VERSION}:${part + 1}of${parts}:${sumOf(bytes)}:${text.slice(part * each, (part + 1) * each)};`,
  );
}

/** The text of a log as a file: indented, so that a person can read it, with the checksum of the same without spaces. */
export const logFile = (log: HomeLog): string =>
  `${JSON.stringify({ ...log, sum: sumOf(strToU8(JSON.stringify(log))) }, null, 2)}\n`;

/** What came in so far, and what it is. */
export type ReadLog =
  | { readonly kind: 'log'; readonly log: HomeLog }
  /** Parts that are still missing, from 1. */
  | { readonly kind: 'parts'; readonly missing: readonly number[]; readonly of: number }
  | { readonly kind: 'wrong'; readonly message: string };

const wrong = (message: string): ReadLog => ({ kind: 'wrong', message });

function parsed(text: string): ReadLog {
  let foreign: unknown;
  try {
    foreign = JSON.parse(text);
  } catch {
    return wrong('This is not a log of a sheet, or it is damaged.');
  }
  const head = foreign as { format?: unknown; version?: unknown } | null;
  if (head?.format !== 'pomek home log') {
    return wrong('This is not the log of a sheet that was given home.');
  }
  if (typeof head.version === 'number' && head.version > VERSION) return wrong(newer);
  // Sheets of before gave files without one.
  const { sum, ...rest } = foreign as Record<string, unknown>;
  if (sum !== undefined && sum !== sumOf(strToU8(JSON.stringify(rest)))) return wrong(DAMAGED);
  const found = HomeLogSchema.safeParse(foreign);
  if (found.success) return { kind: 'log', log: found.data };
  const [issue] = found.error.issues;
  return wrong(`The log is damaged at ${issue!.path.join('.') || 'its beginning'}: ${issue!.message}`);
}

const DAMAGED = 'It is damaged on its way: the checksum does not fit. Have it given once more.';
const newer = 'The log was written by a newer sheet than this program can read. Bring the program up to date first.';

interface Part {
  readonly number: number;
  readonly of: number;
  readonly sum: string;
  readonly letters: string;
}

function partsIn(text: string): Part[] {
  const found = text.matchAll(/POMEK-LOG-1:(\d{1,3})of(\d{1,3}):([0-9a-f]{8}):([A-Za-z0-9_-]+);/g);
  return [...found].map(([, number, of, sum, letters]) => ({
    number: Number(number),
    of: Number(of),
    sum: sum!,
    letters: letters!,
  }));
}

/**
 * Reads whatever came back: the text of a file, a message that a line was pasted into, or the texts of codes in any order, one
 * after the other. What is broken into lines by a message is put together again. Nothing is read by halves.
 */
export function readLog(text: string): ReadLog {
  if (text.length > LARGEST) return wrong('This is too long to be the log of a sheet.');
  if (text.trim() === '') return wrong('There is nothing in it.');
  if (text.trimStart().startsWith('{')) return parsed(text);
  // A message may break a line anywhere, and put in marks that are not seen.
  const joined = text.replace(/[\s\u00ad\u200b-\u200f\u2060\ufeff]/g, '');
  const parts = partsIn(joined);
  if (parts.length === 0) return wrong(noPart(joined));
  const { of, sum } = parts[0]!;
  if (parts.some((part) => part.sum !== sum || part.of !== of)) {
    return wrong('These are parts of different logs. Read in one log after the other.');
  }
  if (of > MOST_PARTS || parts.some(({ number }) => number < 1 || number > of)) {
    return wrong('A part is numbered wrongly: it is damaged. Have it shown again.');
  }
  const letters = new Map<number, string>();
  for (const part of parts) {
    const before = letters.get(part.number);
    if (before !== undefined && before !== part.letters) {
      return wrong(`Part ${part.number} came twice, each time otherwise: one of them is damaged.`);
    }
    letters.set(part.number, part.letters);
  }
  const missing = Array.from({ length: of }, (_, at) => at + 1).filter((number) => !letters.has(number));
  if (missing.length > 0) return { kind: 'parts', missing, of };
  const bytes = toUint8Array(Array.from({ length: of }, (_, at) => letters.get(at + 1)!).join(''));
  if (sumOf(bytes) !== sum) return wrong(DAMAGED);
  try {
    const unpacked = unzlibSync(bytes, { dictionary: known, out: new Uint8Array(LARGEST) });
    return parsed(strFromU8(unpacked));
  } catch {
    return wrong('It is damaged on its way: it cannot be unpacked. Have it given once more.');
  }
}

function noPart(text: string): string {
  const version = /POMEK-LOG-(\d+):/.exec(text)?.[1];
  if (version === undefined) return 'There is no log of a sheet in this text. It begins with POMEK-LOG.';
  if (Number(version) > VERSION) return newer;
  return 'The line of the log is not whole: it is cut off before its end, or damaged. Have it given once more.';
}
