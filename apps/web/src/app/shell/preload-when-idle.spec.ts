import { of, throwError } from 'rxjs';
import { PreloadWhenIdle } from './preload-when-idle';

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
});
