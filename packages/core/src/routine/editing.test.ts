import { builtInExercises } from '../library/builtInExercises';
import { breathe, cycle, eachSide, eachSideBothWays, hold, pattern, together } from '../library/describe';
import { softSchool, waveSchool } from '../schools/builtInSchools';
import { routine, segment, shelf } from '../testing/samples';
import { addTo } from './addTo';
import {
  duplicateSegment,
  evenSegment,
  inSchool,
  keepOnPurpose,
  moveSegment,
  newRoutine,
  newSegment,
  replaceSegment,
  setDose,
  turnSegment,
} from './commands';
import { dissolveRound, groupAsRound, repeatRound, shiftSegments, splitSegment } from './groupCommands';
import { ROOM_MARGIN, roomPath, stepsOfSegment } from './roomPath';
import { runsOutAt, stepsThatFit, walkPath } from './room';
import { rounds } from './rounds';
import { SegmentSchema, type Segment } from './routine';
import { routineUnevenness } from './routineUnevenness';
import { timeline } from './timeline';
import { segmentPosture, stageOf, turnedPosture, unturned } from './turned';
import { segmentWords, turnedWords } from './turnedWords';
import { unevenness } from './unevenness';

const stand = segment('stand', hold(60, together(1)));
const reel = segment('reel', cycle(6, eachSide(8)), { exerciseId: 'one-hand-reeling' });
const pause: Segment = { type: 'rest', id: 'rest', seconds: 30, label: '', roundId: null };
const three = routine([stand, pause, reel]);
const ids = ({ segments }: typeof three) => segments.map(({ id }) => id);

describe('what one command changes, and nothing else', () => {
  test('a segment is exchanged for another of its id; a dose is set, a posture turned, of exercises only', () => {
    const shorter = { ...stand, dose: hold(20, together(1)) };
    expect(replaceSegment(three, shorter).segments).toEqual([shorter, pause, reel]);
    expect(setDose(three, 'stand', shorter.dose).segments).toEqual([shorter, pause, reel]);
    expect(setDose(three, 'rest', shorter.dose)).toEqual(three);
    const low = { ...stand, turned: { ...unturned, kneeBendDeg: 45 } };
    expect(turnSegment(three, 'stand', { kneeBendDeg: 45 }).segments).toEqual([low, pause, reel]);
    const both = turnSegment(routine([low]), 'stand', { ahead: 1 });
    expect(both.segments[0]).toEqual({ ...low, turned: { ...unturned, kneeBendDeg: 45, ahead: 1 } });
    expect(turnSegment(routine([low]), 'stand', { kneeBendDeg: null }).segments[0]).toEqual(stand);
    const uneven = { ...reel, dose: addTo(reel.dose, 'side', 'left', 2) };
    expect(evenSegment(routine([stand, uneven]), 'reel').segments).toEqual([
      stand,
      { ...reel, dose: cycle(6, eachSide(10)) },
    ]);
  });

  test('what is kept on purpose is kept once', () => {
    expect(newRoutine('r', 'New', softSchool)).toMatchObject({ keptOnPurpose: [], note: '', room: null, rounds: [] });
    const once = keepOnPurpose(keepOnPurpose(three, 'a'), 'b');
    expect(keepOnPurpose(once, 'a').keptOnPurpose).toEqual(['a', 'b']);
  });

  test('a move out of the list ends at its end; of what is not there nothing comes', () => {
    expect(ids(moveSegment(three, 0, 9))).toEqual(['rest', 'reel', 'stand']);
    expect(ids(moveSegment(three, 2, -4))).toEqual(['reel', 'stand', 'rest']);
    expect(moveSegment(three, 7, 0)).toBe(three);
    expect(moveSegment(three, 1, 1)).toBe(three);
    expect(duplicateSegment(three, 'gone', 'copy')).toBe(three);
    expect(splitSegment(three, 'gone', 'copy')).toBe(three);
    expect(newSegment('n', shelf.get('squat-and-bounce')!, softSchool).startsOnCue).toBe(false);
  });

  test('more of one side goes to its shortest row; a side that was not there comes in', () => {
    const two = { ...cycle(6, eachSideBothWays(4)) };
    const row = (amounts: typeof two.amounts) =>
      amounts.map(({ side, direction, amount }) => `${side} ${direction} ${amount}`);
    const odd = { ...two, amounts: two.amounts.map((entry, n) => ({ ...entry, amount: [5, 3, 4, 4][n]! })) };
    expect(row(addTo(odd, 'side', 'left', 2).amounts)).toEqual([
      'left forward 5',
      'left reversed 5',
      'right forward 4',
      'right reversed 4',
    ]);
    const one = { ...two, amounts: [{ side: 'left' as const, direction: 'none' as const, amount: 4 }] };
    expect(row(addTo(one, 'side', 'right', 3).amounts)).toEqual(['left none 4', 'right none 3']);
  });
});

describe('rounds', () => {
  test('a group takes what lies between and leaves the rest; of nothing there is none', () => {
    const four = routine([stand, pause, reel, { ...stand, id: 'last' }]);
    const grouped = groupAsRound(four, new Set(['rest', 'reel']), 'round', 3);
    expect(grouped.segments.map(({ roundId }) => roundId)).toEqual([null, 'round', 'round', null]);
    expect(groupAsRound(four, new Set(['gone']), 'round', 3)).toBe(four);
    const two = groupAsRound(grouped, new Set(['last']), 'other', 2);
    expect(repeatRound(two, 'round', 5).rounds).toEqual([
      { id: 'round', times: 5 },
      { id: 'other', times: 2 },
    ]);
    expect(dissolveRound(two, 'round').segments.map(({ roundId }) => roundId)).toEqual([null, null, null, 'other']);
    expect(dissolveRound(two, 'round').rounds).toEqual([{ id: 'other', times: 2 }]);
    // A round that is torn apart goes on only in its first piece.
    const torn = routine([{ ...stand, roundId: 'x' }, pause, { ...reel, roundId: 'x' }]);
    const shifted = shiftSegments({ ...torn, rounds: [{ id: 'x', times: 2 }] }, new Set(['rest']), 1);
    expect(ids(shifted)).toEqual(['stand', 'reel', 'rest']);
    expect(shifted.segments.map(({ roundId }) => roundId)).toEqual(['x', 'x', null]);
  });

  test('a shift to the front and to the end is one; beyond them nothing moves', () => {
    expect(ids(shiftSegments(three, new Set(['rest']), -1))).toEqual(['rest', 'stand', 'reel']);
    expect(ids(shiftSegments(three, new Set(['rest']), 1))).toEqual(['stand', 'reel', 'rest']);
    expect(shiftSegments(three, new Set(['stand']), -1)).toBe(three);
    expect(shiftSegments(three, new Set(['rest', 'reel']), 1)).toBe(three);
    expect(shiftSegments(three, new Set(['gone']), 1)).toBe(three);
  });
});

describe('a split', () => {
  const parts = (of: Segment) =>
    splitSegment(routine([of]), of.id, 'new').segments.map((part) =>
      part.type === 'exercise'
        ? part.dose.kind === 'hold'
          ? part.dose.holdSeconds
          : part.dose.amounts.map(({ amount }) => amount)
        : part.seconds,
    );
  test('halves time of pauses and of single holds, amounts of the rest; the larger half first', () => {
    expect(parts({ ...pause, seconds: 31 })).toEqual([16, 15]);
    expect(parts({ ...pause, seconds: 2 })).toEqual([1, 1]);
    expect(parts({ ...pause, seconds: 1 })).toEqual([1]);
    expect(parts(segment('a', hold(61, together(1))))).toEqual([31, 30]);
    expect(parts(segment('a', hold(2, together(1))))).toEqual([1, 1]);
    expect(parts(segment('a', hold(1, together(1))))).toEqual([1]);
    expect(parts({ ...reel, dose: cycle(6, eachSide(7)) })).toEqual([
      [4, 4],
      [3, 3],
    ]);
    expect(parts({ ...reel, dose: cycle(6, eachSide(1)) })).toEqual([[1, 1]]);
    // One side has two, the other one: it is no single round.
    const odd = addTo(cycle(6, eachSide(1)), 'side', 'left', 1);
    expect(parts({ ...reel, dose: odd })).toEqual([
      [1, 1],
      [1, 0],
    ]);
    const made = splitSegment(routine([pause]), 'rest', 'new').segments;
    expect(made).toEqual([
      { ...pause, seconds: 15 },
      { ...pause, seconds: 15, id: 'new' },
    ]);
  });
});

describe('a turned posture', () => {
  const { posture } = shelf.get('empty-full')!;
  test('changes what is turned and leaves the rest; a foot is lifted only under no weight', () => {
    const turned = { kneeBendDeg: 45, shoulderRaiseDeg: 30, ahead: 0.5, stanceWidth: 1.5, weightShare: 0.7 };
    expect(turnedPosture(posture, turned)).toMatchObject({ ...turned, otherLifted: false });
    expect(turnedPosture(posture, { kneeBendDeg: 0 })).toEqual({
      ...posture,
      kneeBendDeg: 0,
      otherLifted: posture.otherLifted && posture.weightShare === 1,
    });
    const lifted = { ...posture, otherLifted: true, weightShare: 1 };
    expect(turnedPosture(lifted, unturned)).toEqual(lifted);
    expect(turnedPosture(lifted, { weightShare: 0.9 }).otherLifted).toBe(false);
    expect(turnedPosture({ ...lifted, otherLifted: false }, {}).otherLifted).toBe(false);
    expect(segmentPosture(stand, { posture, phases: [], stages: [] })).toEqual(turnedPosture(posture, unturned));
    expect(
      segmentPosture({ ...stand, turned: { ...unturned, ahead: 2 } }, { posture, phases: [], stages: [] }).ahead,
    ).toBe(2);
  });

  test('is said in words, each turn once', () => {
    const all = { kneeBendDeg: 45, weightShare: 0.7, shoulderRaiseDeg: 30, stanceWidth: 1.5, ahead: 0.5, stage: 2 };
    expect(turnedWords(all)).toBe(
      'bend 45°, 70 % on the working leg, arms at 30°, stance 1.5 × the shoulders, foot ahead 0.5 × its length, stage 2',
    );
    expect(turnedWords({ ...unturned, kneeBendDeg: 0 })).toBe('bend 0°');
    expect(turnedWords(unturned)).toBe('');
    expect(turnedWords({})).toBe('');
    expect(segmentWords(stand)).toBe('1 hold × 1:00 min, 30 s rest');
    expect(segmentWords({ ...stand, startsOnCue: true, turned: { ...unturned, kneeBendDeg: 45 } })).toBe(
      '1 hold × 1:00 min, 30 s rest, bend 45°, begins on the cue',
    );
    expect(segmentWords({ ...reel, sideOrder: 'each' })).toMatch(/, one each in turn$/);
    expect(segmentWords(reel)).not.toContain('turn');
  });

  test('a stage is one there is; what turns nothing is no turn, also when it is read', () => {
    const staged = builtInExercises.find(({ stages }) => stages.length > 1)!;
    const of = (stage: number | null) => stageOf({ turned: { ...unturned, stage } }, staged);
    expect([of(1), of(2), of(null), of(12)]).toEqual([staged.stages[0], staged.stages[1], null, null]);
    expect(stageOf({ turned: null }, staged)).toBeNull();
    const read = (turned: object | null) => SegmentSchema.parse({ ...stand, turned });
    expect(read(unturned)).toEqual(stand);
    expect(read(null)).toEqual(stand);
    expect(read({ ...unturned, ahead: 0 })).toEqual({ ...stand, turned: { ...unturned, ahead: 0 } });
  });
});

describe('steps over the floor', () => {
  const start = { x: 2, y: 2, facingDeg: 0 };
  const step = (right: number, forward: number, turnDeg = 0) => ({ right, forward, turnDeg });
  const close = (path: ReturnType<typeof walkPath>) =>
    path.map(({ x, y, facingDeg }) => [x, y, facingDeg].map((value) => Math.round(value * 1000) / 1000 + 0));

  test('right and forward are seen from where one faces (worked by hand)', () => {
    expect(close(walkPath(start, [step(1, 0, 90), step(1, 0.5, -180), step(1, 0.5, 0)]))).toEqual([
      [2, 2, 0],
      [3, 2, 90],
      // Facing the right wall: right is back, forward is right.
      [3.5, 1, 270],
      // Facing the left wall: right is to the front, forward is left.
      [3, 2, 270],
    ]);
    // At 30° a step forward goes half to the right.
    expect(close(walkPath({ ...start, facingDeg: 30 }, [step(0, 1, 0), step(1, 0, 350)])).slice(1)).toEqual([
      [2.5, 2.866, 30],
      [3.366, 2.366, 20],
    ]);
  });

  test('the floor ends at its margin, on each of four sides, and not a hair before', () => {
    const room = { width: 4, depth: 4, margin: 0.5 };
    const goes = (right: number, forward: number) => runsOutAt(room, walkPath(start, [step(right, forward)]));
    expect([goes(1.5, 0), goes(-1.5, 0), goes(0, 1.5), goes(0, -1.5)]).toEqual([null, null, null, null]);
    expect([goes(1.51, 0), goes(-1.51, 0), goes(0, 1.51), goes(0, -1.51)]).toEqual([0, 0, 0, 0]);
    expect(runsOutAt(room, walkPath(start, [step(1, 0), step(1, 0), step(1, 0)]))).toBe(1);
    expect(runsOutAt(room, [{ x: 0, y: 2, facingDeg: 0 }])).toBe(0);
    expect(stepsThatFit(room, start, step(0.5, 0))).toBe(3);
    expect(stepsThatFit(room, start, step(0, 0), 7)).toBe(7);
  });

  test('each repetition goes one step: to its side, back where it is reversed, longer for the tall; nothing else leaves a trace', () => {
    const walking = { ...shelf.get('squat-and-bounce')!, id: 'walk', travel: { out: 0.2, forward: 0.5, turnDeg: 10 } };
    const walk = segment('walk', cycle(2, eachSideBothWays(1)), { exerciseId: 'walk' });
    expect(stepsOfSegment(walk, walking, 3.4)).toEqual([
      { right: -0.4, forward: 1, turnDeg: -10 },
      { right: 0.4, forward: -1, turnDeg: -10 },
      { right: 0.4, forward: 1, turnDeg: 10 },
      { right: -0.4, forward: -1, turnDeg: 10 },
    ]);
    expect(stepsOfSegment(walk, { ...walking, travel: null }, 1.7)).toEqual([]);
    expect(stepsOfSegment({ ...walk, dose: hold(60, together(2)) }, walking, 1.7)).toEqual([]);
    const known = new Map([...shelf, ['walk', walking]]);
    const hall = { ...routine([pause, stand, { ...stand, id: 'gone', exerciseId: 'gone' }, walk]), room: null };
    expect(roomPath(hall, known, 1.7)).toBeNull();
    const wide = roomPath({ ...hall, room: { width: 10, depth: 12 } }, known, 1.7)!;
    expect(wide.pieces.map(({ segmentId }) => segmentId)).toEqual(['walk']);
    expect(wide.room.margin).toBe(ROOM_MARGIN);
    expect(wide.pieces[0]!.places[0]).toEqual({ x: 5, y: 6, facingDeg: 0 });
    expect(roomPath({ ...hall, room: { width: 2, depth: 8 } }, known, 1.7)!.room.margin).toBe(0.5);
    expect(roomPath({ ...hall, room: { width: 8, depth: 1 } }, known, 1.7)!.room.margin).toBe(0.25);
    const end = wide.pieces[0]!.places.at(-1)!;
    expect(wide.awayAtEnd).toBeCloseTo(Math.hypot(end.x - 5, end.y - 6), 9);
  });
});

describe('sides and ways', () => {
  test('by cue are holds until the cue and whatever is done by feel; nothing asked is no round', () => {
    const cues = (dose: Parameters<typeof rounds>[0]) => rounds(dose, 'whole').map(({ byCue }) => byCue);
    expect(cues({ ...hold(60, eachSide(1)), byCue: true })).toEqual([true, true]);
    expect(cues(hold(60, eachSide(1)))).toEqual([false, false]);
    expect(cues({ ...hold(60, together(1)), least: 0 })).toEqual([true]);
    expect(cues({ ...cycle(6, together(8)), least: 0 })).toEqual([true]);
    expect(cues({ ...cycle(6, together(8)), least: 4 })).toEqual([false]);
    expect(cues({ ...breathe(8, pattern(4, 0, 6, 0)), least: 0 })).toEqual([true]);
    expect(rounds(addTo(cycle(6, eachSide(1)), 'side', 'left', -1), 'whole').map(({ side }) => side)).toEqual([
      'right',
    ]);
    const each = rounds({ ...cycle(6, eachSide(2)), least: 0 }, 'each');
    expect(each.map(({ byCue }) => byCue)).toEqual([false, false, false, false]);
  });

  test('a pause is a span of its own; nothing else stands before it', () => {
    expect(timeline(routine([pause])).spans).toHaveLength(1);
    expect(timeline(routine([pause])).spans[0]).toMatchObject({ kind: 'rest', durationMs: 30_000, amount: 0 });
    expect(timeline(routine([])).spans).toEqual([]);
  });

  test('equal sides are even, whichever is more is named, and what has no sides is not compared', () => {
    expect(unevenness(cycle(6, eachSide(8)))).toEqual([]);
    expect(unevenness(addTo(cycle(6, eachSide(8)), 'side', 'right', 1))).toEqual([
      { what: 'sides', few: 'left', fewAmount: 8, many: 'right', manyAmount: 9 },
    ]);
    const mixed = { amounts: [...together(4), ...eachSide(2), { ...eachSide(1)[0]! }] };
    expect(unevenness(mixed)).toHaveLength(1);
    expect(unevenness({ amounts: together(4) })).toEqual([]);
    expect(routineUnevenness(routine([pause, stand]))).toEqual([]);
    const left = segment('l', { ...hold(30, together(1)), amounts: [eachSide(1)[0]!] });
    const right = segment('r', { ...hold(30, together(1)), amounts: [eachSide(1)[1]!] });
    expect(routineUnevenness(routine([left, pause, right]))).toEqual([]);
    const other = { ...right, exerciseId: 'empty-full' };
    expect(routineUnevenness(routine([left, other])).map(({ exerciseId }) => exerciseId)).toEqual([
      'tree-holding',
      'empty-full',
    ]);
    // Of two lengths the seconds count.
    expect(routineUnevenness(routine([left, { ...right, dose: { ...right.dose, holdSeconds: 60 } as never }]))).toEqual(
      [expect.objectContaining({ unit: 'seconds', few: 'left', fewAmount: 30, many: 'right', manyAmount: 60 })],
    );
  });
});

test('in another school a routine takes its times, where they were those of the old one', () => {
  const value = newRoutine('r', 'Evening', softSchool);
  const { settleSeconds, changeSeconds } = waveSchool;
  expect(inSchool(value, softSchool, waveSchool)).toMatchObject({
    schoolId: waveSchool.id,
    settleSeconds,
    changeSeconds,
  });
  const own = { ...value, settleSeconds: 42 };
  expect(inSchool(own, softSchool, waveSchool)).toMatchObject({ settleSeconds: 42, changeSeconds });
});
