import { inject, Injector } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { defer, filter, switchMap, take, type Observable } from 'rxjs';
import { Opening } from '../data/opening';
import { PreloadWhenIdle } from './preload-when-idle';

/**
 * When the app is stored for use without a network: once every view is there and the space is filled.
 * While the service worker stores the files for the first time, which takes seconds, it holds back
 * everything the page asks for; a view opened then would not come.
 */
export function offlineWhenQuiet(): Observable<unknown> {
  const preloading = inject(PreloadWhenIdle);
  const busy = inject(Opening).busy;
  const injector = inject(Injector);
  return defer(() => preloading.whole()).pipe(
    switchMap(() => toObservable(busy, { injector })),
    filter((filling) => !filling),
    take(1),
  );
}
