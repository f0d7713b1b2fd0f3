import type { LogLine } from '../practice/log';
import { log, logLine, strand } from '../testing/samples';
import {
  askedDose,
  hasStrand,
  metShare,
  missingRows,
  sessionOf,
  strandEffort,
  strandLines,
  withRows,
} from './strandSessions';

const day = '2026-01-06';
const of = (...lines: LogLine[]) => log(day, { lines });
const side = (
  name: 'left' | 'right',
  direction: 'none' | 'forward' | 'reversed' = 'none',
  change: Partial<LogLine> = {},
) => logLine(1, { side: name, direction, ...change });
const other = logLine(1, { segmentId: 'b' });
const nothing = logLine(1, { asked: { amount: 0, seconds: 0 } });

test('lines of a strand are those of its drill that asked for something', () => {
  const one = logLine(0.5);
  expect(strandLines(of(other, one, nothing), strand())).toEqual([one]);
  expect([hasStrand(of(one), strand()), hasStrand(of(other), strand()), hasStrand(of(nothing), strand())]).toEqual([
    true,
    false,
    false,
  ]);
});

describe('how much of the dose counts', () => {
  test('is none known without a line, and none where a side or a way is missing', () => {
    expect(metShare(of(other), strand())).toBeNull();
    expect(sessionOf(of(other), strand())).toBeNull();
    const rows = [
      { side: 'left', direction: 'forward' },
      { side: 'left', direction: 'reversed' },
    ] as const;
    const both = strand({ rows: [...rows] });
    expect(metShare(of(side('left', 'forward')), both)).toBe(0);
    expect(missingRows(of(side('left', 'forward')), both)).toEqual([rows[1]]);
    expect(missingRows(of(side('left', 'forward'), side('left', 'reversed')), both)).toEqual([]);
    expect(metShare(of(side('left', 'forward'), side('left', 'reversed')), both)).toBe(1);
  });

  test('of a hold goes by its time, of its repetitions by how often; of all else by how often', () => {
    const line = (kind: LogLine['kind']) =>
      logLine(1, { kind, asked: { amount: 4, seconds: 40 }, done: { amount: 3, seconds: 20 } });
    expect(metShare(of(line('hold')), strand())).toBe(0.5);
    expect(metShare(of(line('hold')), strand({ axis: 'repetitions' }))).toBe(0.75);
    expect(metShare(of(line('cycle')), strand({ axis: 'time' }))).toBe(0.75);
    expect(metShare(of(line('cycle')), strand({ axis: 'repetitions' }))).toBe(0.75);
  });
});

describe('what was asked', () => {
  const asked = (
    change: Partial<LogLine>,
    axis: Parameters<typeof strand>[0],
    source: 'conducted' | 'by hand' = 'conducted',
  ) => askedDose(log(day, { source, lines: [logLine(1, change)] }), strand(axis));
  const four = { asked: { amount: 4, seconds: 40 } };

  test('is the time of one hold, the whole time of what is counted in it, or how often', () => {
    expect(asked({ ...four, kind: 'hold' }, { axis: 'time' })).toBe(10);
    expect(asked({ asked: { amount: 0.5, seconds: 40 }, kind: 'hold' }, { axis: 'time' })).toBe(40);
    expect(asked({ ...four, kind: 'cycle' }, { axis: 'time' })).toBe(40);
    expect(asked({ ...four, kind: 'cycle' }, { axis: 'repetitions' })).toBe(4);
  });

  test('is the pace without the stay where it was conducted, and else not told', () => {
    expect(asked({ ...four, kind: 'cycle' }, { axis: 'pace' })).toBe(10);
    expect(asked({ ...four, kind: 'cycle', staySeconds: 3 }, { axis: 'pace' })).toBe(7);
    expect(asked({ ...four, kind: 'cycle' }, { axis: 'pace' }, 'by hand')).toBe(Number.POSITIVE_INFINITY);
  });

  test('is what the posture was turned to, in the units of the axis', () => {
    const turned = { weightShare: 0.6 } as LogLine['turned'];
    expect(asked({ turned }, { axis: 'share' })).toBe(60);
    expect(asked({ turned: null }, { axis: 'share' })).toBe(Number.POSITIVE_INFINITY);
  });

  test('is the least of all sides, and nothing without a line', () => {
    const lines = [side('left', 'none', { asked: { amount: 1, seconds: 50 } }), side('right')];
    expect(askedDose(of(...lines), strand())).toBe(50);
    expect(askedDose(of(other), strand())).toBe(0);
  });

  test('tests the dose when it was the dose or more, to a thousandth', () => {
    const counts = (seconds: number) => sessionOf(of(logLine(1, { asked: { amount: 1, seconds } })), strand())!.counts;
    expect([59.9, 59.9995, 60, 61].map(counts)).toEqual([false, true, true, true]);
  });
});

test('the effort is the hardest that was set apart, else that of the practice', () => {
  const apart = (effort: number | null) => logLine(1, { effort });
  expect(strandEffort(of(apart(4), apart(7), apart(null)), strand())).toBe(7);
  expect(strandEffort(of(apart(null)), strand())).toBe(5);
  expect(strandEffort(of(apart(null), { ...other, effort: 9 }), strand())).toBe(5);
});

test('a strand that was made without sides has those that were ever asked for, each once', () => {
  const logs = [
    of(side('left', 'forward'), side('left', 'reversed')),
    of(side('left', 'forward'), side('right', 'forward'), other),
  ];
  expect(withRows(strand(), logs).rows).toEqual([
    { side: 'left', direction: 'forward' },
    { side: 'left', direction: 'reversed' },
    { side: 'right', direction: 'forward' },
  ]);
  const rows = [{ side: 'both', direction: 'none' } as const];
  expect(withRows(strand({ rows: [...rows] }), logs).rows).toEqual(rows);
});
