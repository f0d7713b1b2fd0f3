export interface BreathLineRequest {
  /** How full the breath is at a moment, 0–1; seconds from the start of the work. */
  readonly fullness: (seconds: number) => number;
  /** Now, and where the line begins and ends, in seconds from the start of the work. */
  readonly now: number;
  readonly endsAt: number;
  /** Seconds shown to the left and right of now. */
  readonly behind: number;
  readonly ahead: number;
  readonly width: number;
  readonly height: number;
}

export interface BreathLineShapes {
  readonly path: string;
  readonly bead: { readonly x: number; readonly y: number };
}

const SAMPLES = 160;

/** The breath line as a path with the bead where the breath now is: full is up, time runs to the right. */
export function layoutBreathLine(request: BreathLineRequest): BreathLineShapes {
  const { fullness, now, behind, ahead, width, height, endsAt } = request;
  const margin = height * 0.12;
  const y = (seconds: number): number => {
    const within = Math.max(0, Math.min(endsAt, seconds));
    return height - margin - fullness(within) * (height - 2 * margin);
  };
  const points = Array.from({ length: SAMPLES + 1 }, (_, index) => {
    const share = index / SAMPLES;
    const seconds = now - behind + share * (behind + ahead);
    return `${(share * width).toFixed(1)} ${y(seconds).toFixed(1)}`;
  });
  return { path: `M${points.join('L')}`, bead: { x: (width * behind) / (behind + ahead), y: y(now) } };
}
