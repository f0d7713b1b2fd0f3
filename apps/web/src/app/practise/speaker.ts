import { Injectable, computed, signal } from '@angular/core';
import { Voice } from '@pomek/device';
import type { CallWords } from '@pomek/core';
import { remembered } from '../data/remembered';
import { VOICE, voiceSettings, type VoiceSettings } from '../data/voice-settings';

/** Says what is called, by the browser's own voice where there is one; how loud, and in which words, is remembered. */
@Injectable({ providedIn: 'root' })
export class Speaker {
  private readonly stored = remembered(VOICE);
  /** Whether this browser has a voice at all. */
  readonly hasVoice = signal(false);
  private readonly voice = new Voice((found) => this.hasVoice.set(found));

  readonly settings = computed(() => voiceSettings(this.stored.value()));
  readonly speaks = computed(() => this.hasVoice() && this.settings().on);

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

  silence(): void {
    this.voice.silence();
  }
}
