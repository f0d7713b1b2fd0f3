/** A camera shown in a video element, until it is stopped. */
export class CameraStream {
  private stream: MediaStream | null = null;
  private over = false;

  /** Shows what the camera sees; false where there is none, or it may not be used. */
  async show(video: HTMLVideoElement): Promise<boolean> {
    const devices = (navigator as { mediaDevices?: MediaDevices }).mediaDevices;
    try {
      if (devices === undefined) return false;
      this.stream = await devices.getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1280 } } });
    } catch {
      return false;
    }
    // The page may have been left while the browser asked.
    if (this.over) {
      this.stop();
      return false;
    }
    video.srcObject = this.stream;
    await video.play().catch(() => undefined);
    return true;
  }

  stop(): void {
    this.over = true;
    for (const track of this.stream?.getTracks() ?? []) track.stop();
    this.stream = null;
  }
}
