import { TestBed } from '@angular/core/testing';
import { BellRinger } from './bell-ringer';

class FakeContext {
  currentTime = 20;
  state = 'running';
  destination = {};
  started: number[] = [];
  stopped = 0;
  createGain() {
    const gain = { value: 1, setValueAtTime: () => undefined, exponentialRampToValueAtTime: () => undefined };
    return { gain, connect: () => undefined, disconnect: () => undefined };
  }
  createOscillator() {
    let begun = false;
    return {
      frequency: { value: 0 },
      connect: (to: unknown) => to,
      start: (at: number) => this.started.push(at),
      stop: () => {
        if (begun) this.stopped += 1;
        begun = true;
      },
    };
  }
}

describe('bells', () => {
  let context: FakeContext;
  let ringer: BellRinger;

  beforeEach(async () => {
    context = new FakeContext();
    Object.assign(globalThis, {
      AudioContext: function () {
        return context;
      },
    });
    ringer = TestBed.inject(BellRinger);
    await ringer.wake();
  });

  const bell = (inMs: number, key = String(inMs)) => ({ inMs, sound: 'begin', key }) as const;
  const times = () => [...new Set(context.started)];

  test('of the next half minute are laid on the audio clock, from its own now; the others come when they are near', () => {
    ringer.lay([bell(1500), bell(29_000), bell(3_600_000)]);
    expect(times()).toEqual([21.5, 49]);
    // Ten seconds later by both clocks: what is laid is not laid again.
    const later = jest.spyOn(performance, 'now').mockReturnValue(performance.now() + 10_000);
    context.currentTime += 10;
    ringer.goOn([bell(19_000, '29000'), bell(25_000, 'next'), bell(3_590_000, '3600000')]);
    expect(times()).toEqual([21.5, 49, 55]);
    later.mockRestore();
  });

  test('out of sight more are laid, since timers come seldom there', () => {
    const hidden = jest.spyOn(document, 'hidden', 'get').mockReturnValue(true);
    ringer.lay([bell(1500), bell(140_000), bell(3_600_000)]);
    expect(times()).toEqual([21.5, 160]);
    hidden.mockRestore();
  });

  test('are all taken back before new ones are laid, and none while muted', () => {
    ringer.lay([bell(1000)]);
    ringer.muted.set(true);
    ringer.lay([bell(2000)]);
    expect(context.stopped).toBe(3);
    expect(context.started).toHaveLength(3);
  });

  test('follow the page where the audio clock runs away from it: none is doubled, late or lost', () => {
    ringer.lay([bell(1000, 'rung'), bell(20_000, 'to come')]);
    const begun = performance.now();
    const page = jest.spyOn(performance, 'now').mockReturnValue(begun + 2000);
    // Two seconds by the page are two and a tenth by the sound.
    context.currentTime += 2.1;
    ringer.goOn([bell(18_000, 'to come')]);
    expect(times()).toEqual([21, 40, 22.1 + 18]);
    expect(context.stopped).toBe(3);
    // As far apart as they were, they are no further apart: nothing is laid anew.
    page.mockReturnValue(begun + 3000);
    context.currentTime += 1;
    ringer.goOn([bell(17_000, 'to come')]);
    expect(times()).toHaveLength(3);
    page.mockRestore();
  });
});
