import { FADED, bellSounds, overtones, type Bell, type BellSound } from '@pomek/core';

/** The page's clock and the audio clock may come apart so far before the bells to come are laid anew, ms. */
const DRIFT_MS = 12;
/** So far ahead bells are laid, ms: enough for slow timers, and few enough to be laid in a moment. */
const REACH_MS = 30_000;
/** Out of sight timers come once a minute. */
const REACH_HIDDEN_MS = 150_000;

interface Strike {
  readonly at: number;
  readonly gain: GainNode;
  readonly parts: readonly OscillatorNode[];
}

/**
 * Rings the bells of a practice. Those of the next half minute are laid on the audio clock ahead of time, so they ring on the
 * instant even when the page's timers are slowed down; with each look at the clock the next ones are added, none twice.
 */
export class Ringer {
  private context: AudioContext | null = null;
  private readonly strikes = new Map<string, Strike>();
  private origin = { audio: 0, page: 0 };

  /** @param isMuted whether no bell is to be heard */
  constructor(private readonly isMuted: () => boolean) {}

  /** On which the bells are heard, and whatever else is; null until something was pressed. */
  get sound(): AudioContext | null {
    return this.context;
  }

  /** Must be called from a press of a key or button: browsers keep sound off until then. */
  async wake(): Promise<void> {
    if (typeof AudioContext === 'undefined') return;
    this.context ??= new AudioContext();
    if (this.context.state === 'suspended') await this.context.resume();
  }

  /** Begins anew: something was pressed, so that all bells to come are others. */
  lay(bells: readonly Bell[]): void {
    this.silence();
    const { context } = this;
    if (context === null || this.isMuted()) return;
    this.origin = { audio: context.currentTime, page: performance.now() };
    this.goOn(bells);
  }

  /**
   * Goes on with the same bells, counted from now: those that have come into reach are laid. Where the clocks came apart, those
   * that have not rung yet are laid where they belong.
   */
  goOn(bells: readonly Bell[]): void {
    const { context } = this;
    if (context === null || this.isMuted()) return;
    if (this.drifted()) {
      for (const [key, strike] of this.strikes) if (strike.at > context.currentTime) this.stop(key);
      this.origin = { audio: context.currentTime, page: performance.now() };
    }
    const reach = document.hidden ? REACH_HIDDEN_MS : REACH_MS;
    for (const { key, sound, inMs } of bells) {
      if (inMs > reach) break;
      if (!this.strikes.has(key)) this.strikes.set(key, this.strike(context, sound, context.currentTime + inMs / 1000));
    }
  }

  silence(): void {
    for (const key of [...this.strikes.keys()]) this.stop(key);
  }

  /** How far the page's clock and the audio clock have come apart, when that is worth laying anew. */
  private drifted(): boolean {
    if (this.context === null || this.strikes.size === 0) return false;
    const audio = (this.context.currentTime - this.origin.audio) * 1000;
    return Math.abs(performance.now() - this.origin.page - audio) > DRIFT_MS;
  }

  private stop(key: string): void {
    const strike = this.strikes.get(key);
    if (strike === undefined) return;
    for (const part of strike.parts) part.stop();
    strike.gain.disconnect();
    this.strikes.delete(key);
  }

  private strike(context: AudioContext, sound: BellSound, at: number): Strike {
    const { hertz, seconds, loud } = bellSounds[sound];
    const gain = context.createGain();
    gain.gain.setValueAtTime(loud, at);
    gain.gain.exponentialRampToValueAtTime(FADED, at + seconds);
    gain.connect(context.destination);
    const parts = overtones.map(([multiple, share]) => {
      const level = context.createGain();
      level.gain.value = share;
      const oscillator = context.createOscillator();
      oscillator.frequency.value = hertz * multiple;
      oscillator.connect(level).connect(gain);
      oscillator.start(at);
      oscillator.stop(at + seconds);
      return oscillator;
    });
    return { at, gain, parts };
  }
}
