import { catalogued, type CheckpointId } from '../alignment/checkpoints';
import type { Checkpoint } from '../alignment/checkpoint';
import { filmFigureKinds, type FilmFigureId } from './figures';
import { figureSaid, inUnit } from './filmWords';
import type { FilmFigure } from './readStill';
import { isSideView, markWords, type FilmFrom, type MarkName } from './still';

/** What a picture says of a checkpoint. */
export interface PointSeen {
  readonly checkpoint: Checkpoint;
  readonly verdict: 'within' | 'at the limit' | 'outside' | 'cannot be judged';
  /** The verdict in words: “outside by 5.0 cm”. */
  readonly said: string;
  /** What it rests on, or why it cannot be judged. */
  readonly why: string;
  /** A picture from there shows it, once it is marked. */
  readonly shown: boolean;
  /** By what it was judged; null where it could not be. */
  readonly figure: FilmFigure | null;
  /** How far it is beyond its bound, in the unit of the figure, or within it where negative; null where it could not be judged. */
  readonly beyond: number | null;
}

/** What a checkpoint asks of a figure: bounds, from what is asked or from nought, and the largest error it can be judged with. */
interface Rule {
  readonly figure: FilmFigureId;
  readonly least?: number;
  readonly most?: number;
  /** The bounds are counted from what the exercise asks. */
  readonly fromAsked?: boolean;
  readonly tolerance: number;
}

/**
 * How checkpoints are judged by eye, put into figures: the knee never past the toe line and over the foot, elbows lower than
 * shoulders, soles flat, no lean (common practice); how much more is seen at once is a house value.
 */
const rules: Partial<Record<CheckpointId, readonly Rule[]>> = {
  'knees-track': [
    { figure: 'knee past toes', most: 0, tolerance: 4 },
    { figure: 'knee inward', least: -4, most: 4, fromAsked: true, tolerance: 4 },
  ],
  'feet-flat': [{ figure: 'heel up', most: 1.5, tolerance: 2 }],
  'ankles-soft': [{ figure: 'heel up', most: 1.5, tolerance: 2 }],
  'torso-upright': [
    { figure: 'trunk lean', least: -6, most: 6, fromAsked: true, tolerance: 6 },
    { figure: 'trunk aside', least: -4, most: 4, fromAsked: true, tolerance: 5 },
  ],
  'shoulders-hang': [{ figure: 'shoulder higher', least: -2.5, most: 2.5, fromAsked: true, tolerance: 3 }],
  'armpits-open': [{ figure: 'armpit', least: 5, tolerance: 6 }],
  'elbows-low': [{ figure: 'elbow below shoulder', least: 0, tolerance: 4 }],
  'crown-up': [{ figure: 'head ahead', most: 6, fromAsked: true, tolerance: 7.5 }],
};

/** What checkpoints are judged by figures at all. */
export const judgedByFigures = (id: string): boolean => rules[id as CheckpointId] !== undefined;

interface Seen {
  readonly from: FilmFrom;
  readonly figures: readonly FilmFigure[];
  readonly missing: readonly MarkName[];
  readonly tooFar: boolean;
  readonly unscaled: boolean;
}

/** Verdicts, the worst first. */
export const verdictOrder = ['outside', 'at the limit', 'within', 'cannot be judged'] as const;

/** The checkpoints of an exercise, each judged by what is seen. */
export function judged(checkpoints: readonly Checkpoint[], seen: Seen): PointSeen[] {
  return checkpoints.map((checkpoint) => {
    const own = catalogued(checkpoint.id) === undefined ? undefined : rules[checkpoint.id as CheckpointId];
    const cannot = (why: string, shown: boolean): PointSeen => ({
      checkpoint,
      verdict: 'cannot be judged',
      said: 'cannot be judged from here',
      why,
      shown,
      figure: null,
      beyond: null,
    });
    if (own === undefined) return cannot('Not to be seen in a picture: feel for it, or look.', false);
    const side = isSideView(seen.from) ? 'side' : 'front';
    const here = own.filter(({ figure }) => [side, 'both'].includes(filmFigureKinds[figure].seen));
    if (here.length === 0) {
      return cannot(`Not from here: it is seen from ${side === 'side' ? 'the front' : 'the side'}.`, false);
    }
    if (seen.tooFar) return cannot('The body is turned too far from the camera.', true);
    const verdicts = here.flatMap((rule) =>
      seen.figures.filter(({ id }) => id === rule.figure).map((figure) => byRule(checkpoint, rule, figure)),
    );
    if (verdicts.length === 0) return { ...cannot(lacking(here, seen), true), said: 'not judged yet' };
    return verdicts.toSorted((a, b) => verdictOrder.indexOf(a.verdict) - verdictOrder.indexOf(b.verdict))[0]!;
  });
}

function lacking(here: readonly Rule[], { from, missing, unscaled }: Seen): string {
  const [rule] = here;
  const kind = filmFigureKinds[rule!.figure];
  const needed = (isSideView(from) ? [from] : (['left', 'right'] as const)).flatMap((side) => kind.needs(side, from));
  const open = [...new Set(needed)].filter((name) => missing.includes(name));
  if (open.length > 0) return `Mark the ${open.map((name) => markWords(name, from)).join(', the ')}.`;
  if (kind.unit === 'cm' && unscaled) return 'The size is not known: mark what it is measured by.';
  return 'Not from behind: it is seen from the front.';
}

function byRule(checkpoint: Checkpoint, rule: Rule, figure: FilmFigure): PointSeen {
  const { value, error, asked } = figure;
  const zero = rule.fromAsked === true ? (asked ?? 0) : 0;
  const [least, most] = [(rule.least ?? -Infinity) + zero, (rule.most ?? Infinity) + zero];
  const beyond = Math.max(value - most, least - value);
  const seen = (verdict: PointSeen['verdict'], said: string): PointSeen => ({
    checkpoint,
    verdict,
    said,
    why: `${figureSaid(figure)}.`,
    shown: true,
    figure,
    beyond,
  });
  if (error > rule.tolerance) return seen('cannot be judged', 'too uncertain from here');
  if (beyond <= 0) return seen('within', 'within');
  const by = inUnit(beyond, figure.unit);
  if (beyond <= error) return seen('at the limit', `over by ${by}, less than it may be off`);
  return seen('outside', `outside by ${by}`);
}
