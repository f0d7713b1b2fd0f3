import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { lastValueFrom, of, Subject, throwError } from 'rxjs';
import { Opening } from '../data/opening';
import { offlineWhenQuiet } from './offline-when-quiet';
import { PreloadWhenIdle } from './preload-when-idle';

/** Lets effects and promises run. */
const settled = async (): Promise<void> => {
  TestBed.tick();
  await new Promise((done) => setTimeout(done));
  TestBed.tick();
};

describe('views that are brought while nothing else is to be done', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  test('nothing at first, then one after the other, also past one that does not come', async () => {
    const preloading = new PreloadWhenIdle();
    const loaded: string[] = [];
    const view = (name: string) => () => {
      loaded.push(name);
      return name === 'broken' ? throwError(() => new Error('no network')) : of(name);
    };
    for (const name of ['one', 'broken', 'three']) preloading.preload({}, view(name)).subscribe();
    await jest.advanceTimersByTimeAsync(1000);
    expect(loaded).toEqual([]);
    await jest.advanceTimersByTimeAsync(2000);
    expect(loaded).toEqual(['one']);
    await jest.advanceTimersByTimeAsync(5000);
    expect(loaded).toEqual(['one', 'broken', 'three']);
  });

  test('whole when the last has come, one asked for meanwhile included, and not before any was asked for', async () => {
    const preloading = new PreloadWhenIdle();
    let whole = false;
    void preloading.whole().then(() => (whole = true));
    await jest.advanceTimersByTimeAsync(10_000);
    expect(whole).toBe(false);
    const slow = new Subject<string>();
    preloading.preload({}, () => slow).subscribe();
    await jest.advanceTimersByTimeAsync(10_000);
    expect(whole).toBe(false);
    preloading.preload({}, () => of('within the first')).subscribe();
    slow.next('there');
    slow.complete();
    await jest.advanceTimersByTimeAsync(10);
    expect(whole).toBe(false);
    await jest.advanceTimersByTimeAsync(10_000);
    expect(whole).toBe(true);
  });
});

test('the app is stored for use without a network once the views are there and the demo is filled', async () => {
  const ready = new Subject<void>();
  const busy = signal(true);
  TestBed.configureTestingModule({
    providers: [
      { provide: PreloadWhenIdle, useValue: { whole: () => lastValueFrom(ready, { defaultValue: undefined }) } },
      { provide: Opening, useValue: { busy } },
    ],
  });
  let stored = false;
  TestBed.runInInjectionContext(offlineWhenQuiet).subscribe(() => (stored = true));
  await settled();
  expect(stored).toBe(false);
  ready.complete();
  await settled();
  expect(stored).toBe(false);
  busy.set(false);
  await settled();
  expect(stored).toBe(true);
});
