import { reserveWords, segmentEffortWords, type SegmentEffort } from './effort-words';

const full = { 'left leg': 0.8, 'right leg': 0.75, 'left arm': 0.41, 'right arm': 0.5, back: 0.9 };
const effort = (change: Partial<SegmentEffort> = {}): SegmentEffort => ({
  segmentId: 'a',
  effort: 4.2,
  limitedBy: 'arms',
  joint: 'shoulder',
  enduranceSeconds: 174,
  unlimited: false,
  askedSeconds: 60,
  kneePastToes: -0.0712,
  reserve: full,
  ...change,
});

test('a segment says what gives out first, when, and what is asked', () => {
  expect(segmentEffortWords(effort())).toEqual([
    'Arms would tire after about 2:55 min; you ask for 1:00 min: effort about 4 of 10.',
    'Knee 7.1 cm behind the toe line, about 4 fingers.',
  ]);
  expect(segmentEffortWords(effort({ limitedBy: 'legs', joint: 'ankle' }))[0]).toMatch(
    /^Legs, at the calf, would tire/,
  );
});

test('a knee past the toes is a warning, a seated posture has no knee line, an easy one no limit', () => {
  expect(segmentEffortWords(effort({ kneePastToes: 0.012 }))[1]).toBe(
    'Knee 1.2 cm past the toe line, about one finger: higher, or sit back.',
  );
  expect(segmentEffortWords(effort({ kneePastToes: null }))).toHaveLength(1);
  expect(segmentEffortWords(effort({ unlimited: true }))[0]).toBe('Neither legs, arms nor back limit this.');
});

test('the least reserve of each limb over all segments, never below nothing', () => {
  const tired = effort({ segmentId: 'b', reserve: { ...full, 'left leg': 0.3, 'right arm': -0.2 } });
  const found = reserveWords({ segments: [effort(), tired], failure: null }, new Map())!;
  expect(found.rows.map((row) => `${row.limbs} ${row.least}`)).toEqual([
    'left leg 30 %',
    'right leg 75 %',
    'left arm 41 %',
    'right arm 0 %',
    'back 90 %',
  ]);
  expect(found.failure).toBe('');
});

test('a limb that gives out is named with its exercise and moment', () => {
  const failure = { limb: 'left arm', joint: 'shoulder', segmentId: 'a', atSeconds: 383 } as const;
  const found = reserveWords({ segments: [effort()], failure }, new Map([['a', 'Holding the tree']]))!;
  expect(found.failure).toBe('The left arm gives out in Holding the tree, 6:23 min from the start.');
  expect(reserveWords({ segments: [], failure: null }, new Map())).toBeNull();
  expect(reserveWords(null, new Map())).toBeNull();
});
