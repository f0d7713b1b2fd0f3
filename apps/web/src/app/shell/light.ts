import { local } from '../data/small-storage';

const KEY = 'pomek.light';

export type Light = 'day' | 'hall';

export const readLight = (): Light => (local.getItem(KEY) === 'hall' ? 'hall' : 'day');

/** Puts the light of the room on the page: day, or the dark of the hall. */
export function setLight(light: Light): void {
  local.setItem(KEY, light);
  document.documentElement.classList.toggle('hall', light === 'hall');
}

export const applyStoredLight = (): void => setLight(readLight());
