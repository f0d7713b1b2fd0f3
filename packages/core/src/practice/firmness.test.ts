import { cycle, eachSide, hold, together } from '../library/describe';
import { firmnessAt, FirmnessSchema, firmnessWords, type Firmness } from '../library/firmness';
import { SegmentSchema, segmentWords, timeline, type ExerciseSegment } from '../routine';
import { softSchool } from '../schools';
import { routine, segment, shelf } from '../testing/samples';
import { usualCalls } from './calls';
import { conduct } from './conduct';
import { cuePlan } from './cuePlan';
import { feltSet, firmnessCalls, firmnessFelt, firmSegments } from './firmnessCalls';
import { hallCalls } from './hallCalls';
import { logLines } from './logLines';
import { momentOf } from './moment';
import { practiceLog } from './practiceLog';

const rising: Firmness = { of: 'hands', from: 2, to: 6 };
const made = (dose: ExerciseSegment['dose'], firmness: Firmness | null, change: Partial<ExerciseSegment> = {}) =>
  segment('a', dose, { exerciseId: 'one-hand-reeling', firmness, ...change });
const worked = (one: ExerciseSegment) => {
  const all = routine([one], { settleSeconds: 12, changeSeconds: 12 });
  const line = timeline(all);
  return { all, line, spans: line.spans.filter(({ amount }) => amount > 0) };
};

test('it slides evenly from one level to the other, also downwards, and stays within them', () => {
  expect([0, 0.25, 0.5, 0.75, 1, 7].map((share) => firmnessAt(rising, share))).toEqual([2, 3, 4, 5, 6, 6]);
  expect([-1, 0, 0.5, 1].map((share) => firmnessAt({ of: 'steps', from: 9, to: 1 }, share))).toEqual([9, 9, 5, 1]);
  expect(firmnessWords(rising)).toBe('hands 2 to 6 of 10 firm');
  expect(firmnessWords({ of: 'steps', from: 4, to: 4 })).toBe('steps 4 of 10 firm');
  for (const wrong of [{ from: -1 }, { to: 11 }, { from: 2.5 }, { of: 'face' }])
    expect(FirmnessSchema.safeParse({ ...rising, ...wrong }).success).toBe(false);
});

test('each level is called where it begins: at a repetition, or at its time in a hold', () => {
  const reeling = worked(made(cycle(10, eachSide(5)), rising));
  for (const span of reeling.spans)
    expect(firmnessCalls(made(cycle(10, eachSide(5)), rising), span)).toEqual([
      { offsetMs: 0, text: 'Hands 2 of 10 firm' },
      { offsetMs: 10_000, text: 'Firmness 3' },
      { offsetMs: 20_000, text: 'Firmness 4' },
      { offsetMs: 30_000, text: 'Firmness 5' },
      { offsetMs: 40_000, text: 'Firmness 6' },
    ]);
  const stand = made(hold(80, together(1)), { of: 'hands', from: 6, to: 2 }, { exerciseId: 'tree-holding' });
  expect(firmnessCalls(stand, worked(stand).spans[0]!)).toEqual([
    { offsetMs: 0, text: 'Hands 6 of 10 firm' },
    { offsetMs: 10_000, text: 'Firmness 5' },
    { offsetMs: 30_000, text: 'Firmness 4' },
    { offsetMs: 50_000, text: 'Firmness 3' },
    { offsetMs: 70_000, text: 'Firmness 2' },
  ]);
  const even = made(hold(80, together(1)), { of: 'hands', from: 3, to: 3 });
  expect(firmnessCalls(even, worked(even).spans[0]!)).toHaveLength(1);
  expect(firmnessCalls(made(hold(80, together(1)), null), worked(even).spans[0]!)).toEqual([]);
});

test('where sides take turns it slides over the turns, and only another level is called', () => {
  const turns = made(cycle(10, eachSide(5)), { of: 'hands', from: 2, to: 4 }, { sideOrder: 'each' });
  const called = worked(turns).spans.map((span) => firmnessCalls(turns, span).map(({ text }) => text));
  expect(called.flat()).toEqual(['Hands 2 of 10 firm', 'Firmness 3', 'Firmness 4']);
  expect(called).toHaveLength(10);
});

test('the hall says it on the way in, shows it, and calls it between the parts', () => {
  const { all, line, spans } = worked(made(cycle(12, eachSide(5)), rising));
  const cues = cuePlan(all, line, shelf, softSchool);
  const said = hallCalls(all, line, usualCalls, { cues: true, parts: 'new' }, shelf, softSchool, cues);
  expect(said[1]).toMatchObject({ spanIndex: 0, text: 'Hands 2 to 6 of 10 firm' });
  expect(said[0]!.offsetMs).toBeLessThan(said[1]!.offsetMs);
  for (const level of [3, 4, 5, 6])
    expect(said.filter(({ text }) => text === `Firmness ${level}`).length).toBe(spans.length);
  // Without cues the levels are called all the same: they are the dose.
  const plain = hallCalls(all, line, usualCalls, { cues: false, parts: 'none' }, shelf, softSchool, cues);
  expect(plain.some(({ text }) => text === 'Firmness 6')).toBe(true);
  const momentAt = (ms: number) =>
    momentOf(all, line, conduct(line, [{ at: 0, action: 'start' }], ms), shelf, softSchool, cues);
  expect(momentAt(0).wayIn.at(-1)).toBe('Hands 2 to 6 of 10 firm.');
  const [first] = spans;
  expect(momentAt(first!.startMs).unit).toContain('hands 2 of 10 firm');
  expect(momentAt(first!.startMs + 25_000).unit).toContain('hands 4 of 10 firm');
});

test('what was asked and felt stands in the log', () => {
  const { all, line } = worked(made(cycle(10, eachSide(2)), rising));
  const state = conduct(line, [{ at: 0, action: 'start' }], line.totalMs);
  expect(logLines(all, line, state, shelf).map(({ firmness }) => firmness)).toEqual([
    { ...rising, felt: null },
    { ...rising, felt: null },
  ]);
  const notes = {
    effort: 5,
    pain: 0,
    painWhere: '',
    painPlace: null,
    symptoms: [],
    shook: [],
    hands: [{ test: 'push' as const, outcome: 'good' as const, exerciseId: null }],
    note: '',
    apart: null,
    gaveOut: [],
    felt: feltSet(feltSet([], 'a', 7), 'a', 4),
  };
  const journal = {
    id: 'j',
    studentId: 's',
    routine: all,
    cares: [],
    group: null,
    events: [{ at: 0, action: 'start' as const }],
    seenAt: 0,
  };
  const log = practiceLog(journal, line, state, shelf, notes, new Date(0), () => '2026-03-12')!;
  expect(log.lines.map(({ firmness }) => firmness?.felt)).toEqual([4, 4]);
  expect(log.hands).toEqual(notes.hands);
  expect(firmnessFelt(log.lines[0]!.firmness!)).toBe('hands 2 to 6 of 10 firm, felt 4');
  expect(firmnessFelt({ ...rising, felt: null })).toBe('hands 2 to 6 of 10 firm');
  expect(firmSegments(all, shelf)).toEqual([
    { segmentId: 'a', name: shelf.get('one-hand-reeling')!.name, firmness: rising },
  ]);
});

test('it stands with the dose on every paper, and a routine from before asks nothing', () => {
  const one = made(cycle(10, eachSide(2)), rising);
  expect(segmentWords(one)).toContain(', hands 2 to 6 of 10 firm');
  const { firmness, ...before } = one;
  expect(firmness).toEqual(rising);
  expect(SegmentSchema.parse(before)).toMatchObject({ firmness: null });
});
