import 'fake-indexeddb/auto';
import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

setupZonelessTestEnv();

// The tests have their own clock: they begin at the same moment whatever day the machine has.
const RealDate = Date;
const ahead = new RealDate(process.env['POMEK_MOMENT'] ?? '2026-03-12T09:30:00').getTime() - RealDate.now();
globalThis.Date = class extends RealDate {
  constructor(...parts: unknown[]) {
    if (parts.length === 0) super(RealDate.now() + ahead);
    else super(...(parts as [number]));
  }
  static override now(): number {
    return RealDate.now() + ahead;
  }
} as DateConstructor;

Object.defineProperty(window, 'matchMedia', {
  value: () => ({ matches: false, addEventListener: () => undefined, removeEventListener: () => undefined }),
});

// Node's own clone makes objects of another realm, which no comparison by constructor takes for equal.
globalThis.structuredClone = <T>(value: T): T =>
  value === undefined ? value : (JSON.parse(JSON.stringify(value)) as T);

// The browser of the tests does not scroll and captures no pointer.
Element.prototype.scrollIntoView = () => undefined;
Element.prototype.setPointerCapture = () => undefined;
// It has no canvas either: charts leave their place to the table.
HTMLCanvasElement.prototype.getContext = () => null;
