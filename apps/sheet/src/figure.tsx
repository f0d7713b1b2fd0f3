import { useEffect, useMemo, useRef, useState } from 'preact/hooks';
import {
  bellyShape,
  bellyWidth,
  figureLayers,
  layoutFigure,
  seenSide,
  seenView,
  shownDrill,
  shownPose,
  type Body,
  type Checkpoint,
  type Doing,
  type Exercise,
  type ExerciseSegment,
  type School,
  type SeenAs,
} from '@pomek/core';

/** Height of the drawing’s metre, px. */
const SCALE = 220;

export interface FigureProps {
  readonly segment: ExerciseSegment;
  readonly exercise: Exercise;
  readonly body: Body;
  readonly school: School;
  readonly doing: Doing;
  readonly seenAs: SeenAs;
  readonly point?: Checkpoint | null;
  readonly fullness?: ((seconds: number) => number) | null;
}

/** The figure that does the exercise; between two words of the practice it goes on by itself. */
export function DoingFigure({ segment, exercise, body, school, doing, seenAs, point, fullness }: FigureProps) {
  const shown = useMemo(() => shownDrill(segment, exercise, body, school), [segment, exercise, body, school]);
  const since = useSince(doing, shown.moves || fullness != null);
  const { side, direction, done, into, lengthMs, seconds, running } = doing;
  const on = running && lengthMs > 0 ? Math.min(1, into + since / lengthMs) : into;
  const view = seenView(shown, seenAs);
  const pose = shownPose(shown, on, done, seenSide(side, seenAs), direction);
  const drawing = layoutFigure(pose, view, SCALE, shown.highest);
  const floor = drawing.marks.find(({ kind }) => kind === 'floor');
  const pin = point == null ? undefined : drawing.pins.find(({ region }) => region === point.region);
  const full = fullness == null ? null : fullness(seconds + (running ? since / 1000 : 0));
  const belly = full === null ? null : bellyShape(drawing, view, bellyWidth(school, full), pose.body.stature * SCALE);
  return (
    <svg
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      role="img"
      aria-label={`The figure does it: ${exercise.name}`}
    >
      <defs>
        <pattern id="left" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V7" class="slant" />
        </pattern>
        <pattern id="right" width="6" height="6" patternUnits="userSpaceOnUse">
          <circle cx="2" cy="2" r="1.1" class="speck" />
        </pattern>
      </defs>
      {floor && <line class="floor" x1={floor.from.x} y1={floor.from.y} x2={floor.to.x} y2={floor.to.y} />}
      {figureLayers(drawing.shapes).map((layer, index) => (
        <g class={`layer-${index}`} key={index}>
          {layer.body.map(({ part, path }, at) => (
            <path key={at} class={`edge ${part}`} d={path} />
          ))}
          {layer.body.map(({ part, path }, at) => (
            <path key={at} class={`flesh ${part}`} d={path} />
          ))}
          {layer.sided.map(({ side: which, path }, at) => (
            <path key={at} fill={`url(#${which})`} d={path} />
          ))}
        </g>
      ))}
      {belly && <ellipse class="belly" cx={belly.x} cy={belly.y} rx={belly.rx} ry={belly.ry} />}
      {pin && point != null && <circle class={point.safety ? 'pin safety' : 'pin'} cx={pin.x} cy={pin.y} r="9" />}
    </svg>
  );
}

/** Milliseconds since the practice last said where it is, frame by frame while it runs. */
function useSince(doing: Doing, moves: boolean): number {
  const [since, setSince] = useState(0);
  const told = useRef(performance.now());
  useEffect(() => {
    told.current = performance.now();
    setSince(0);
    if (!doing.running || !moves || matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    let frame = requestAnimationFrame(function step() {
      setSince(performance.now() - told.current);
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [doing, moves]);
  return since;
}
