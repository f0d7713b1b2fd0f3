import { log, logLine, strand } from '../testing/samples';
import { inOrder } from '../person';
import { strandPast } from './strandPast';

const asked = (seconds: number) => ({
  lines: [logLine(1, { asked: { amount: 1, seconds }, done: { amount: 1, seconds } })],
});
const past = (logs: Parameters<typeof strandPast>[2], now = 3) =>
  strandPast(strand({ start: 40 }), '2026-01-05', logs, now);

test('a week asked for what its last practice did, and without one for what the week before did', () => {
  const { weeks } = past([log('2026-01-13', asked(50)), log('2026-01-14', asked(55)), log('2026-01-15', asked(60))], 4);
  expect(weeks).toEqual([
    { week: 0, dose: 40, kind: 'nothing' },
    { week: 1, dose: 60, kind: 'past' },
    { week: 2, dose: 60, kind: 'nothing' },
    { week: 3, dose: 60, kind: 'nothing' },
  ]);
});

test('a practice lies at noon of its day; what was before the plan, or of another drill, is none of it', () => {
  const other = { lines: [logLine(1, { segmentId: 'other' })] };
  const { done } = past([
    log('2026-01-05', asked(60)),
    log('2026-01-04', asked(50)),
    log('2026-01-06', other),
    log('2026-01-12', { lines: [logLine(0.5)] }),
  ]);
  expect(done).toEqual([
    { week: 0.5 / 7, asked: 60, dose: 60, met: true },
    { week: 7.5 / 7, asked: 60, dose: 30, met: false },
  ]);
});

test('practices come in the order in which they were begun, of one moment in that of their names', () => {
  const at = (id: string, startedAt: string) => ({ id, startedAt });
  const [early, late] = ['2026-01-05T08:00:00.000Z', '2026-01-05T09:00:00.000Z'] as const;
  const ids = (...logs: ReturnType<typeof at>[]) => inOrder(logs).map(({ id }) => id);
  expect(ids(at('a', late), at('b', early))).toEqual(['b', 'a']);
  expect(ids(at('b', early), at('a', early), at('c', early))).toEqual(['a', 'b', 'c']);
  expect(ids(at('a', early), at('b', early), at('c', early))).toEqual(['a', 'b', 'c']);
  expect(ids(at('c', early), at('b', late), at('a', early))).toEqual(['a', 'c', 'b']);
});
