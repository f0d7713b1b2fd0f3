/** Beyond the end of any film, s. */
const FAR = 1e7;
/** A film that shows nothing for so long does not come any more, ms. */
const PATIENCE = 20_000;

/** How slowly and how fast browsers run a film, times as filmed. */
const [SLOWEST, FASTEST] = [0.0625, 8];

/** A film of a file, read frame by frame; it is not shown itself. */
export class FilmFrames {
  private readonly video = document.createElement('video');
  private readonly address: string;
  private readonly canvas = document.createElement('canvas');

  private constructor(readonly file: File) {
    this.address = URL.createObjectURL(file);
    this.video.muted = true;
    this.video.playsInline = true;
    this.video.preload = 'auto';
  }

  /**
   * Opens a film and finds out how long it is.
   * @throws Error in words where the browser cannot show it
   */
  static async open(file: File): Promise<FilmFrames> {
    const frames = new FilmFrames(file);
    try {
      const known = frames.once('loadedmetadata');
      frames.video.src = frames.address;
      await known;
      if (!Number.isFinite(frames.video.duration)) {
        // A film that a browser has recorded may not say how long it is before one has been at its end.
        const end = frames.once('durationchange');
        frames.video.currentTime = FAR;
        await end;
      }
      if (frames.video.videoWidth === 0) throw new Error('There is no picture in it that this browser can show.');
      await frames.seek(0);
      return frames;
    } catch (error) {
      frames.close();
      throw error;
    }
  }

  get seconds(): number {
    return this.video.duration;
  }

  get at(): number {
    return this.video.currentTime;
  }

  get running(): boolean {
    return !this.video.paused;
  }

  get source(): HTMLVideoElement {
    return this.video;
  }

  /** Goes to a moment, s, and is there when its frame can be drawn. */
  async seek(seconds: number): Promise<void> {
    const to = Math.max(0, Math.min(this.seconds, seconds));
    if (Math.abs(this.video.currentTime - to) < 1e-4 && this.video.readyState >= 2 && !this.video.seeking) return;
    const there = this.once('seeked');
    this.video.currentTime = to;
    await there;
    // It may have been told of a moment that was left again since.
    while (this.video.seeking) await this.once('seeked');
  }

  async run(rate: number): Promise<void> {
    this.pace(rate);
    // One that is stopped before it began does not run, and that is all.
    await this.video.play().catch(() => undefined);
  }

  /** How fast it runs, within what a browser can. */
  pace(rate: number): void {
    this.video.playbackRate = Math.max(SLOWEST, Math.min(FASTEST, rate));
  }

  stop(): void {
    this.video.pause();
  }

  /** The frame that is there, as a picture of that size. */
  bitmap(width: number, height: number): Promise<ImageBitmap> {
    return createImageBitmap(this.video, { resizeWidth: width, resizeHeight: height, resizeQuality: 'low' });
  }

  /** The frame that is there, to be looked at. */
  shown(width: number, height: number): string {
    this.canvas.width = width;
    this.canvas.height = height;
    this.canvas.getContext('2d')?.drawImage(this.video, 0, 0, width, height);
    return this.canvas.toDataURL('image/jpeg', 0.8);
  }

  close(): void {
    this.video.pause();
    this.video.removeAttribute('src');
    this.video.load();
    URL.revokeObjectURL(this.address);
  }

  private once(name: 'loadedmetadata' | 'durationchange' | 'seeked'): Promise<void> {
    return new Promise((resolve, reject) => {
      const { video } = this;
      const over = (): void => {
        clearTimeout(patience);
        video.removeEventListener(name, good);
        video.removeEventListener('error', bad);
      };
      const good = (): void => {
        over();
        resolve();
      };
      const bad = (): void => {
        over();
        reject(new Error(`${this.file.name} is damaged, or no film that this browser can show.`));
      };
      const patience = setTimeout(bad, PATIENCE);
      video.addEventListener(name, good);
      video.addEventListener('error', bad);
    });
  }
}
