import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import * as z from 'zod';
import { freshSpace } from '../../../testing/records';
import { keptDraft } from './kept-draft';

const NoteSchema = z.object({ note: z.string(), effort: z.number().nullable() });
const nothing = { note: '', effort: null };
const form = (name: () => string = () => 'a') =>
  TestBed.runInInjectionContext(() => keptDraft(name, NoteSchema, nothing));

beforeEach(() => void freshSpace());

test('what is typed is there for the next one who opens the form, until it is sent off', () => {
  form().set({ note: 'half' });
  form().set({ effort: 4 });
  expect(form().value()).toEqual({ note: 'half', effort: 4 });
  const last = form();
  last.clear();
  expect(last.value()).toEqual(nothing);
  expect(form().value()).toEqual(nothing);
});

test('each record has its own, also when the form goes on to another', () => {
  const name = signal('a');
  const draft = form(name);
  draft.set({ note: 'for a' });
  name.set('b');
  expect(draft.value()).toEqual(nothing);
  draft.set({ note: 'for b' });
  name.set('a');
  expect(draft.value().note).toBe('for a');
});

test('what cannot be read is as if nothing had been typed', () => {
  for (const text of ['not json', '{"note": 5}', 'null']) {
    localStorage.setItem('pomek.draft.own.a', text);
    expect(form().value()).toEqual(nothing);
  }
});

test('what was kept is one and the same value however often it is looked at: a form bound to it comes to rest', () => {
  form().set({ note: 'half' });
  const again = form();
  expect(again.value()).toBe(again.value());
});
