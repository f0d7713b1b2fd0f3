import type { Checkpoint } from '../alignment/checkpoint';
import type { School } from './school';

type Words = Partial<Pick<Checkpoint, 'wanted' | 'test' | 'faults' | 'cue'>>;

const pressureCue: Record<School['pressure'], string> = {
  'whole sole': 'Let the floor come up to meet the whole sole.',
  centre: 'Let the weight gather in the middle of the foot.',
  ball: 'Let the weight roll to the ball of the foot; the heel stays down.',
  heel: 'Let the weight sink through the heel; the toes stay alive.',
};

const eyes: Record<School['eyes'], Words> = {
  level: {},
  following: {
    wanted: 'Go with the leading hand, level and soft.',
    test: 'The nose points where the hand is going.',
    cue: 'Watch the hand as if it belonged to somebody else.',
  },
  closed: {
    wanted: 'Closed once the drill is known; open for anything on one leg.',
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
      return school.pelvis === 'tucked'
        ? {
            wanted: 'Tailbone drawn a little under, without clenching.',
            faults: 'Buttocks out, or pinched hard under.',
            cue: 'Point the tailbone at the heels.',
          }
        : {};
    case 'eyes-level':
      return eyes[school.eyes];
    case 'breath-free':
      return school.belly === 'reversed'
        ? { test: 'The belly draws in with the breath in and widens with the breath out, without force.' }
        : {};
    case 'waist-leads':
      return school.movedBy === 'feet'
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
