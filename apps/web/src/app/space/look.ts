import { DestroyRef, inject, signal, type Signal } from '@angular/core';
import { day, hall, type Look } from '@pomek/space';

/** The colours of a body in space, as the light of the page is. Called where signals are made. */
export function lookOf(): Signal<Look> {
  const now = (): Look => (document.documentElement.classList.contains('hall') ? hall : day);
  const look = signal(now());
  const watch = new MutationObserver(() => {
    look.set(now());
  });
  watch.observe(document.documentElement, { attributes: true, attributeFilter: ['class'] });
  inject(DestroyRef).onDestroy(() => {
    watch.disconnect();
  });
  return look.asReadonly();
}
