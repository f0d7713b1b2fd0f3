import { InjectionToken } from '@angular/core';
import { local, session } from './small-storage';

/** Which of the two spaces this tab works in. Two words are told apart without the schemas, which the first page does not wait for. */
export type Space = 'own' | 'demo';
const spaceOf = (word: string | null): Space | null => (word === 'own' || word === 'demo' ? word : null);

export const SPACE = new InjectionToken<Space>('space');
export const databaseName: Record<Space, string> = { own: 'pomek', demo: 'pomek-demo' };

const KEY = 'pomek.space';

/** The space of this tab; a new tab begins with the one last chosen. */
export function readSpace(): Space {
  return spaceOf(session.getItem(KEY) ?? local.getItem(KEY)) ?? 'own';
}

export function rememberSpace(space: Space): void {
  session.setItem(KEY, space);
  local.setItem(KEY, space);
}

/** `/demo` and `/own` choose a space and lead to its first page. */
export function chooseSpaceFromAddress(): Space {
  const asked = spaceOf(location.pathname.replace(/^\/|\/$/g, ''));
  if (asked !== null) {
    rememberSpace(asked);
    history.replaceState(null, '', '/today');
    return asked;
  }
  const space = readSpace();
  rememberSpace(space);
  return space;
}
