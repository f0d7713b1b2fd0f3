import type { CDPSession, Locator, Page } from '@playwright/test';

/** A field in which one types, with another value that it may have. */
export interface Field {
  readonly at: Locator;
  readonly index: number;
  readonly name: string;
  readonly kind: 'text' | 'number' | 'time';
  /** The longest text it takes. */
  readonly most: number;
  readonly next: string;
}

const TYPED =
  'input:not([type=checkbox], [type=radio], [type=range], [type=file], [type=search], [data-clock], [data-day]), textarea';

/** Fields that say the same as another one, or that are asked and not kept. */
const elsewhere = ['In breaths', 'Fit to', 'Held for'];

/** A time as it is shown (1:05 min, 45 s) in seconds. */
function seconds(text: string): number {
  const [last = 0, ...above] = text
    .replace(/[^\d:]/g, '')
    .split(':')
    .map(Number)
    .toReversed();
  return above.reduce((sum, part, index) => sum + part * 60 ** (index + 1), last);
}

interface Seen {
  readonly name: string;
  readonly number: boolean;
  readonly time: boolean;
  readonly shown: boolean;
  readonly value: string;
  readonly bounds: readonly [min: number, max: number, step: number];
  readonly most: number;
}

const look = (place: Locator): Promise<Seen[]> =>
  place.locator(TYPED).evaluateAll((elements) =>
    (elements as HTMLInputElement[]).map((element) => ({
      name: element.getAttribute('aria-label') ?? element.labels?.[0]?.textContent.trim() ?? element.id,
      number: element.type === 'number',
      time: 'appUndo' in element.dataset && element.type !== 'number',
      shown: element.getClientRects().length > 0 && element.getAttribute('role') !== 'combobox',
      value: element.value,
      bounds: [
        Number(element.getAttribute('min') ?? '0'),
        Number(element.getAttribute('max') ?? '9999'),
        Number(element.getAttribute('step') ?? '1'),
      ] as const,
      most: element.hasAttribute('size') ? 1 : Number(element.getAttribute('maxlength') ?? '300'),
    })),
  );

function nextOf({ name, number, time, value, bounds: [min, max, step], most }: Seen, round: number): string {
  if (time) return `${seconds(value) + 3 + round}`;
  if (!number) return `${name.slice(0, 20)} ${round} at the wall`.slice(0, most);
  const rounded = (amount: number): number => Math.round(amount * 1000) / 1000;
  const old = value === '' ? min : Number(value);
  return String(rounded(old + step) > max ? rounded(old - step) : rounded(old + step));
}

/** Every field below a place in which one types; `round` makes the next values differ from round to round. */
export async function fieldsIn(place: Locator, round: number): Promise<Field[]> {
  const seen = await look(place);
  return seen.flatMap((entry, index) => {
    if (!entry.shown || elsewhere.some((name) => entry.name.startsWith(name))) return [];
    const kind = entry.number ? 'number' : entry.time ? 'time' : 'text';
    const { name, most } = entry;
    return [{ at: place.locator(TYPED).nth(index), index, name, kind, most, next: nextOf(entry, round) }];
  });
}

/** Those of some fields that do not show what they should, with what they show. */
export async function lost(place: Locator, fields: readonly Field[]): Promise<string[]> {
  const seen = await look(place);
  return fields.flatMap(({ index, kind, name, next }) => {
    const value = seen[index]?.value ?? 'nothing';
    const shown = kind === 'time' ? `${seconds(value)}` : value;
    return shown === next ? [] : [`${name}: “${value}” instead of “${next}”`];
  });
}

const throttles = new WeakMap<Page, Promise<CDPSession>>();

/**
 * Slows the page's processor down by a factor. Each page has one session for it: at the next address
 * each session sets its own factor again, and one of them would slow down what another has let go.
 */
export async function slow(page: Page, factor: number): Promise<void> {
  const session = throttles.get(page) ?? page.context().newCDPSession(page);
  throttles.set(page, session);
  await (await session).send('Emulation.setCPUThrottlingRate', { rate: factor });
}

/**
 * Lets the storage of the page hold so many bytes and no more; null lifts the limit. The browser
 * goes by what it knew of its room for half a minute without a write.
 */
export async function limitStorage(page: Page, bytes: number | null): Promise<void> {
  const session = await page.context().newCDPSession(page);
  const { origin } = new URL(page.url());
  await session.send('Storage.overrideQuotaForOrigin', bytes === null ? { origin } : { origin, quotaSize: bytes });
}
