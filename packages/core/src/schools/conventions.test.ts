import { allCheckpoints } from '../alignment';
import { builtInExercises, type Exercise } from '../library';
import { breathe, cycle, eachSide, hold, pattern, posture, together } from '../library/describe';
import { newSegment, turnedPosture } from '../routine';
import { routine } from '../testing/samples';
import {
  breathSchool,
  builtInSchools,
  conventionsOf,
  SchoolSchema,
  schoolDose,
  schoolQuestions,
  settlePosture,
  softSchool,
  spokenCheckpoint,
  spokenExercise,
  strictSchool,
  type School,
} from '.';
import { contradictionKey, exerciseContradictions, routineContradictions } from '../findings';

const exercise = (id: string): Exercise => builtInExercises.find((entry) => entry.id === id)!;

test('every question has a sentence for each side, and a side for each value a school may have', () => {
  expect(schoolQuestions).toHaveLength(29);
  for (const { key, sides } of schoolQuestions) {
    for (const { value, sentence } of sides) {
      expect(SchoolSchema.safeParse({ ...softSchool, [key]: value }).success).toBe(true);
      expect(sentence).toMatch(/\.$/);
    }
    expect(SchoolSchema.safeParse({ ...softSchool, [key]: 'neither' }).success).toBe(false);
  }
});

test('five schools that differ in earnest: pairwise in at least five questions', () => {
  expect(builtInSchools).toHaveLength(5);
  for (const a of builtInSchools) {
    for (const b of builtInSchools) {
      if (a === b) continue;
      expect(schoolQuestions.filter(({ key }) => a[key] !== b[key]).length).toBeGreaterThanOrEqual(5);
    }
  }
});

test('corners are called by their side, or by the compass where ahead is north', () => {
  const by = (corners: School['corners'], side: 'left' | 'right') =>
    spokenExercise(exercise('one-hand-reeling'), { ...softSchool, corners }, side);
  expect(by('by side', 'left').wayIn.some((line) => line.includes('to the left corner'))).toBe(true);
  const compass = by('by compass', 'left');
  expect(compass.wayIn[0]).toBe('Call the wall ahead north: corners are named from there.');
  expect(compass.wayIn.some((line) => line.includes('to the north-west corner'))).toBe(true);
  expect(compass.phases.map(({ name }) => name).join(' ')).toContain('to the north-west corner');
  expect(
    by('by compass', 'right')
      .phases.map(({ name }) => name)
      .join(' '),
  ).toContain('to the north-east corner');
  // Where no corner is named, north is not either.
  const tree = exercise('tree-holding');
  expect(spokenExercise(tree, { ...softSchool, corners: 'by compass' }, 'both').wayIn).toEqual(
    spokenExercise(tree, softSchool, 'both').wayIn,
  );
});

test('choices come to numbers, and fill only what a posture leaves open', () => {
  expect(conventionsOf(strictSchool)).toMatchObject({ pressurePoint: 0.6, fullShare: 1, holdBudget: 0.85 });
  expect(conventionsOf(softSchool)).toMatchObject({ pressurePoint: 0.5, fullShare: 0.7, holdBudget: 0.6 });
  expect(settlePosture(posture(), breathSchool)).toMatchObject({ toesOutDeg: 15, otherToesOutDeg: 15 });
  const own = posture({ pressurePoint: 0.3, toesOutDeg: 5 });
  for (const school of builtInSchools) {
    expect(settlePosture(own, school)).toMatchObject({ pressurePoint: 0.3, toesOutDeg: 5 });
  }
});

test('first doses follow the school', () => {
  const stand = hold(60, together(1));
  expect(schoolDose(stand, softSchool)).toEqual(stand);
  const breaths = schoolDose(stand, breathSchool);
  // 60 s at 9 s a breath are about seven; the school counts in threes.
  expect(breaths).toMatchObject({ kind: 'breath', amounts: [{ side: 'both', amount: 6 }] });
  expect(schoolDose(cycle(11, eachSide(16)), { ...softSchool, counted: 'feel' }).least).toBe(0);
  const minutes: School = { ...softSchool, counted: 'minutes' };
  expect(schoolDose(cycle(11, eachSide(16)), minutes)).toMatchObject({
    kind: 'cycle',
    cycleSeconds: 11,
    roundSeconds: 180,
    amounts: [
      { side: 'left', amount: 1 },
      { side: 'right', amount: 1 },
    ],
  });
  expect(schoolDose(cycle(3, together(27)), strictSchool)).toMatchObject({ amounts: [{ amount: 24 }] });
  expect(schoolDose(cycle(8, eachSide(3)), strictSchool)).toMatchObject({ amounts: [{ amount: 3 }, { amount: 3 }] });
  expect(schoolDose(breathe(8, pattern(4, 2, 6, 2)), softSchool)).toMatchObject({
    pattern: { fullPauseSeconds: 0, emptyPauseSeconds: 0 },
  });
  expect(newSegment('a', exercise('tree-holding'), breathSchool).dose.kind).toBe('breath');
});

test('cues are spoken as the school speaks; what the teacher changed stays', () => {
  const eyes = allCheckpoints().find((point) => point.id === 'eyes-level')!;
  expect(spokenCheckpoint(eyes, eyes, softSchool)).toEqual(eyes);
  expect(spokenCheckpoint(eyes, eyes, breathSchool).wanted).toMatch(/^Closed/);
  const own = { ...eyes, cue: 'See the lake.' };
  expect(spokenCheckpoint(own, eyes, breathSchool)).toMatchObject({
    cue: 'See the lake.',
    wanted: expect.stringMatching(/^Closed/) as string,
  });
  expect(spokenCheckpoint(own, undefined, breathSchool)).toBe(own);
  const changed = allCheckpoints().filter((point) => {
    const spoken = spokenCheckpoint(point, point, strictSchool);
    return spoken.cue !== point.cue || spoken.wanted !== point.wanted;
  });
  expect(changed.map((point) => point.id)).toEqual(
    expect.arrayContaining(['feet-flat', 'pelvis-hangs', 'waist-leads', 'eyes-level', 'hands-layered']),
  );
});

test('what goes against the school is said, and can be kept on purpose', () => {
  const breathing = exercise('four-part-breath');
  const found = exerciseContradictions(breathing, softSchool);
  expect(found).toMatchObject([{ question: 'pauses', text: 'pauses 2 s in the breath, the school not at all' }]);
  const kept = { ...softSchool, keptOnPurpose: [contradictionKey(breathing.id, 'pauses')] };
  expect(exerciseContradictions(breathing, kept)).toEqual([]);
  expect(exerciseContradictions(exercise('squat-and-bounce'), softSchool).map((entry) => entry.question)).toContain(
    'height',
  );
  expect(exerciseContradictions(exercise('arm-swings'), breathSchool).map((entry) => entry.question)).toEqual([
    'breathLink',
  ]);
  const heel = { ...exercise('tree-holding'), posture: posture({ pressurePoint: 0.2, toesOutDeg: 40 }) };
  expect(exerciseContradictions(heel, softSchool).map((entry) => entry.question)).toEqual(['pressure', 'toes']);
});

test('a routine against its school: order of sides, counts, pauses, by segment', () => {
  const segment = newSegment('a', exercise('one-hand-reeling'), softSchool);
  const value = routine([segment, newSegment('b', exercise('belly-breathing'), softSchool)]);
  expect(routineContradictions(value, softSchool, new Map())).toEqual([]);
  const odd = {
    ...segment,
    dose: { ...segment.dose, amounts: segment.dose.amounts.map((row) => ({ ...row, amount: 11 })) },
  };
  const found = routineContradictions(routine([odd]), strictSchool, new Map());
  expect(found.map((entry) => [entry.segmentId, entry.question])).toEqual([
    ['a', 'sideOrder'],
    ['a', 'countsOf'],
  ]);
});

test('a plain stance is as wide as the school’s; a width that was set is meant, also where it is one shoulder breadth', () => {
  const wide = builtInSchools.find((school) => conventionsOf(school).stanceWidth !== 1)!;
  const width = (turned: Parameters<typeof turnedPosture>[1]): number =>
    settlePosture(turnedPosture(exercise('tree-holding').posture, turned), wide).stanceWidth;
  expect(width({})).toBe(conventionsOf(wide).stanceWidth);
  expect(width({ kneeBendDeg: 20 })).toBe(conventionsOf(wide).stanceWidth);
  expect(width({ stanceWidth: 1 })).toBe(1);
  expect(width({ stanceWidth: 0.5 })).toBe(0.5);
});
