import { useEffect, useLayoutEffect, useMemo, useRef, useState } from 'preact/hooks';
import {
  bellyShape,
  doingBelly,
  doingPose,
  figureLayers,
  layoutFigure,
  regionPlaces,
  seenView,
  shownDrill,
  type Body,
  type Checkpoint,
  type Doing,
  type Exercise,
  type ExerciseSegment,
  type FigurePose,
  type FigureView,
  type School,
  type SeenAs,
} from '@pomek/core';
import { BodyCanvas } from './bodyCanvas';
import { spaceOf, type Space } from './space';

/** Height of the outline’s metre, px. */
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
  /** Whether the arrow keys turn it; not where they mean something else. */
  readonly turnsByKey?: boolean;
}

/** The figure that does the exercise; between two words of the practice it goes on by itself. */
export function DoingFigure({
  segment,
  exercise,
  body,
  school,
  doing,
  seenAs,
  point = null,
  fullness = null,
  turnsByKey = false,
}: FigureProps) {
  const shown = useMemo(() => shownDrill(segment, exercise, body, school), [segment, exercise, body, school]);
  const since = useSince(doing, shown.moves || fullness !== null);
  const [space, lose] = useSpace(body);
  const view = seenView(shown, seenAs);
  const pose = doingPose(shown, doing, since, seenAs, space === null);
  const belly = doingBelly(school, doing, since, fullness);
  const text = `The figure does it: ${exercise.name}`;
  if (space === null)
    return <Outline pose={pose} view={view} highest={shown.highest} text={text} point={point} belly={belly} />;
  return (
    <BodyCanvas
      space={space}
      pose={pose}
      view={view}
      highest={shown.highest}
      reach={shown.reach}
      mirrored={seenAs === 'mirror' && view !== 'behind'}
      belly={belly}
      point={point === null ? null : { ...regionPlaces(pose)[point.region], safety: point.safety }}
      text={text}
      turnsByKey={turnsByKey}
      onLost={lose}
    />
  );
}

/** What a body is drawn with in space once it is there; null before, where it cannot be, and once it was lost. */
function useSpace(body: Body): readonly [Space | null, () => void] {
  const [space, setSpace] = useState<Space | null>(null);
  useEffect(() => {
    let asked = true;
    void spaceOf(body).then((found) => {
      if (asked) setSpace(found);
    });
    return () => {
      asked = false;
    };
  }, [body]);
  return [space, () => setSpace(null)];
}

interface OutlineProps {
  readonly pose: FigurePose;
  readonly view: FigureView;
  readonly highest: number;
  readonly text: string;
  readonly point: Checkpoint | null;
  readonly belly: number | null;
}

/** The figure in outline: until the body in space is there, and where it cannot be drawn. */
function Outline({ pose, view, highest, text, point, belly }: OutlineProps) {
  const drawing = layoutFigure(pose, view, SCALE, highest);
  const floor = drawing.marks.find(({ kind }) => kind === 'floor');
  const pin = point === null ? undefined : drawing.pins.find(({ region }) => region === point.region);
  const wide = belly === null ? null : bellyShape(drawing, view, belly, pose.body.stature * SCALE);
  return (
    <svg viewBox={`0 0 ${drawing.width} ${drawing.height}`} role="img" aria-label={text}>
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
      {wide && <ellipse class="belly" cx={wide.x} cy={wide.y} rx={wide.rx} ry={wide.ry} />}
      {pin && point !== null && <circle class={point.safety ? 'mark safety' : 'mark'} cx={pin.x} cy={pin.y} r="9" />}
    </svg>
  );
}

/** Milliseconds since the practice last said where it is, frame by frame while it runs. */
function useSince(doing: Doing, moves: boolean): number {
  const [since, setSince] = useState(0);
  const told = useRef(performance.now());
  useLayoutEffect(() => {
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
