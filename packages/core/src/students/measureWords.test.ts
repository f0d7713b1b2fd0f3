import type { Measure } from './measure';
import { TEST_STANCE } from '../endurance/capacity';
import { measureMeaning, measureTrend, measureValue } from './measureWords';

const on = { id: 'm', studentId: 'u', day: '2026-03-01' };
const leg = (seconds: number, day = on.day): Measure => ({ ...on, day, kind: 'one-leg stand', side: 'left', seconds });

test('one-leg stand against the mean of the age (Springer et al. 2007; from memory), at each boundary', () => {
  // 60 to 69 years: 27 s.
  expect(measureMeaning(leg(27), 65)).toContain('At or above the 27 s');
  expect(measureMeaning(leg(26), 65)).toBe('Under the 27 s usual at this age.');
  expect(measureMeaning(leg(13), 65)).toContain('keep a chair within reach');
  expect(measureMeaning(leg(14), 65)).not.toContain('chair');
  expect(measureMeaning(leg(30), null)).toContain('year of birth');
});

test('chair stand and tandem stand (CDC STEADI; from memory)', () => {
  const chair = (count: number): Measure => ({ ...on, kind: 'chair stand', count });
  // 70 to 74 years: 10 for women, 12 for men.
  expect(measureMeaning(chair(9), 72)).toContain('Below average');
  expect(measureMeaning(chair(11), 72)).toContain('10 for women and 12 for men');
  expect(measureMeaning(chair(12), 72)).toContain('Average or better');
  expect(measureMeaning(chair(12), 40)).toContain('begin at 60');
  expect(measureMeaning({ ...on, kind: 'tandem stand', seconds: 9 }, 72)).toContain('licensed practitioner');
  expect(measureMeaning({ ...on, kind: 'tandem stand', seconds: 10 }, 72)).toContain('as it should be');
});

test('holds, scales, ankle and breath say what they are used for', () => {
  const hold: Measure = { ...on, kind: 'hold', stance: TEST_STANCE, seconds: 200, stoppedBy: 'legs' };
  expect(measureValue(hold)).toBe('3:20 min at 30°, stopped by the legs');
  expect(measureMeaning(hold, null)).toContain('the legs are estimated');
  expect(measureMeaning({ ...hold, stance: { ...TEST_STANCE, kneeBendDeg: 20 } }, null)).toContain('test at 30°');
  expect(measureMeaning({ ...on, kind: 'two scales', leftKg: 35, rightKg: 65, wantedLeft: 0.3 }, null)).toContain(
    'off by 5 points',
  );
  expect(measureMeaning({ ...on, kind: 'knee to wall', side: 'left', cm: 8 }, null)).toContain(
    'stiffer than the usual 38°',
  );
  // 10.5 cm are 37.8°: said as 38°, which is as good as usual.
  expect(measureMeaning({ ...on, kind: 'knee to wall', side: 'left', cm: 10.5 }, null)).toContain(
    'as good as the usual 38°',
  );
  expect(measureMeaning({ ...on, kind: 'resting breath', perMinute: 22 }, null)).toContain('count again');
  expect(measureMeaning({ ...on, kind: 'resting breath', perMinute: 14 }, null)).toContain('under 3.5 a minute');
});

test('a repeated measure says how it changed', () => {
  expect(measureTrend(leg(33, '2026-03-20'), leg(30))).toBe('+10 % since 1 Mar 2026');
  expect(measureTrend(leg(27), leg(30))).toBe('−10 % since 1 Mar 2026');
  expect(measureTrend(leg(30), leg(30))).toBe('as on 1 Mar 2026');
  expect(measureTrend(leg(30), undefined)).toBe('');
});
