import type { Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { providePrimeNG } from 'primeng/config';
import { freshSpace } from './records';
import type { Database } from '../src/app/data/database';
import { Store } from '../src/app/data/store';
import type { Records, TableName } from '../src/app/data/database';

export interface Rendered<C> {
  readonly fixture: ComponentFixture<C>;
  readonly element: HTMLElement;
  readonly database: Database;
  /** The text of the page with its white space folded. */
  text(): string;
  /** Waits until the storage and the page have come to rest. */
  settle(): Promise<void>;
  /** Waits until the text matches; fails with the text when it does not within some seconds. */
  until(pattern: RegExp): Promise<void>;
  button(name: string | RegExp): HTMLButtonElement;
  press(name: string | RegExp): Promise<void>;
  /** Types into the field with that label. */
  fill(label: string, value: string): Promise<void>;
  field(label: string): HTMLInputElement;
}

declare const nextTurn: () => Promise<void>;
/** Turns of the event loop in which a chain of database requests comes to its end. */
const TURNS = 60;

type Stored = { [N in TableName]?: Records[N][] };
const folded = (text: string): string => text.replace(/\s+/g, ' ').trim();

/**
 * Renders a component over a fresh database that holds what was given.
 * @param inputs of the component; a function is called where things can be injected
 */
export async function render<C>(
  component: Type<C>,
  inputs: Record<string, unknown> | (() => Record<string, unknown>) = {},
  stored: Stored = {},
  providers: unknown[] = [],
): Promise<Rendered<C>> {
  const database = freshSpace([provideRouter([{ path: '**', children: [] }]), providePrimeNG(), ...providers]);
  for (const [name, records] of Object.entries(stored)) await database.table(name).bulkPut(records);
  const fixture = TestBed.createComponent(component);
  const given = typeof inputs === 'function' ? TestBed.runInInjectionContext(inputs) : inputs;
  for (const [name, value] of Object.entries(given)) fixture.componentRef.setInput(name, value);
  const element = fixture.nativeElement as HTMLElement;
  const settle = async (): Promise<void> => {
    for (let round = 0; round < 4; round += 1) {
      for (let turn = 0; turn < TURNS; turn += 1) await nextTurn();
      await new Promise((resolve) => setTimeout(resolve, 15));
      await fixture.whenStable();
    }
    // What is still being written on a busy machine comes to its end first.
    if (TestBed.inject(Store).writing()) await settle();
  };
  const nameOf = (entry: Element): string => folded(entry.getAttribute('aria-label') ?? entry.textContent);
  const button = (name: string | RegExp): HTMLButtonElement => {
    const all = [...element.querySelectorAll<HTMLButtonElement>('button, a, [role=button]')];
    const found = all.find((entry) => (typeof name === 'string' ? nameOf(entry) === name : name.test(nameOf(entry))));
    if (found === undefined) throw new Error(`no button ${String(name)} among ${all.map(nameOf).join(' | ')}`);
    return found;
  };
  const field = (label: string): HTMLInputElement => {
    const found = [...element.querySelectorAll('label')].find((entry) => folded(entry.textContent).startsWith(label));
    const control = found === undefined ? null : element.querySelector<HTMLInputElement>(`[id="${found.htmlFor}"]`);
    if (control === null) throw new Error(`no field ${label}`);
    return control;
  };
  await settle();
  return {
    fixture,
    element,
    database,
    text: () => folded(element.textContent),
    settle,
    until: async (pattern) => {
      for (let round = 0; round < 60 && !pattern.test(folded(element.textContent)); round += 1) await settle();
      expect(folded(element.textContent)).toMatch(pattern);
    },
    button,
    press: async (name) => {
      button(name).click();
      await settle();
    },
    field,
    fill: async (label, value) => {
      const control = field(label);
      control.value = value;
      control.dispatchEvent(new Event('input', { bubbles: true }));
      control.dispatchEvent(new Event('change', { bubbles: true }));
      // It is left again, as a person does who goes on.
      control.dispatchEvent(new FocusEvent('blur'));
      control.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
      await settle();
    },
  };
}

/** Collects what an output gives out. */
export function heard<T>(output: { subscribe(listener: (value: T) => void): unknown }): T[] {
  const list: T[] = [];
  output.subscribe((value) => list.push(value));
  return list;
}
