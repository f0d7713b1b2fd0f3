import { InteractivityChecker } from '@angular/cdk/a11y';
import { TestBed } from '@angular/core/testing';
import { seesAll } from '../../../testing/sees-all';
import { SectionKeys } from './section-keys';

const page = document.createElement('div');
page.innerHTML = `
  <nav><a href="#1" id="home">Home</a><a href="#2" id="away">Away</a></nav>
  <main tabindex="-1">
    <h1>Title</h1>
    <button id="new">New</button>
    <section><h2>List</h2><button id="first">First</button><button id="second">Second</button></section>
    <aside><p>Nothing to press here.</p></aside>
    <h2>After it</h2>
    <button id="last">Last</button>
  </main>`;

const at = (id: string): Element => page.querySelector(`#${id}`)!;
const next = (from: Element | null, back = false): string | undefined =>
  TestBed.inject(SectionKeys).next(page, from, back)?.id;

beforeEach(() => {
  TestBed.configureTestingModule({ providers: [{ provide: InteractivityChecker, useValue: seesAll }] });
});
beforeAll(() => document.body.append(page));

test('a section begins with the first thing in it that can have the focus, a heading with what follows it', () => {
  expect(next(null)).toBe('home');
  expect(next(at('home'))).toBe('new');
  expect(next(at('away'))).toBe('new');
  expect(next(at('new'))).toBe('first');
  expect(next(at('first'))).toBe('last');
  expect(next(at('second'))).toBe('last');
});

test('from the last section it goes on at the first, and back the same way', () => {
  expect(next(at('last'))).toBe('home');
  expect(next(at('second'), true)).toBe('first');
  expect(next(at('first'), true)).toBe('new');
  expect(next(at('home'), true)).toBe('last');
  expect(next(null, true)).toBe('last');
});

test('a section of folds begins with the heading of the first one', () => {
  const folds = document.createElement('section');
  folds.innerHTML = '<details><summary id="fold">Cautions</summary><p>Stop at pain.</p></details>';
  page.append(folds);
  expect(next(at('last'))).toBe('fold');
  expect(next(at('home'), true)).toBe('fold');
  folds.remove();
});
