import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'preact/hooks';
import type { FigurePose, FigureView, Point3 } from '@pomek/core';
import { between, day, draggedTo, extentOf, hall, stands, turnedByKey, type BodyScene, type Stand } from '@pomek/space';
import type { Space } from './space';

export interface BodyCanvasProps {
  readonly space: Space;
  readonly pose: FigurePose;
  /** From where it is seen until it is turned. */
  readonly view: FigureView;
  readonly highest: number;
  readonly reach: number;
  readonly mirrored: boolean;
  readonly belly: number | null;
  /** A checkpoint that is shown on its surface. */
  readonly point: { readonly at: Point3; readonly out: Point3; readonly safety: boolean } | null;
  readonly text: string;
  readonly turnsByKey: boolean;
  /** Nothing can be drawn here, or the picture was lost. */
  readonly onLost: () => void;
}

/** How long it takes to turn to another view, and after how long without a change it stands still, ms. */
const [TURN_MS, STILL_MS] = [450, 250];

/** A body in space, turned by dragging it to the side. */
export function BodyCanvas(props: BodyCanvasProps) {
  const { space, pose, view, highest, reach, mirrored, belly, point, text, turnsByKey, onLost } = props;
  const canvas = useRef<HTMLCanvasElement>(null);
  const pin = useRef<HTMLSpanElement>(null);
  const [scene, setScene] = useState<BodyScene | null>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [stand, turnTo, turnAtOnce] = useStand(view);
  const held = useRef<{ readonly x: number; readonly from: Stand } | null>(null);
  const lost = useRef(onLost);
  lost.current = onLost;

  useLayoutEffect(() => {
    const element = canvas.current!;
    const lose = (): void => lost.current();
    let made: BodyScene;
    try {
      made = new space.Scene(element);
    } catch {
      return lose();
    }
    made.wear(space.form, pose);
    element.addEventListener('webglcontextlost', lose);
    const watch = new ResizeObserver(([entry]) => {
      const { width, height } = entry!.contentRect;
      setSize({ width: Math.floor(width), height: Math.floor(height) });
    });
    watch.observe(element.parentElement!);
    setScene(made);
    return () => {
      element.removeEventListener('webglcontextlost', lose);
      watch.disconnect();
      made.dispose();
    };
  }, [space]);
  const night = useNight();
  useLayoutEffect(() => {
    // In the hall it is always dark, on the other pages where the phone is.
    const dark = night || canvas.current!.closest('.hall') !== null;
    scene?.dress(dark ? hall : day);
  }, [scene, night]);
  useLayoutEffect(() => {
    if (size.width > 0 && size.height > 0) scene?.resize(size.width, size.height);
  }, [scene, size]);
  useLayoutEffect(() => {
    if (scene === null || size.width === 0 || size.height === 0) return;
    scene.stand(pose);
    scene.mirror(mirrored);
    scene.breathe(belly);
    const extent = extentOf(pose, { highest, reach });
    const place = scene.draw(stand, extent);
    if (pin.current !== null && point !== null) {
      const { x, y, away } = place(point.at, point.out);
      pin.current.className = ['pin', ...(point.safety ? ['safety'] : []), ...(away ? ['away'] : [])].join(' ');
      pin.current.style.translate = `${x}px ${y}px`;
    }
    if (!scene.isCoarse) return;
    const settling = setTimeout(() => scene.draw(stand, extent, true), STILL_MS);
    return () => clearTimeout(settling);
  });

  const take = (event: PointerEvent): void => {
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    held.current = { x: event.clientX, from: stand };
  };
  const turn = (event: PointerEvent): void => {
    if (held.current !== null) turnAtOnce(draggedTo(held.current.from, event.clientX - held.current.x, 0));
  };
  const turnByKey = (event: KeyboardEvent): void => {
    const to = turnedByKey(stand, event.key);
    if (!turnsByKey || to === null || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    turnTo(to);
  };
  const leave = (): void => {
    held.current = null;
  };
  return (
    <div
      class="body"
      role="img"
      aria-label={text + (turnsByKey ? '. Arrow keys turn it.' : '')}
      tabIndex={turnsByKey ? 0 : undefined}
      onPointerDown={take}
      onPointerMove={turn}
      onPointerUp={leave}
      onPointerCancel={leave}
      onKeyDown={turnByKey}
    >
      <canvas ref={canvas} aria-hidden="true" />
      {point !== null && <span class="pin" ref={pin} aria-hidden="true" />}
    </div>
  );
}

/** Whether the phone is set to be dark; it may turn so while it is looked at. */
function useNight(): boolean {
  const query = useMemo(() => matchMedia('(prefers-color-scheme: dark)'), []);
  const [night, setNight] = useState(query.matches);
  useEffect(() => {
    const turn = (): void => setNight(query.matches);
    query.addEventListener('change', turn);
    return () => query.removeEventListener('change', turn);
  }, [query]);
  return night;
}

/** From where it is seen: it turns softly to another view, at once where movement is not wanted. */
function useStand(view: FigureView): readonly [Stand, (to: Stand) => void, (to: Stand) => void] {
  const [stand, setStand] = useState(stands[view]);
  const frame = useRef(0);
  const now = useRef(stand);
  now.current = stand;
  const atOnce = (to: Stand): void => {
    cancelAnimationFrame(frame.current);
    setStand(to);
  };
  const softly = (to: Stand): void => {
    const [from, begun] = [now.current, performance.now()];
    if (matchMedia('(prefers-reduced-motion: reduce)').matches) return atOnce(to);
    cancelAnimationFrame(frame.current);
    frame.current = requestAnimationFrame(function step(at) {
      const share = Math.min(1, Math.max(0, (at - begun) / TURN_MS));
      setStand(between(from, to, share));
      if (share < 1) frame.current = requestAnimationFrame(step);
    });
  };
  useEffect(() => {
    softly(stands[view]);
  }, [view]);
  useEffect(() => () => cancelAnimationFrame(frame.current), []);
  return [stand, softly, atOnce];
}
