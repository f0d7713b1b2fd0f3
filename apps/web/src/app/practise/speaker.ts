import { Injectable, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Voice } from '@pomek/device';
import type { CallWords, Recording } from '@pomek/core';
import { remembered } from '../data/remembered';
import { KeptRecordings } from '../data/kept-recordings';
import { VOICE, voiceSettings, type VoiceSettings } from '../data/voice-settings';
import { BellRinger } from './bell-ringer';

/**
 * Says what is called: in the teacher’s own voice what is recorded, the rest by the browser’s own voice where there is one. How
 * loud, and in which words, is remembered.
 */
@Injectable({ providedIn: 'root' })
export class Speaker {
  private readonly ringer = inject(BellRinger);
  private readonly stored = remembered(VOICE);
  /** Lines in the teacher’s own voice, by their words. */
  readonly recorded = toSignal(inject(KeptRecordings).all$, { initialValue: new Map<string, Recording>() });
  /** Whether this browser has a voice at all. */
  readonly hasVoice = signal(false);
  private readonly voice = new Voice(
    () => this.ringer.sound,
    (found) => this.hasVoice.set(found),
  );

  readonly settings = computed(() => voiceSettings(this.stored.value()));
  /** Whether anything can be said here. */
  readonly canSpeak = computed(() => this.hasVoice() || this.recorded().size > 0);
  readonly speaks = computed(() => this.canSpeak() && this.settings().on);

  constructor() {
    effect(() => {
      this.voice.recorded = this.recorded();
    });
  }

  change(part: Partial<VoiceSettings>): void {
    this.stored.set(JSON.stringify({ ...this.settings(), ...part }));
  }

  changeWords(part: Partial<CallWords>): void {
    this.change({ words: { ...this.settings().words, ...part } });
  }

  /** Says it; what was being said ends. */
  say(text: string): void {
    if (this.speaks()) this.voice.say(text, this.settings().volume);
  }

  /** Lets a recording be heard, from a press. */
  async hear(recording: Recording): Promise<void> {
    await this.ringer.wake();
    this.voice.play(recording, this.settings().volume);
  }

  silence(): void {
    this.voice.silence();
  }
}
