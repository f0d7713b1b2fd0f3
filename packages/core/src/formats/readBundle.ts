import { parse, printParseErrorCode, type ParseError } from 'jsonc-parser';
import * as z from 'zod';
import { inCounts } from '../plan/inCounts';
import { builtInSchools } from '../schools/builtInSchools';
import { BUNDLE_VERSION, BundleSchema, LARGEST_BUNDLE, type Bundle, type BundleKind } from './bundle';

export interface BundleProblem {
  /** Where: a line and column, or the path of a field. Empty when it is the file as a whole. */
  readonly place: string;
  readonly message: string;
}
/** A record of a file that is beyond the limits, as a program before them may have written it: the others can come in without it. */
export interface BeyondLimits {
  readonly kind: BundleKind;
  /** As it stands in the file: of the right shape, its values not. */
  readonly record: Readonly<Record<string, unknown>> & { readonly id: string };
  /** The field and what is wrong with it. */
  readonly because: string;
}

export type BundleResult =
  | { readonly ok: true; readonly bundle: Bundle; readonly beyond: readonly BeyondLimits[] }
  | { readonly ok: false; readonly problems: readonly BundleProblem[] };

/** How many problems are listed at most; a damaged file may have thousands. */
const MOST_PROBLEMS = 20;

const failed = (place: string, message: string): BundleResult => ({ ok: false, problems: [{ place, message }] });
const megabytes = (bytes: number): string => `${(bytes / 1024 / 1024).toFixed(0)} MB`;

/** A problem when a file is too large to be read at all; null when it is not. */
export function tooLarge(bytes: number): BundleProblem | null {
  if (bytes <= LARGEST_BUNDLE) return null;
  return {
    place: '',
    message: `The file has ${megabytes(bytes)}; files up to ${megabytes(LARGEST_BUNDLE)} are read.`,
  };
}

function syntaxProblem(text: string): BundleResult {
  const errors: ParseError[] = [];
  parse(text, errors, { disallowComments: true });
  const offset = errors[0]?.offset ?? 0;
  const before = text.slice(0, offset);
  const line = before.split('\n').length;
  const column = offset - before.lastIndexOf('\n');
  const what = errors[0] === undefined ? 'unreadable' : printParseErrorCode(errors[0].error);
  const words = what
    .replace(/([A-Z])/g, ' $1')
    .trim()
    .toLowerCase();
  return failed(`line ${line}, column ${column}`, `The file is damaged here: ${words}.`);
}

/** Where the text is damaged; nested too deeply to be followed, it is no file of ours. */
function unreadable(text: string): BundleResult {
  try {
    return syntaxProblem(text);
  } catch (error) {
    if (error instanceof RangeError) return failed('', 'This is not a Pomek file: it is nested too deeply to be read.');
    throw error;
  }
}

/** A bundle of an earlier program with what has become finer since. */
function carriedOver(bundle: Bundle): Bundle {
  const { plans, routines, schools } = bundle.contents;
  // Of two with one id the first counts: that of the file.
  const all = [...schools, ...builtInSchools];
  return {
    ...bundle,
    version: BUNDLE_VERSION,
    contents: { ...bundle.contents, plans: plans.map((plan) => inCounts(plan, routines, all)) },
  };
}

/** The path of a field as one reads it: `contents.routines[2].name`. */
export function pathWords(path: readonly PropertyKey[]): string {
  return path
    .map((part, index) => (typeof part === 'number' ? `[${part}]` : `${index > 0 ? '.' : ''}${String(part)}`))
    .join('');
}

/** Where two records of a table have one id: only one of them could be kept. */
function twice({ contents }: Bundle): BundleProblem[] {
  return Object.entries(contents).flatMap(([table, records]) => {
    const first = new Map<string, number>();
    return records.flatMap(({ id }, at): BundleProblem[] => {
      const earlier = first.get(id);
      if (earlier === undefined) {
        first.set(id, at);
        return [];
      }
      const message = `It has the same id as contents.${table}[${earlier}]; a file has each record once.`;
      return [{ place: `contents.${table}[${at}].id`, message }];
    });
  });
}

/** The first of many problems, and how many more there are. */
function someOf(problems: readonly BundleProblem[]): BundleResult {
  const more = problems.length - MOST_PROBLEMS;
  const listed = problems.slice(0, MOST_PROBLEMS);
  return { ok: false, problems: more > 0 ? [...listed, { place: '', message: `and ${more} more` }] : listed };
}

type Issue = z.core.$ZodIssue;

/** Whether a value is one of its kind and only too much, or does not go with the others: damage looks otherwise. */
const isBeyond = ({ code, path }: Issue): boolean =>
  (code === 'too_big' || code === 'custom') && path[0] === 'contents' && typeof path[2] === 'number';

/** A file whose records are all of the right shape, some of them beyond the limits, without those; null where more is wrong with it. */
function withoutBeyond(
  foreign: unknown,
  issues: readonly Issue[],
): Pick<BundleResult & { ok: true }, 'bundle' | 'beyond'> | null {
  if (!issues.every(isBeyond)) return null;
  const { contents } = foreign as { contents: Record<string, BeyondLimits['record'][]> };
  const first = new Map<BeyondLimits['record'], BeyondLimits>();
  for (const { path, message } of issues) {
    const [kind, at] = path.slice(1, 3) as [BundleKind, number];
    const record = contents[kind]![at]!;
    const field = pathWords(path.slice(3));
    if (!first.has(record))
      first.set(record, { kind, record, because: field === '' ? message : `${field}: ${message}` });
  }
  const left = Object.entries(contents).map(([kind, records]) => [
    kind,
    records.filter((record) => !first.has(record)),
  ]);
  const parsed = BundleSchema.safeParse({ ...(foreign as object), contents: Object.fromEntries(left) as unknown });
  return parsed.success ? { bundle: parsed.data, beyond: [...first.values()] } : null;
}

/**
 * Reads the text of a bundle whole before anything is kept. What is wrong comes back as a list of
 * places and messages: a line and column for damaged JSON, the path of the field for a wrong value,
 * and plain words for a foreign file or one of a newer version. Records beyond the limits are left out and named.
 */
export function readBundle(text: string): BundleResult {
  const large = tooLarge(text.length);
  if (large !== null) return { ok: false, problems: [large] };
  if (text.trim() === '') return failed('', 'The file is empty.');
  let foreign: unknown;
  try {
    foreign = JSON.parse(text);
  } catch {
    return unreadable(text);
  }
  const head = z.object({ format: z.literal('pomek bundle'), version: z.number() }).safeParse(foreign);
  if (!head.success)
    return failed('format', 'This is not a Pomek file: it does not begin with "format": "pomek bundle".');
  if (head.data.version > BUNDLE_VERSION) {
    return failed(
      'version',
      `The file has version ${head.data.version}, this program reads up to ${BUNDLE_VERSION}. Bring the program up to date first.`,
    );
  }
  const parsed = BundleSchema.safeParse(foreign);
  const read = parsed.success ? { bundle: parsed.data, beyond: [] } : withoutBeyond(foreign, parsed.error.issues);
  if (read === null)
    return someOf(parsed.error!.issues.map((issue) => ({ place: pathWords(issue.path), message: issue.message })));
  const doubled = twice(read.bundle);
  return doubled.length > 0 ? someOf(doubled) : { ok: true, bundle: carriedOver(read.bundle), beyond: read.beyond };
}
