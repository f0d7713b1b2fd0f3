import type { Checkpoint } from './checkpoint';

type Row = Omit<Checkpoint, 'id'>;

/** The alignment points the built-in exercises draw on. Common practice, in our own words. */
const catalogue = {
  'feet-flat': {
    region: 'feet',
    wanted: 'Both soles lie flat, pressure where the school wants it.',
    test: 'Press evenly; an empty foot lifts without a push.',
    faults: 'Drifting out or in, an edge tipped, weight stuck in the heels.',
    cue: 'Let the floor come up to meet the whole sole.',
    safety: false,
  },
  'ankles-soft': {
    region: 'ankles',
    wanted: 'Soft, straight below the shin.',
    test: 'The sole stays down while you bend.',
    faults: 'The heel lifts, the ankle rolls.',
    cue: 'Fold at the ankle as if nodding with the shin.',
    safety: false,
  },
  'knees-track': {
    region: 'knees',
    wanted: 'Over the foot, kneecap towards the toes, never beyond the toe line.',
    test: 'From the side against the toe line; from the front against the second toe.',
    faults: 'Falling in, creeping forward, twisting.',
    cue: 'Point the kneecaps where the toes point; sit back rather than forward.',
    safety: true,
  },
  'knees-still': {
    region: 'knees',
    wanted: 'Quite still while the pelvis turns.',
    test: 'Hands on the kneecaps: nothing moves in the turn.',
    faults: 'Rocking or screwing with the turn.',
    cue: 'Turn above the legs, as on a pivot; the knees only carry.',
    safety: true,
  },
  'hip-crease-folds': {
    region: 'hip crease',
    wanted: 'Folds and turns freely.',
    test: 'The pelvis turns and the knee does not go with it.',
    faults: 'Blocked; standing up on the back leg.',
    cue: 'Let the crease swallow a sheet of paper.',
    safety: false,
  },
  'waist-leads': {
    region: 'waist',
    wanted: 'Leads the turn from the base of the spine.',
    test: 'Stop the body: the hands drift to a stop with it.',
    faults: 'Shoulders start the turn.',
    cue: 'The belly looks first, the hands are taken along.',
    safety: false,
  },
  'pelvis-hangs': {
    region: 'pelvis',
    wanted: 'Heavy, hanging from the spine.',
    test: 'From the side: sit straight down as on a stool.',
    faults: 'Buttocks out, tilted forward or pinched under.',
    cue: 'Hang a weight from the tailbone.',
    safety: false,
  },
  'low-back-long': {
    region: 'low back',
    wanted: 'Long and filled, without hard muscles.',
    test: 'A flat hand on it feels neither hollow nor ridge.',
    faults: 'Arched, clenched.',
    cue: 'Breathe into the belt at the back.',
    safety: true,
  },
  'ribs-soft': {
    region: 'ribs',
    wanted: 'Lowest ribs sunk, the front line soft.',
    test: 'A hand sliding down from the breastbone feels it give.',
    faults: 'Flared, standing at attention.',
    cue: 'Sigh, and leave the ribs where the sigh put them.',
    safety: false,
  },
  'torso-upright': {
    region: 'torso',
    wanted: 'Upright over the feet.',
    test: 'No lean in a mirror or on a recording watched later.',
    faults: 'Leaning, twisting, swaying.',
    cue: 'Stay upright, a plumb line from crown to seat.',
    safety: false,
  },
  'chest-soft': {
    region: 'chest and upper back',
    wanted: 'Soft in front, wide behind.',
    test: 'The back widens as the arms come round.',
    faults: 'Chest stuck out.',
    cue: 'Wear the back like a loose coat.',
    safety: false,
  },
  'shoulders-hang': {
    region: 'shoulders',
    wanted: 'Hang, resting on the ribs, also when the arms rise.',
    test: 'The weight of the arm opens the joint.',
    faults: 'Shrugged towards the ears.',
    cue: 'Let the arms float and the shoulders stay at home.',
    safety: false,
  },
  'armpits-open': {
    region: 'armpits',
    wanted: 'A little open.',
    test: 'There is room for a small ball.',
    faults: 'Arms glued to the ribs.',
    cue: 'Keep an egg there, unbroken.',
    safety: false,
  },
  'elbows-low': {
    region: 'elbows',
    wanted: 'Lower than the shoulders, their bend steady.',
    test: 'The angle does not change along the path.',
    faults: 'Lifted, locked, cornered.',
    cue: 'A small weight hangs from each elbow.',
    safety: false,
  },
  'wrists-alive': {
    region: 'wrists',
    wanted: 'Soft and alive.',
    test: 'Their shape changes along the path.',
    faults: 'A dead or a broken line.',
    cue: 'Draw with the wrist, let the fingers follow like a brush.',
    safety: false,
  },
  'hands-layered': {
    region: 'hands',
    wanted: 'A slight cup, fingers neither touching nor a finger apart.',
    test: 'No finger would fit between two others.',
    faults: 'Splayed, gripped, crumpled.',
    cue: 'Hold water that must not run out.',
    safety: false,
  },
  'crown-up': {
    region: 'neck and head',
    wanted: 'Crown up, chin slightly in.',
    test: 'The skin at the back of the neck lengthens.',
    faults: 'Chin up, head ahead of the body.',
    cue: 'Grow taller at the back of the head.',
    safety: false,
  },
  'eyes-level': {
    region: 'eyes',
    wanted: 'Level and soft.',
    test: 'Your own body is out of view.',
    faults: 'Looking down.',
    cue: 'See the whole far wall at once.',
    safety: false,
  },
  'jaw-quiet': {
    region: 'tongue and face',
    wanted: 'Tongue at the palate, jaw quiet.',
    test: 'The teeth do not meet.',
    faults: 'A set jaw.',
    cue: 'Let a smile begin; the jaw is quiet.',
    safety: false,
  },
  'breath-free': {
    region: 'breath',
    wanted: 'Never forced, and held only where the exercise says so.',
    test: 'The belly moves freely.',
    faults: 'Held, shallow, pushed.',
    cue: 'Let the breath breathe; if it catches, come up.',
    safety: true,
  },
} satisfies Record<string, Row>;

export type CheckpointId = keyof typeof catalogue;

/** Takes checkpoints out of the catalogue, in the order asked for. */
export function checkpoints(...ids: CheckpointId[]): Checkpoint[] {
  return ids.map((id) => ({ id, ...catalogue[id] }));
}

/** Every checkpoint of the catalogue, in foundation order. */
export function allCheckpoints(): Checkpoint[] {
  return checkpoints(...(Object.keys(catalogue) as CheckpointId[]));
}

const byId = new Map(allCheckpoints().map((point) => [point.id, point]));

/** The checkpoint of the catalogue with an id; undefined for one of an exercise's own. */
export const catalogued = (id: string): Checkpoint | undefined => byId.get(id);

/** Checkpoints as they are told: an exercise's own before the general ones, what is for safety first. */
export const inTellingOrder = (points: readonly Checkpoint[]): Checkpoint[] => {
  const own = ({ id }: Checkpoint): number => (catalogued(id) === undefined ? 0 : 1);
  return points.toSorted((a, b) => own(a) - own(b) || Number(b.safety) - Number(a.safety));
};
