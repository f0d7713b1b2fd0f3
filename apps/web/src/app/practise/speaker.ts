import { Injectable, computed, signal } from '@angular/core';
import * as z from 'zod';
import { CallWordsSchema, usualCalls, type CallWords } from '@pomek/core';
import { remembered } from '../data/remembered';

const SettingsSchema = z.object({
  on: z.boolean(),
  /** 0 to 1. */
  volume: z.number().min(0).max(1),
  /** Whether the first cue is said when a round begins. */
  cues: z.boolean(),
  words: CallWordsSchema,
});
export type SpeakerSettings = z.infer<typeof SettingsSchema>;

const usual: SpeakerSettings = { on: false, volume: 0.8, cues: true, words: usualCalls };

function read(text: string | null): SpeakerSettings {
  try {
    return SettingsSchema.catch(usual).parse(JSON.parse(text ?? 'null'));
  } catch {
    return usual;
  }
}

/** Says what is called, by the browser's own voice where there is one; how loud, and in which words, is remembered. */
@Injectable({ providedIn: 'root' })
export class Speaker {
  private readonly stored = remembered('voice');
  private readonly synthesis = (globalThis as { speechSynthesis?: SpeechSynthesis }).speechSynthesis;
  private readonly voices = signal<readonly SpeechSynthesisVoice[]>([]);

  readonly settings = computed(() => read(this.stored.value()));
  /** Whether this browser has a voice at all. */
  readonly hasVoice = computed(() => this.voices().length > 0);
  readonly speaks = computed(() => this.hasVoice() && this.settings().on);

  constructor() {
    // A voice that asks another machine is none: nothing leaves this one.
    const look = (): void =>
      this.voices.set((this.synthesis?.getVoices() ?? []).filter(({ localService }) => localService));
    look();
    // They come a moment after the page.
    this.synthesis?.addEventListener('voiceschanged', look);
  }

  change(part: Partial<SpeakerSettings>): void {
    this.stored.set(JSON.stringify({ ...this.settings(), ...part }));
  }

  changeWords(part: Partial<CallWords>): void {
    this.change({ words: { ...this.settings().words, ...part } });
  }

  /** Says it; what was being said ends. */
  say(text: string): void {
    if (!this.speaks() || this.synthesis === undefined) return;
    this.synthesis.cancel();
    const utterance = new SpeechSynthesisUtterance(text);
    const voice = this.voices().find(({ lang }) => lang.startsWith('en')) ?? this.voices()[0];
    if (voice !== undefined) utterance.voice = voice;
    utterance.volume = this.settings().volume;
    this.synthesis.speak(utterance);
  }

  silence(): void {
    this.synthesis?.cancel();
  }
}
