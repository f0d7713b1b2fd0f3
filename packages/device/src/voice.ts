/** Says what is called, by the browser’s own voice where there is one: a voice that asks another machine is none. */
export class Voice {
  private readonly synthesis = (globalThis as { speechSynthesis?: SpeechSynthesis }).speechSynthesis;
  private voices: readonly SpeechSynthesisVoice[] = [];

  /** @param found told whenever it is known otherwise whether there is a voice */
  constructor(found: (hasVoice: boolean) => void) {
    const look = (): void => {
      this.voices = (this.synthesis?.getVoices() ?? []).filter(({ localService }) => localService);
      found(this.voices.length > 0);
    };
    look();
    // They come a moment after the page.
    this.synthesis?.addEventListener('voiceschanged', look);
  }

  /**
   * Says it; what was being said ends.
   * @param volume 0–1
   */
  say(text: string, volume: number): void {
    if (this.voices.length === 0 || this.synthesis === undefined) return;
    this.synthesis.cancel();
    const utterance = new SpeechSynthesisUtterance(text);
    const voice = this.voices.find(({ lang }) => lang.startsWith('en')) ?? this.voices[0];
    if (voice !== undefined) utterance.voice = voice;
    utterance.volume = volume;
    this.synthesis.speak(utterance);
  }

  silence(): void {
    this.synthesis?.cancel();
  }
}
