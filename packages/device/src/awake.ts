/** Keeps the screen on where the browser can; takes the lock again when the page comes back. */
export class Awake {
  private wanted = false;
  private lock: WakeLockSentinel | null = null;

  constructor() {
    document.addEventListener('visibilitychange', () => {
      if (this.wanted && document.visibilityState === 'visible') void this.take();
    });
  }

  keep(): void {
    this.wanted = true;
    void this.take();
  }

  release(): void {
    this.wanted = false;
    void this.lock?.release();
    this.lock = null;
  }

  private async take(): Promise<void> {
    if (!('wakeLock' in navigator)) return;
    try {
      this.lock = await navigator.wakeLock.request('screen');
    } catch {
      // The browser may refuse, for example on a low battery; the practice goes on without it.
      this.lock = null;
    }
  }
}
