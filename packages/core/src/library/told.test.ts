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
    const said = /(?:^|; )the (?:right )?palm (lifts|rises|sinks|presses down)/.exec(words)?.[1];
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
    if (said.includes('{width}') && posture.ahead === 0) expect(posture.stanceWidth).toBe(1);
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
