import { Injectable, signal } from '@angular/core';
import type { Bell, BellSound } from '@pomek/core';

/** Pitch in hertz and length in seconds of each sound. */
const sounds: Record<BellSound, { readonly hertz: number; readonly seconds: number; readonly loud: number }> = {
  begin: { hertz: 660, seconds: 1.6, loud: 0.5 },
  turn: { hertz: 740, seconds: 0.5, loud: 0.25 },
  change: { hertz: 495, seconds: 1.2, loud: 0.5 },
  rest: { hertz: 396, seconds: 1.6, loud: 0.45 },
  soon: { hertz: 880, seconds: 0.35, loud: 0.18 },
  end: { hertz: 330, seconds: 3.5, loud: 0.6 },
};

/** Overtones of a struck bell: multiple of the pitch, share of the loudness. */
const overtones = [
  [1, 1],
  [2.02, 0.45],
  [2.76, 0.2],
] as const;

const DRIFT_MS = 30;

/**
 * Rings the bells of a practice. All of them are laid on the audio clock ahead of time, so they ring
 * on the instant even when the page is in the background and its timers are slowed down.
 */
@Injectable({ providedIn: 'root' })
export class BellRinger {
  private context: AudioContext | null = null;
  private strikes: { gain: GainNode; parts: OscillatorNode[] }[] = [];
  private origin = { audio: 0, page: 0 };
  readonly muted = signal(false);

  /** Must be called from a press of a key or button: browsers keep sound off until then. */
  async wake(): Promise<void> {
    if (typeof AudioContext === 'undefined') return;
    this.context ??= new AudioContext();
    if (this.context.state === 'suspended') await this.context.resume();
  }

  /** Replaces all bells to come. */
  lay(bells: readonly Bell[]): void {
    this.silence();
    const { context } = this;
    if (context === null || this.muted()) return;
    this.origin = { audio: context.currentTime, page: performance.now() };
    for (const bell of bells) this.strike(context, bell.sound, context.currentTime + bell.inMs / 1000);
  }

  silence(): void {
    for (const { gain, parts } of this.strikes) {
      for (const part of parts) part.stop();
      gain.disconnect();
    }
    this.strikes = [];
  }

  /** How far the page's clock and the audio clock have come apart, when that is worth laying anew. */
  drifted(): boolean {
    if (this.context === null || this.strikes.length === 0) return false;
    const audio = (this.context.currentTime - this.origin.audio) * 1000;
    return Math.abs(performance.now() - this.origin.page - audio) > DRIFT_MS;
  }

  private strike(context: AudioContext, sound: BellSound, at: number): void {
    const { hertz, seconds, loud } = sounds[sound];
    const gain = context.createGain();
    gain.gain.setValueAtTime(loud, at);
    gain.gain.exponentialRampToValueAtTime(0.0001, at + seconds);
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
    this.strikes.push({ gain, parts });
  }
}
