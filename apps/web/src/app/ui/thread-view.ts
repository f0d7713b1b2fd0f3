/** What part of the time is seen, and how large. */
export interface ThreadView {
  readonly fromSeconds: number;
  readonly pxPerSecond: number;
  readonly widthPx: number;
}

/** The view with everything in it. */
export const wholeView = (totalSeconds: number, widthPx: number): ThreadView => ({
  fromSeconds: 0,
  pxPerSecond: widthPx / Math.max(30, totalSeconds),
  widthPx,
});

/** Nearer or further, with the moment under `x` kept in its place. */
export function zoomed(view: ThreadView, factor: number, x: number, totalSeconds: number): ThreadView {
  const least = wholeView(totalSeconds, view.widthPx).pxPerSecond;
  const pxPerSecond = Math.max(least, Math.min(60, view.pxPerSecond * factor));
  const under = view.fromSeconds + x / view.pxPerSecond;
  return panned({ ...view, pxPerSecond, fromSeconds: under - x / pxPerSecond }, 0, totalSeconds);
}

/** How a drawing made for one view is laid over another, as a CSS transform from its left upper corner. */
export function laidOver(drawn: ThreadView, view: ThreadView): string {
  const shift = (drawn.fromSeconds - view.fromSeconds) * view.pxPerSecond;
  return `translateX(${shift.toFixed(2)}px) scaleX(${(view.pxPerSecond / drawn.pxPerSecond).toFixed(5)})`;
}

/** Moved along by so many seconds, without leaving the routine. */
export function panned(view: ThreadView, seconds: number, totalSeconds: number): ThreadView {
  const most = Math.max(0, totalSeconds - view.widthPx / view.pxPerSecond);
  return { ...view, fromSeconds: Math.max(0, Math.min(most, view.fromSeconds + seconds)) };
}
