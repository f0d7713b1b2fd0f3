import { BehaviorSubject, Subject } from 'rxjs';
import { oneAfterTheOther } from './one-after-the-other';

describe('one after the other', () => {
  const of = (keys: readonly string[], urgent: readonly string[] = []) => {
    const streams = new Map([...keys, 'later'].map((key) => [key, new Subject<number>()]));
    const list = new BehaviorSubject(keys);
    const begun: string[] = [];
    const given: ReadonlyMap<string, number>[] = [];
    const failed: unknown[] = [];
    const subscription = oneAfterTheOther(
      list,
      (key) => {
        begun.push(key);
        return streams.get(key)!;
      },
      () => urgent,
    ).subscribe({ next: (found) => given.push(found), error: (error) => failed.push(error) });
    return { streams, list, begun, given, failed, subscription };
  };

  test('each is begun when the one before has come, and the whole is given out when all have', () => {
    const { streams, begun, given } = of(['a', 'b', 'c']);
    expect(begun).toEqual(['a']);
    streams.get('a')!.next(1);
    streams.get('b')!.next(2);
    expect(begun).toEqual(['a', 'b', 'c']);
    expect(given).toEqual([]);
    streams.get('c')!.next(3);
    expect(given.at(-1)).toEqual(
      new Map([
        ['a', 1],
        ['b', 2],
        ['c', 3],
      ]),
    );
  });

  test('of many it is given out while it fills, and with each change, each time as a new map', () => {
    const keys = Array.from({ length: 20 }, (_, at) => `k${at}`);
    const { streams, given } = of(keys);
    keys.forEach((key, at) => streams.get(key)!.next(at));
    expect(given.map(({ size }) => size)).toEqual([8, 16, 20]);
    streams.get('k3')!.next(99);
    expect(given.at(-1)!.get('k3')).toBe(99);
    expect(given.at(-2)!.get('k3')).toBe(3);
  });

  test('of none it is empty at once; what fails is told; and nothing is held on to', () => {
    expect(of([]).given).toEqual([new Map()]);
    const { streams, failed } = of(['a', 'b']);
    streams.get('a')!.error(new Error('torn'));
    expect(failed).toEqual([new Error('torn')]);
    const other = of(['a', 'b']);
    other.streams.get('a')!.next(1);
    other.subscription.unsubscribe();
    expect([...other.streams.values()].map(({ observed }) => observed)).toEqual([false, false, false]);
  });

  test('what is wanted first comes first and is given out as it comes', () => {
    const { streams, begun, given } = of(['a', 'b', 'c'], ['c']);
    expect(begun).toEqual(['c']);
    streams.get('c')!.next(3);
    expect(begun).toEqual(['c', 'a']);
    expect(given).toEqual([new Map([['c', 3]])]);
  });

  test('a key that comes is begun, one that goes is forgotten, and what is there stays', () => {
    const { streams, list, begun, given } = of(['a', 'b']);
    list.next(['b', 'later']);
    expect(streams.get('a')!.observed).toBe(false);
    expect(begun).toEqual(['a', 'b']);
    streams.get('b')!.next(2);
    streams.get('later')!.next(5);
    expect(begun).toEqual(['a', 'b', 'later']);
    expect(given.at(-1)).toEqual(
      new Map([
        ['b', 2],
        ['later', 5],
      ]),
    );
    list.next(['later']);
    expect(given.at(-1)).toEqual(new Map([['later', 5]]));
  });
});
