import flesch from 'flesch';
import syllable from 'syllable';
import { allCheckpoints } from '../alignment';
import {
  builtInSchools,
  pacesBreath,
  pointsIn,
  toldPart,
  spokenExercise,
  softSchool,
  spokenLine,
  spokenWords,
  strictSchool,
} from '../schools';
import { shelf } from '../testing/samples';
import { builtInExercises, cycleParts, signKinds, type Exercise } from '.';

const general = new Map(allCheckpoints().map((point) => [point.id, point]));
const ownPoints = ({ checkpoints }: Exercise) => checkpoints.filter(({ id }) => !general.has(id));

/** Everything that is read or said of an exercise. */
const texts = (exercise: Exercise): string[] => [
  exercise.summary,
  ...exercise.wayIn,
  ...exercise.phases.flatMap(({ name, reversed }) => [name, reversed]),
  ...exercise.stages.flatMap(({ name, words }) => [name, words]),
  ...signKinds.flatMap((kind) => exercise.signs[kind]),
  ...exercise.attention,
  exercise.halfWay,
  exercise.quick,
  exercise.long,
  exercise.daily,
  ...exercise.easier,
  ...exercise.harder,
  ...exercise.cautions,
  ...exercise.checkpoints.flatMap(({ wanted, test, faults, cue }) => [wanted, test, faults, cue]),
];

const spokenIn = (exercise: Exercise, school = softSchool, side: 'left' | 'right' | 'both' = 'right') =>
  spokenExercise(exercise, school, side);

describe.each(builtInExercises.map((exercise) => [exercise.id, exercise] as const))(
  '%s can be taught',
  (_, exercise) => {
    test('it has a way in, stages, signs of every kind, cautions, a quick and a long way', () => {
      expect(exercise.wayIn.length).toBeGreaterThanOrEqual(3);
      expect(exercise.stages.length).toBeGreaterThanOrEqual(2);
      for (const kind of signKinds) expect(exercise.signs[kind].length).toBeGreaterThanOrEqual(1);
      expect(exercise.cautions.length).toBeGreaterThanOrEqual(1);
      expect([exercise.quick, exercise.long].every((words) => words.length > 2)).toBe(true);
    });

    test('three to seven checkpoints are its own, each whole', () => {
      const own = ownPoints(exercise);
      expect(own.length).toBeGreaterThanOrEqual(3);
      expect(own.length).toBeLessThanOrEqual(7);
      for (const point of own)
        for (const words of [point.wanted, point.test, point.faults, point.cue]) expect(words).not.toBe('');
      expect(new Set(exercise.checkpoints.map(({ id }) => id)).size).toBe(exercise.checkpoints.length);
    });

    test('a repetition is told part by part, and in words of its own the other way round', () => {
      if (exercise.defaultDose.kind !== 'cycle') return;
      expect(exercise.phases.length).toBeGreaterThanOrEqual(2);
      if (!exercise.hasDirections) return;
      const there = cycleParts(exercise, 'forward').map(({ name }) => name);
      const back = cycleParts(exercise, 'reversed').map(({ name }) => name);
      expect(back).toHaveLength(there.length);
      for (const { reversed } of exercise.phases) expect(reversed).not.toBe('');
    });

    test('where the breath is told, there is as much time in as out', () => {
      const seconds = (breath: 'in' | 'out') =>
        exercise.phases.filter((part) => part.breath === breath).reduce((sum, { share }) => sum + share, 0);
      const told = seconds('in') + seconds('out');
      if (told > 0.95) expect(Math.abs(seconds('in') - seconds('out'))).toBeLessThanOrEqual(0.2 + 1e-9);
    });

    test('in every school and on each side no word is left open, and no sentence is long', () => {
      for (const school of builtInSchools)
        for (const side of ['left', 'right'] as const)
          for (const text of texts(spokenIn(exercise, school, side))) {
            expect(text).not.toMatch(/[{}]/);
            // Plain English: no sentence over 25 words.
            for (const sentence of text.split(/[.!?:;]\s/))
              expect(sentence.split(/\s+/).length).toBeLessThanOrEqual(25);
          }
    });

    test('no text contradicts the posture: seated drills test no lifted foot, heel lifts ask for no flat sole', () => {
      const ids = exercise.checkpoints.map(({ id }) => id);
      if (exercise.posture.seated) expect(ids).not.toContain('feet-flat');
      if (exercise.phases.some(({ end }) => end?.heel === 'both')) expect(ids).not.toContain('feet-flat');
      if (exercise.id === 'shoulder-wheel') expect(ids).not.toContain('shoulders-hang');
    });
  },
);

test('the shelf reads as plain English (Flesch reading ease over 70, “fairly easy”; Flesch 1948, by a library)', () => {
  const all = builtInExercises.flatMap((exercise) => texts(spokenIn(exercise))).filter((text) => /\s/.test(text));
  const sentences = all.flatMap((text) => text.split(/[.!?:;]/)).filter((part) => part.trim() !== '');
  const words = sentences.flatMap((sentence) => sentence.trim().split(/\s+/));
  const counts = {
    sentence: sentences.length,
    word: words.length,
    syllable: words.reduce((sum, word) => sum + syllable(word), 0),
  };
  expect(flesch(counts)).toBeGreaterThan(70);
});

test('prerequisites are on the shelf and never go in a circle', () => {
  const depth = (id: string, seen: readonly string[] = []): number => {
    expect(seen).not.toContain(id);
    const before = shelf.get(id)!.prerequisites;
    return before.length === 0 ? 0 : 1 + Math.max(...before.map((other) => depth(other, [...seen, id])));
  };
  for (const exercise of builtInExercises) expect(depth(exercise.id)).toBeLessThan(8);
});

describe('words in braces', () => {
  test('all that are offered are known in every school', () => {
    for (const school of builtInSchools)
      for (const word of spokenWords) expect(spokenLine(`{${word}}`, school, 'left')).not.toMatch(/[{}]/);
  });

  test('follow the side and the school, and begin a sentence as one', () => {
    expect(spokenLine('Shift {most} to the {working} leg.', softSchool, 'left')).toBe(
      'Shift seven tenths of the weight to the left leg.',
    );
    expect(spokenLine('{Belly in} as it comes. {eyes}.', strictSchool, 'both')).toMatch(
      /^The belly .* as it comes\. [A-Z]/,
    );
    expect(spokenLine('{Other} hand, {unknown}', softSchool, 'right')).toBe('Left hand, {unknown}');
  });

  test('one-hand reeling is told on the left as the mirror of the right, and the shift is the school’s', () => {
    const reel = shelf.get('one-hand-reeling')!;
    const [left, right] = (['left', 'right'] as const).map((side) => spokenIn(reel, softSchool, side).phases[0]!.name);
    expect(right).toContain('to the left leg');
    expect(left).toBe(right!.replace('left', 'right'));
    const whole = builtInSchools.find(({ fullShift }) => fullShift === 'all')!;
    expect(spokenIn(reel, whole).phases[0]!.name).toContain('all the weight');
  });

  test('a part that stays says for how many breaths', () => {
    const hang = shelf.get('roll-down')!.phases[1]!;
    expect(toldPart(hang, softSchool)).toBe('Hang, for 1 breath');
    expect(toldPart({ ...hang, heldBreaths: 3 }, softSchool)).toBe('Hang, for 3 breaths');
    expect(toldPart({ ...hang, heldBreaths: 0 }, softSchool)).toBe('Hang');
  });

  test('reversed, the parts come from the last to the first, breathed the other way', () => {
    const reel = shelf.get('one-hand-reeling')!;
    const back = cycleParts(reel, 'reversed');
    expect(back.map(({ share }) => share)).toEqual(reel.phases.map(({ share }) => share).toReversed());
    expect(back[0]!.breath).toBe('out');
    expect(back[1]!.name).toContain('sinks on the centre line');
    expect(cycleParts(reel, 'forward')).toBe(reel.phases);
  });
});

describe('two hands of silk-reeling follow from one', () => {
  const one = shelf.get('one-hand-reeling')!.phases.map(({ end }) => end!);
  const two = shelf.get('two-hand-reeling')!.phases.map(({ end }) => end!);

  test('the right hand does what it does alone, with the same weight and turn', () => {
    expect(two.map(({ weight, turnDeg, hand }) => ({ weight, turnDeg, hand }))).toEqual(
      one.map(({ weight, turnDeg, hand }) => ({ weight, turnDeg, hand })),
    );
  });

  test('the left does the same half a circle later, as the mirror', () => {
    two.forEach(({ otherHand, turnDeg, weight }, index) => {
      const alone = one[(index + 2) % 4]!;
      expect(otherHand).toEqual(alone.hand);
      expect(turnDeg).toBe(-alone.turnDeg);
      expect(weight).toBe(alone.weight === 'full' ? 'empty' : 'full');
    });
  });

  test('the drill that prepares it stands on the same feet', () => {
    const feet = ({ posture }: Exercise) => [posture.toesOutDeg, posture.otherToesOutDeg, posture.stanceWidth];
    expect(feet(shelf.get('shift-and-turn')!)).toEqual(feet(shelf.get('one-hand-reeling')!));
  });
});

test('a breath is told and paced as the school has it: linked, somewhere in the move, or left alone', () => {
  const rise = { ...shelf.get('opening-arms')!.phases[0]!, name: 'Rise' };
  const [natural, loose, linked] = (['natural', 'loose', 'linked'] as const).map((breathLink) => ({
    ...softSchool,
    breathLink,
  }));
  expect([natural!, loose!, linked!].map((school) => toldPart(rise, school))).toEqual([
    'Rise',
    'Rise, breath in when it comes',
    'Rise, breath in',
  ]);
  expect([natural!, loose!, linked!].map(pacesBreath)).toEqual([false, false, true]);
});

test('a loose school leaves fingers and eyes alone, never what can hurt nor what is the drill’s own', () => {
  const { checkpoints } = shelf.get('one-hand-reeling')!;
  const loose = pointsIn(checkpoints, { precision: 'loose' }, new Set());
  expect(pointsIn(checkpoints, { precision: 'strict' }, new Set())).toEqual(checkpoints);
  expect(loose.map(({ id }) => id)).not.toContain('hands-layered');
  expect(loose.filter(({ safety }) => safety)).toEqual(checkpoints.filter(({ safety }) => safety));
  expect(loose).toEqual(expect.arrayContaining(ownPoints(shelf.get('one-hand-reeling')!)));
});

test('what is enough for today is a good sign: no fault, no pain, nothing that gives way', () => {
  const fault =
    /\b(leans?|shakes?|trembl|fall|lifts?\b|lets? go|burn|ache|tires?|tired|wander|ahead|grips?|stand up|chase|hurt|lost|slips?|swings?|wrong|catch|dizzy|held|short)/i;
  for (const { id, signs } of builtInExercises)
    expect([id, signs.enough.filter((sign) => fault.test(sign) && !/could stand|has let go/.test(sign))]).toEqual([
      id,
      [],
    ]);
});

test('in a stand the eyes have no hand to go with, in no school', () => {
  for (const school of builtInSchools) {
    for (const exercise of builtInExercises.filter(({ phases }) => phases.length === 0)) {
      const said = spokenExercise(exercise, school, 'right');
      const words = [...said.wayIn, said.summary, ...said.checkpoints.flatMap(({ wanted, cue }) => [wanted, cue])];
      const wrong = words.filter((line) => /eyes.*(with the hand|body turns|hands do)|Watch the hand/.test(line));
      expect([school.name, exercise.id, wrong]).toEqual([school.name, exercise.id, []]);
    }
  }
});
