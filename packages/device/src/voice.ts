import { lineKey, samplesOf, VOICE_RATE, type Recording, type Recordings } from '@pomek/core';

/**
 * Says what is called: in the teacher’s own voice what is recorded, the rest by the browser’s own voice where there is one. A
 * voice that asks another machine is none.
 */
export class Voice {
  private readonly synthesis = (globalThis as { speechSynthesis?: SpeechSynthesis }).speechSynthesis;
  private voices: readonly SpeechSynthesisVoice[] = [];
  private playing: AudioBufferSourceNode | null = null;
  /** Lines in the teacher’s own voice. */
  recorded: Recordings = new Map();

  /**
   * @param sound on which recordings are heard; null until something was pressed
   * @param found told whenever it is known otherwise whether the browser has a voice
   */
  constructor(
    private readonly sound: () => AudioContext | null,
    found: (hasVoice: boolean) => void,
  ) {
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
    const recording = this.recorded.get(lineKey(text));
    if (recording !== undefined && this.play(recording, volume)) return;
    this.silence();
    if (this.voices.length === 0 || this.synthesis === undefined) return;
    const utterance = new SpeechSynthesisUtterance(text);
    const voice = this.voices.find(({ lang }) => lang.startsWith('en')) ?? this.voices[0];
    if (voice !== undefined) utterance.voice = voice;
    utterance.volume = volume;
    this.synthesis.speak(utterance);
  }

  /** Lets a recording be heard at once. @returns whether there is something to hear it on */
  play(recording: Recording, volume: number): boolean {
    this.silence();
    const context = this.sound();
    if (context === null) return false;
    const samples = samplesOf(recording);
    const buffer = context.createBuffer(1, samples.length, VOICE_RATE);
    buffer.copyToChannel(samples, 0);
    const [level, source] = [context.createGain(), context.createBufferSource()];
    level.gain.value = volume;
    source.buffer = buffer;
    source.connect(level).connect(context.destination);
    source.start();
    this.playing = source;
    return true;
  }

  silence(): void {
    this.synthesis?.cancel();
    this.playing?.stop();
    this.playing = null;
  }
}
