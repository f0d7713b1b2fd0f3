import { seededRandom } from '../demo/random';
import { hold, together } from '../library/describe';
import { defaultRaiseRule } from '../schools';
import { log, logLine, plan, routine, segment, strand } from '../testing/samples';
import { planForecast, strandChances } from '.';

const today = '2026-03-02';
const days = (count: number, share = 1) =>
  Array.from({ length: count }, (_, index) =>
    log(`2026-02-${String(28 - index).padStart(2, '0')}`, { lines: [logLine(share)] }),
  );
const value = plan([strand({ target: 80, targetDay: '2026-05-04' })], { startsOn: '2026-02-02' });
const chances = (logs = days(12), sessions = 3, of = value) =>
  strandChances(of, logs, sessions, defaultRaiseRule, today, 2000, seededRandom(1));

describe('the chance of a strand', () => {
  test('needs some practices and days for practice, else there is none', () => {
    expect(chances(days(3))).toEqual([]);
    expect(chances(days(12), 0)).toEqual([]);
  });

  test('attendance is practices over planned sessions, pass rate those met in full', () => {
    // Four weeks of three sessions, all taken
    expect(chances()[0]).toMatchObject({ strandId: 's', attendance: 1, passRate: 1 });
    expect(chances(days(6))[0]!.attendance).toBe(0.5);
    const mixed = [...days(6), ...days(12, 0.5).slice(6)];
    expect(chances(mixed)[0]!.passRate).toBe(0.5);
  });

  test('a steady student reaches a near goal for certain, one who meets nothing never', () => {
    expect(chances()[0]!.byTargetDay).toBe(1);
    expect(chances(days(12, 0.5))[0]!.byTargetDay).toBe(0);
    const far = plan([strand({ target: 2000, targetDay: '2026-03-16' })], { startsOn: '2026-02-02' });
    expect(chances(days(12), 3, far)[0]!.byTargetDay).toBe(0);
    const there = plan([strand({ level: 180, target: 180 })], { startsOn: '2026-02-02' });
    expect(chances(days(12), 3, there)[0]!.byTargetDay).toBe(1);
  });

  test('more practice is never a smaller chance, and the same seed gives the same', () => {
    const some = plan([strand({ target: 75, targetDay: '2026-04-13' })], { startsOn: '2026-02-02' });
    const [rare, often] = [days(5), days(11)].map((logs) => chances(logs, 3, some)[0]!.byTargetDay);
    expect(rare!).toBeLessThan(often!);
    expect(chances(days(5), 3, some)).toEqual(chances(days(5), 3, some));
  });
});

describe('a plan of several strands', () => {
  const two = plan([
    strand({ id: 's1', segmentId: 'a', target: 120 }),
    strand({ id: 's2', segmentId: 'b', target: 120 }),
    strand({ id: 's3', segmentId: 'c', family: 'breathing', axis: 'breaths', start: 9, level: 9, target: 12, step: 1 }),
  ]);
  const base = routine([
    segment('a', hold(60, together(1))),
    segment('b', hold(60, together(1))),
    segment('c', hold(60, together(1))),
  ]);
  const of = (locked: string[] = []) =>
    planForecast(two, { routine: base, sessionsPerWeek: 3, locked: new Set(locked), today: '2026-01-05' });

  test('of one family only one goes up in a week, and the other says why it waits', () => {
    const [first, second] = of();
    const weeks = Math.min(first!.weeks.length, second!.weeks.length);
    for (let week = 1; week < weeks; week += 1) {
      const up = [first!, second!].filter((forecast) => ['raise', 'carry'].includes(forecast.weeks[week]!.kind));
      expect(up.length).toBeLessThanOrEqual(1);
    }
    const waits = [...first!.weeks, ...second!.weeks].filter((week) => week.kind === 'held');
    expect(waits.length).toBeGreaterThan(0);
    expect(waits.every((week) => week.rail === 'family')).toBe(true);
  });

  test('lighter weeks stand at the same place for all, and a locked strand leaves its turn to the other', () => {
    const lighter = of().map((forecast) =>
      forecast.weeks.filter((week) => week.kind === 'lighter').map((week) => week.week % 4),
    );
    expect(lighter.flat().every((rest) => rest === 3)).toBe(true);
    const alone = of(['s2']);
    expect(alone[1]!.weeks).toHaveLength(1);
    expect(alone[0]!.earliestDay! < of()[0]!.earliestDay! || alone[0]!.earliestDay! <= of()[1]!.earliestDay!).toBe(
      true,
    );
  });
});
