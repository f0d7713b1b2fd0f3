import { computed, signal } from '@angular/core';
import type { Still } from '@pomek/core';
import { FilmFrames } from './film-frames';

/** A film that is open: the moment that is shown, and running it. Words of what went wrong stand in `trouble`. */
export class Reel {
  readonly frames = signal<FilmFrames | null>(null);
  readonly opening = signal(false);
  readonly trouble = signal('');
  /** The moment that is gone to, s. */
  readonly at = signal(0);
  /** The picture that is shown, and its moment, s: while one is sought it is still the one before. */
  readonly picture = signal<string | null>(null);
  readonly shownAt = signal(0);
  readonly running = signal(false);
  readonly speed = signal(0.25);
  readonly isThere = computed(() => this.frames() !== null);
  readonly seconds = computed(() => this.frames()?.seconds ?? 0);
  /** How often it was set running: only the last time goes on. */
  private times = 0;

  /** @param still what the film is seen with */
  constructor(private readonly still: () => Still | null | undefined) {}

  /**
   * Opens a file in place of what was open.
   * @param check says what is wrong with the film, if it is another one; empty where it is not
   */
  async open(file: File, check: (seconds: number) => string = () => ''): Promise<boolean> {
    this.trouble.set('');
    this.opening.set(true);
    try {
      const frames = await FilmFrames.open(file);
      const wrong = check(frames.seconds);
      if (wrong !== '') {
        frames.close();
        throw new Error(wrong);
      }
      this.frames()?.close();
      this.frames.set(frames);
      await this.go(this.still()?.atSeconds ?? 0);
      return true;
    } catch (error) {
      this.fails(error);
      return false;
    } finally {
      this.opening.set(false);
    }
  }

  close(): void {
    this.stand();
    this.frames()?.close();
    this.frames.set(null);
    this.picture.set(null);
  }

  /** Stands at a moment, s of the film. */
  async go(seconds: number): Promise<void> {
    const frames = this.frames();
    this.stand();
    if (frames === null) {
      this.at.set(seconds);
      this.shownAt.set(seconds);
      return;
    }
    this.at.set(Math.max(0, Math.min(frames.seconds, seconds)));
    try {
      await frames.seek(seconds);
      this.show();
    } catch (error) {
      this.fails(error);
    }
  }

  async toggle(): Promise<void> {
    if (this.running()) this.stand();
    else await this.play();
  }

  /**
   * Runs from where it is, at the chosen speed, until it is stopped or the film ends.
   * @param each after each frame that is shown
   */
  async play(each: () => void = () => undefined): Promise<void> {
    const frames = this.frames();
    if (frames === null) return;
    this.times += 1;
    const time = this.times;
    await frames.run(this.speed());
    if (!frames.running) return;
    this.running.set(true);
    const look = (): void => {
      if (!this.running() || this.times !== time || this.frames() !== frames) return;
      this.at.set(frames.at);
      this.show();
      each();
      if (frames.running) requestAnimationFrame(look);
      else this.running.set(false);
    };
    requestAnimationFrame(look);
  }

  /** Runs so fast from now on, also where it runs already. */
  useSpeed(speed: number): void {
    this.speed.set(speed);
    if (this.running()) this.pace(speed);
  }

  /** Runs on at another pace for a while; what would run backwards nearly stands. */
  pace(speed: number): void {
    this.frames()?.pace(speed);
  }

  stand(): void {
    this.running.set(false);
    this.frames()?.stop();
  }

  fails(error: unknown): void {
    this.trouble.set(error instanceof Error ? error.message : String(error));
  }

  private show(): void {
    const [frames, still] = [this.frames(), this.still()];
    if (frames === null || still == null) return;
    this.picture.set(frames.shown(still.width, still.height));
    this.shownAt.set(frames.at);
  }
}
