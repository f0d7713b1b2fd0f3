import { cycleMoment, isPlayable } from '../figure';
import { builtInSchools, conventionsOf, spokenExercise, type School } from '../schools';
import { builtInExercises, cycleParts, type Exercise } from '.';

/** Figure and words of every drill in every school: whatever both say is the same (side, share, turn, width, numbers). */
const playable = builtInExercises.filter(isPlayable);

/** A part as it is told on the right, as it is written, and how the figure stands at its end. */
interface Told {
  readonly of: string;
  readonly written: string;
  readonly said: string;
  readonly weight: number;
  readonly turnDeg: number;
  readonly school: School;
}

function partsOf(exercise: Exercise, school: School): Told[] {
  const { phases } = spokenExercise(exercise, school, 'right');
  let at = 0;
  return phases.map(({ name, share }, index): Told => {
    const { name: written } = exercise.phases[index]!;
    const next = exercise.phases[index + 1];
    at += share;
    // Where shift and turn go together, the shift arrives with the turn that follows it.
    const joined = school.shiftTurn === 'together' && written.startsWith('Shift {') && next?.name.startsWith('Turn');
    const { weight, turnDeg } = cycleMoment(exercise, school, at + (joined === true ? next!.share : 0) - 1e-9)!;
    return { of: `${exercise.id}, ${school.name}`, written, said: name, weight, turnDeg, school };
  });
}

const told = playable.flatMap((exercise) => builtInSchools.flatMap((school) => partsOf(exercise, school)));
const right = (word: string): boolean => word === 'right';

test('the weight goes to the leg that is named', () => {
  const named = told.flatMap((part) => {
    const leg = /^Shift (?:(?:back )?.*to the )?(left|right)\b/.exec(part.said)?.[1];
    return leg === undefined || part.said.startsWith('Shift and turn') ? [] : [{ ...part, leg }];
  });
  expect(named.length).toBeGreaterThanOrEqual(30);
  for (const { of, said, leg, weight } of named) expect([of, said, weight > 0.5]).toEqual([of, said, right(leg)]);
});

test('a full shift is as full as the school says', () => {
  const full = told.filter(({ written }) => /^Shift .*\{most\}/.test(written));
  expect(full.length).toBeGreaterThanOrEqual(20);
  for (const { of, said, weight, school } of full) {
    const { fullShare } = conventionsOf(school);
    expect([of, said.includes(fullShare === 1 ? 'all the weight' : 'seven tenths')]).toEqual([of, true]);
    expect([of, Math.max(weight, 1 - weight)]).toEqual([of, expect.closeTo(fullShare, 6)]);
  }
});

test('it turns to the side that is named', () => {
  const turned = told.flatMap((part) => {
    const side =
      /^(?:Turn|Shift and turn)(?: the pelvis| the waist| the whole body)?(?: \d+°| back)?(?: to the)? (left|right)/.exec(
        part.said,
      )?.[1];
    return side === undefined || Math.abs(part.turnDeg) < 1 ? [] : [{ ...part, side }];
  });
  expect(turned.length).toBeGreaterThanOrEqual(40);
  for (const { of, said, side, turnDeg } of turned) expect([of, said, turnDeg > 0]).toEqual([of, said, right(side)]);
});

test('a palm that rises goes up in the figure, one that sinks goes down, and reversed the other way', () => {
  const way = (words: string): number => {
    // Only what is said first is of the working hand.
    const said = /(?:^|; )the (?:right |\{working\} )?palm (lifts|rises|sinks|presses down)/.exec(words)?.[1];
    return said === undefined ? 0 : said === 'lifts' || said === 'rises' ? 1 : -1;
  };
  let seen = 0;
  for (const { id, phases, phasesSwap } of playable) {
    phases.forEach(({ name, reversed, end }, index) => {
      const [from, to] = [phases.at(index - 1)!.end!.hand, end!.hand];
      if (phasesSwap || from === null || to === null) return;
      const up = Math.sign(to.up - from.up);
      if (way(name) !== 0) expect([id, name, up]).toEqual([id, name, way(name)]);
      if (way(reversed) !== 0) expect([id, reversed, -up]).toEqual([id, reversed, way(reversed)]);
      seen += Math.abs(way(name)) + Math.abs(way(reversed));
    });
  }
  expect(seen).toBeGreaterThanOrEqual(6);
});

test.each(builtInExercises.map((exercise) => [exercise.id, exercise] as const))(
  '%s: degrees, shares, widths and counts of the texts are those of the drill',
  (_id, exercise) => {
    const { posture, phases, defaultDose, summary, wayIn } = exercise;
    const texts = [summary, ...wayIn, ...phases.flatMap(({ name, reversed }) => [name, reversed])];
    const angles = [
      posture.toesOutDeg,
      posture.otherToesOutDeg,
      // The rear foot of a bow (common practice).
      posture.ahead > 0 ? 45 : null,
      ...phases.flatMap(({ end }) => [end?.turnDeg, end?.toesOutDeg, end?.otherToesOutDeg]),
    ].map((angle) => Math.abs(angle ?? Number.NaN));
    for (const text of texts)
      for (const [, degrees] of text.matchAll(/(\d+)°/g))
        expect([text, angles]).toEqual([text, expect.arrayContaining([Number(degrees)])]);
    const said = texts.join(' ');
    if (said.includes('{width}') && posture.ahead === 0)
      expect([posture.stanceWidth, posture.toesOutDeg]).toEqual([1, null]);
    if (said.includes('seven tenths')) expect(posture.weightShare).toBe(0.7);
    if (said.includes('one and a half shoulder')) expect(posture.stanceWidth).toBe(1.5);
    if (/(a few inches|a little) wider than the shoulders/.test(said)) {
      expect(posture.stanceWidth).toBeGreaterThan(1.1);
      expect(posture.stanceWidth).toBeLessThan(1.6);
    }
    const about = /[Aa]bout (\d+) for a start/.exec(said)?.[1];
    if (about !== undefined) expect(Math.max(...defaultDose.amounts.map(({ amount }) => amount))).toBe(Number(about));
    if (summary.includes('three slow breaths')) expect(phases.map(({ heldBreaths }) => heldBreaths)).toContain(3);
  },
);

test('reversed, a drill goes through the same places from the last to the first', () => {
  for (const exercise of playable.filter(({ hasDirections }) => hasDirections))
    expect(cycleParts(exercise, 'reversed').map(({ end }) => end)).toEqual(
      exercise.phases.map(({ end }) => end).toReversed(),
    );
});

/** Every stand a drill goes through: the ends of its parts and what is on the way to them; of one that does not move, its posture. */
const standsOf = ({ phases, posture }: Exercise) =>
  phases.length === 0
    ? [{ shape: posture.shape }]
    : phases.flatMap(({ via, end }) => [...via, end!]).map(({ shape }) => ({ shape: shape ?? posture.shape }));

test.each([
  [/^Lay the back of the \{other\} hand on the hip\./, { otherArm: { on: 'hip', laid: 'back' } }],
  [/^Lay the hands on the hip bones\./, { arm: { on: 'hip' }, otherArm: { on: 'hip' } }],
  [/^Lay the hands on the thighs, palms down\./, { arm: { on: 'thigh', laid: 'palm' }, otherArm: { on: 'thigh' } }],
  [/^Lay each hand on the opposite knee/, { arm: { on: 'other knee' }, otherArm: { on: 'other knee' } }],
  [/^Bend the knees and lay the hands on them\./, { arm: { on: 'knee' }, otherArm: { on: 'knee' } }],
  [/^Lay one palm on the other, three finger-widths below/, { arm: { on: 'belly' }, otherArm: { on: 'other hand' } }],
  [/^Lay the \{working\} ankle on the \{other\} knee\./, { footOnKnee: true }],
] as const)('what the way in lays somewhere lies there: %s', (words, shape) => {
  const laid = builtInExercises.filter(({ wayIn }) => wayIn.some((line) => words.test(line)));
  expect(laid.length).toBeGreaterThan(0);
  for (const exercise of laid)
    for (const stand of standsOf(exercise)) expect([exercise.id, stand]).toMatchObject([exercise.id, { shape }]);
});

test('a palm that a part names faces there on its way or at its end', () => {
  let seen = 0;
  for (const { id, phases } of playable)
    for (const { name, via, end } of phases) {
      const [, way] = /palms? (?:turns? )?(up|down)\b/.exec(name) ?? [];
      if (way === undefined) continue;
      const faced = [...via, end!].flatMap(({ palm, otherPalm }) => [palm, otherPalm]);
      seen += 1;
      expect([
        id,
        name,
        faced.includes(way as 'up' | 'down') || name.startsWith('Turn the palms at the chest'),
      ]).toEqual([id, name, true]);
    }
  expect(seen).toBeGreaterThanOrEqual(3);
});

test('bone by bone: the back rounds from the head down and is built up from below, the head last', () => {
  const roll = builtInExercises.find(({ id }) => id === 'roll-down')!;
  const at = (place: number) => cycleMoment(roll, builtInSchools[0]!, place)!.shape;
  const down = Array.from({ length: 20 }, (_, index) => at((0.35 * (index + 0.5)) / 20));
  const [chin, chest, pelvis] = [
    down.findIndex(({ head }) => head.nodDeg > 15),
    down.findIndex(({ trunk }) => trunk.roundDeg > 25),
    down.findIndex(({ trunk }) => trunk.leanDeg! > 15),
  ];
  expect(chin).toBeLessThan(chest);
  expect(chest).toBeLessThan(pelvis);
  const up = Array.from({ length: 20 }, (_, index) => at(0.65 + (0.35 * (index + 0.5)) / 20));
  const last = (straight: (shape: (typeof up)[number]) => boolean): number =>
    up.findLastIndex((shape) => !straight(shape));
  expect(last(({ trunk }) => trunk.leanDeg! < 15)).toBeLessThan(last(({ trunk }) => trunk.roundDeg < 25));
  expect(last(({ trunk }) => trunk.roundDeg < 25)).toBeLessThan(last(({ head }) => head.nodDeg < 15));
});
