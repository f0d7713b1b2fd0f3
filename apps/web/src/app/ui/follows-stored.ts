import { effect, inject, untracked } from '@angular/core';
import { Edits } from '../data/edits';
import { Store } from '../data/store';

/** Calls when a step was taken back or typed values were given up: fields then show what is stored. */
export function followsStored(follow: () => void): void {
  const [store, edits] = [inject(Store), inject(Edits)];
  let before = '';
  effect(() => {
    const now = `${store.turns()} ${edits.forgotten()}`;
    if (before !== '' && before !== now) untracked(follow);
    before = now;
  });
}
