import 'fake-indexeddb/auto';
import { setupZonelessTestEnv } from 'jest-preset-angular/setup-env/zoneless';

setupZonelessTestEnv();

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
