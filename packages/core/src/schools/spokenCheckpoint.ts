import type { Checkpoint } from '../alignment/checkpoint';
import type { School } from './school';

type Words = Partial<Pick<Checkpoint, 'wanted' | 'test' | 'faults' | 'cue'>>;

const pressureCue: Record<School['pressure'], string> = {
  'whole sole': 'Let the floor come up to meet the whole sole.',
  centre: 'Let the weight gather in the middle of the foot.',
  ball: 'Let the weight roll to the ball of the foot; the heel stays down.',
  heel: 'Let the weight sink through the heel; the toes stay alive.',
};

const pelvis: Record<School['pelvis'], Words> = {
  hanging: {},
  tucked: {
    wanted: 'Tailbone drawn a little under, without clenching.',
    faults: 'Buttocks out, or pinched hard under.',
    cue: 'Point the tailbone at the heels.',
  },
  forward: {
    wanted: 'Sent a little forward over the balls of the feet, the low back long.',
    test: 'From the side: the front of the hips is open and nothing hangs behind.',
    faults: 'Seat left behind; low back hollowed to get there.',
    cue: 'Let the belt buckle go first.',
  },
};

const knees: Record<School['shins'], Words> = {
  'toe line': {},
  plumb: {
    wanted: 'Shins as near to plumb as balance lets them, kneecaps towards the toes, never beyond the toe line.',
    test: 'From the side the shins lean less than 20°, and lean less when you sit back.',
    cue: 'Sit back as onto a stool; let the shins rise like two posts.',
  },
  arched: {
    wanted: 'A little outside the toes, an arch from foot to foot, never beyond the toe line.',
    test: 'From the front the legs stand round, as if around a barrel; no knee inside its foot.',
    cue: 'Round the legs like the arch of a bridge.',
  },
};

/** What leads a turn, as it is asked for. */
const leading: Record<School['turns'], Words> = {
  pelvis: {},
  waist: {
    wanted: 'Leads the turn above hips that stay.',
    test: 'A hand on each hip bone: the waist turns, the hips do not.',
    faults: 'Hips swing along; shoulders start the turn.',
    cue: 'Turn like a lid on a jar.',
  },
  whole: {
    wanted: 'Nothing twists: hips, waist and shoulders turn as one.',
    test: 'Belt buckle and breastbone face the same way all the time.',
    faults: 'Shoulders run ahead; the waist wrings.',
    cue: 'Turn like a door on its post.',
  },
};

const jaw: Record<School['breathWay'], Words> = {
  nose: {},
  'mouth out': {
    wanted: 'Lips soft, the breath out passes them; jaw quiet.',
    cue: 'Breathe out as if to cool a spoon.',
  },
  'not named': { wanted: 'Jaw quiet, tongue wherever it lies.' },
};

const eyes: Record<School['eyes'], Words> = {
  level: {},
  following: {
    wanted: 'Go with the leading hand, level and soft.',
    test: 'The nose points where the hand is going.',
    cue: 'Watch the hand as if it belonged to somebody else.',
  },
  ahead: {
    wanted: 'Stay ahead while the body turns below them.',
    test: 'One mark on the far wall stays in view.',
    faults: 'Going along with the turn; looking down.',
    cue: 'Leave the eyes on the far wall and turn underneath.',
  },
  up: {
    wanted: 'Level and soft; up with the hands in overhead work.',
    test: 'Overhead you see the backs of both hands.',
    cue: 'Let the hands lift the eyes.',
  },
  closed: {
    wanted: 'Closed once the exercise is known; open for anything on one leg.',
    test: 'You would sway no more than with them open.',
    faults: 'Squeezed shut, or looking down behind the lids.',
    cue: 'Let the lids fall by their own weight.',
  },
};

/** What the school changes in the words of one checkpoint of the catalogue. */
function wordsOf({ id }: Checkpoint, school: School): Words {
  switch (id) {
    case 'feet-flat':
      return { cue: pressureCue[school.pressure], wanted: `Both soles lie flat, weight on the ${school.pressure}.` };
    case 'pelvis-hangs':
      return pelvis[school.pelvis];
    case 'eyes-level':
      return eyes[school.eyes];
    case 'breath-free':
      return school.belly === 'reversed'
        ? { test: 'The belly draws in with the breath in and widens with the breath out, without force.' }
        : {};
    case 'knees-track':
      return knees[school.shins];
    case 'knees-still':
      return school.turns === 'pelvis' ? {} : { wanted: 'Quite still while the body turns above them.' };
    case 'elbows-low':
      return school.arms === 'bent'
        ? {}
        : {
            wanted: 'Lower than the shoulders; straight at most at the end of a reach, never locked.',
            test: 'At the end of a reach the elbow could still bend at once.',
          };
    case 'torso-upright':
      return school.muscles === 'opened' ? { cue: 'Draw crown and seat gently apart.' } : {};
    case 'jaw-quiet':
      return jaw[school.breathWay];
    case 'waist-leads':
      return school.turns !== 'pelvis'
        ? leading[school.turns]
        : school.movedBy === 'feet'
          ? {
              wanted: 'Carries the push of the foot into the turn.',
              test: 'Ease the push of the foot: the turn stops with it.',
              cue: 'The foot presses, the belly turns, the hands are taken along.',
            }
          : {};
    case 'hands-layered':
      return school.attention === 'outside' ? { cue: 'Feel the space between the hands, not the hands.' } : {};
    default:
      return {};
  }
}

/**
 * The checkpoint in the words of a school. Points that the teacher wrote or changed are left as they
 * are: only the catalogue's own words are exchanged.
 */
export function spokenCheckpoint(point: Checkpoint, catalogued: Checkpoint | undefined, school: School): Checkpoint {
  if (catalogued === undefined) return point;
  const words = wordsOf(point, school);
  const kept = Object.entries(words).filter(([key]) => point[key as keyof Words] === catalogued[key as keyof Words]);
  return { ...point, ...Object.fromEntries(kept) };
}
