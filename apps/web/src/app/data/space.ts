import { InjectionToken } from '@angular/core';
import * as z from 'zod';

/** Which of the two spaces this tab works in. */
export const SpaceSchema = z.enum(['own', 'demo']);
export type Space = z.infer<typeof SpaceSchema>;

export const SPACE = new InjectionToken<Space>('space');
export const databaseName: Record<Space, string> = { own: 'pomek', demo: 'pomek-demo' };

const KEY = 'pomek.space';

/** The space of this tab; a new tab begins with the one last chosen. */
export function readSpace(): Space {
  const stored = sessionStorage.getItem(KEY) ?? localStorage.getItem(KEY);
  return SpaceSchema.catch('own').parse(stored);
}

export function rememberSpace(space: Space): void {
  sessionStorage.setItem(KEY, space);
  localStorage.setItem(KEY, space);
}

/** `/demo` and `/own` choose a space and lead to its first page. */
export function chooseSpaceFromAddress(): Space {
  const asked = SpaceSchema.safeParse(location.pathname.replace(/^\/|\/$/g, ''));
  if (asked.success) {
    rememberSpace(asked.data);
    history.replaceState(null, '', '/today');
    return asked.data;
  }
  const space = readSpace();
  rememberSpace(space);
  return space;
}
