import { seededRandom } from '../random/seededRandom';
import { defaultRaiseRule } from '../schools';
import { log, logLine, plan, planContext, strand, limit } from '../testing/samples';
import { planForecast, planSeason, playSeasons, seasonOfPlan, strandChances, type PlanContext } from '.';

const today = '2026-03-02';
/** Practices on Mondays, Wednesdays and Fridays back from today, the newest first. */
const days = (count: number, share = 1) =>
  ['27', '25', '23', '20', '18', '16', '13', '11', '09', '06', '04', '02']
    .slice(0, count)
    .map((day) => log(`2026-02-${day}`, { lines: [logLine(share)] }));
const value = plan([strand({ target: 80, targetDay: '2026-05-04' })], { startsOn: '2026-02-02' });
const chances = (logs = days(12), of = value) => strandChances(planContext(of, { logs, today }), 2000, seededRandom(1));

describe('the chance of a strand', () => {
  test('needs some practices, else there is none', () => {
    expect(chances(days(3))).toEqual([]);
  });

  test('attendance is practices over practice days, pass rate those met in full', () => {
    expect(chances()[0]).toMatchObject({ strandId: 's', attendance: 1, passRate: 1 });
    expect(chances(days(6))[0]!.attendance).toBe(0.5);
    const mixed = [...days(6), ...days(12, 0.5).slice(6)];
    expect(chances(mixed)[0]!.passRate).toBe(0.5);
  });

  test('each weekday has its own attendance', () => {
    const noFridays = days(12).filter(({ day }) => !['27', '20', '13', '06'].includes(day.slice(-2)));
    expect(chances(noFridays)[0]!.attendance).toBeCloseTo(2 / 3, 9);
  });

  test('a steady student reaches a near goal for certain, one who meets nothing never', () => {
    expect(chances()[0]!.byTargetDay).toBe(1);
    expect(chances(days(12, 0.5))[0]!.byTargetDay).toBe(0);
    const far = plan([strand({ target: 2000, targetDay: '2026-03-16' })], { startsOn: '2026-02-02' });
    expect(chances(days(12), far)[0]!.byTargetDay).toBe(0);
    const there = plan([strand({ level: 180, target: 180 })], { startsOn: '2026-02-02' });
    expect(chances(days(12), there)[0]!.byTargetDay).toBe(1);
  });

  test('more practice is never a smaller chance, and the same seed gives the same', () => {
    const some = plan([strand({ target: 75, targetDay: '2026-04-13' })], { startsOn: '2026-02-02' });
    const [rare, often] = [days(5), days(11)].map((logs) => chances(logs, some)[0]!.byTargetDay);
    expect(rare!).toBeLessThan(often!);
    expect(chances(days(5), some)).toEqual(chances(days(5), some));
  });

  test('it stands on the weeks of the calendar, holidays and lighter weeks among them, and ends where a rail ends it', () => {
    const away = { ...value, holidays: [{ from: '2026-03-16', to: '2026-03-22' }] };
    const context = planContext(away, {
      logs: days(12),
      today,
      mostDoses: new Map([['s', limit(70)]]),
    });
    const [chance] = strandChances(context, 300, seededRandom(1));
    expect(chance!.weeks[0]).toMatchObject({ week: 4, day: '2026-03-02' });
    const [plannedWeeks] = planForecast(context).strands;
    expect(Math.max(...chance!.weeks.map(({ high }) => high))).toBe(70);
    expect(chance!.byTargetDay).toBe(0);
    // The eighth week of the plan is a lighter one.
    const lighter = chance!.weeks.find(({ week }) => week === 7)!;
    expect(lighter.high).toBeLessThan(plannedWeeks!.weeks.find(({ week }) => week === 6)!.dose);
  });
});

describe('the forecast against exact chances', () => {
  const seasons = 20_000;
  /** A weekly class in which each session is met with chance `p`; the machine's answer for the first day of each week. */
  const played = (raises: number, sessions: number, sessionsToRaise: number, p: number) => {
    const rule = { ...defaultRaiseRule, sessionsToRaise };
    const target = 1000 * 1.1 ** raises;
    // The last class is the day of the goal: what was earned in it is asked for only in the next.
    const targetDay = new Date(Date.parse('2026-01-05') + 7 * 86_400_000 * sessions).toISOString().slice(0, 10);
    const one = strand({ step: 1, start: 1000, level: 1000, target: Math.floor(target), targetDay });
    const context: PlanContext = planContext(plan([one], { lighterEvery: 0 }), { practiceDays: [1], rule });
    const { problem } = seasonOfPlan(context);
    const good = Array.from({ length: 10 }, (_, index) => index < p * 10);
    const outcomes = good.map((met) => ({ share: met ? 1 : 0.8, kept: 1, effort: 5, asked: 0 }));
    const habits = { attendance: Array.from({ length: 8 }, () => 1), outcomes: [outcomes] };
    return playSeasons(problem, planSeason(problem), habits, sessions + 1, seasons, seededRandom(7))[0]!.byTargetDay;
  };
  const spread = (p: number): number => 4 * Math.sqrt((p * (1 - p)) / seasons) + 1e-12;

  test.each([
    [3, 6, 0.6],
    [5, 8, 0.8],
  ])('where every met session raises: %i raises in %i sessions is negative binomial', (raises, sessions, p) => {
    let exact = 0;
    for (let hits = raises; hits <= sessions; hits += 1) {
      let ways = 1;
      for (let k = 0; k < hits; k += 1) ways *= (sessions - k) / (k + 1);
      exact += ways * p ** hits * (1 - p) ** (sessions - hits);
    }
    expect(Math.abs(played(raises, sessions, 1, p) - exact)).toBeLessThan(spread(exact));
  });

  test.each([
    [2, 8, 2, 0.6],
    [3, 12, 2, 0.8],
    [2, 12, 3, 0.7],
  ])('%i raises in %i sessions of a class, %i met running each: an exact Markov chain', (raises, sessions, need, p) => {
    // State: raises so far × met running; a raise uses its run up.
    let state = new Map([['0 0', 1]]);
    for (let session = 0; session < sessions; session += 1) {
      const next = new Map<string, number>();
      for (const [key, chance] of state) {
        const [rung, run] = key.split(' ').map(Number) as [number, number];
        const met = run + 1 === need ? `${rung + 1} 0` : `${rung} ${run + 1}`;
        next.set(met, (next.get(met) ?? 0) + chance * p);
        next.set(`${rung} 0`, (next.get(`${rung} 0`) ?? 0) + chance * (1 - p));
      }
      state = next;
    }
    let exact = 0;
    for (const [key, chance] of state) if (Number(key.split(' ')[0]) >= raises) exact += chance;
    expect(Math.abs(played(raises, sessions, need, p) - exact)).toBeLessThan(spread(exact));
  });

  test('a weekly class in which all is met gets there for certain', () => {
    expect(played(4, 8, 2, 1)).toBe(1);
    expect(played(4, 7, 2, 1)).toBe(0);
  });
});
