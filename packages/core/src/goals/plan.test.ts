import { plan, strand } from '../testing/samples';
import { PlanSchema } from './plan';

const wrong = (value: unknown): string[] =>
  (PlanSchema.safeParse(value).error?.issues ?? []).map(({ path, message }) => `${path.join('.')}: ${message}`);

test('a plan reaches ten years ahead at most, with its goals and its holidays', () => {
  const to = (targetDay: string) => plan([strand({ targetDay })], { startsOn: '2026-01-05' });
  expect(wrong(to('2035-12-24'))).toEqual([]);
  expect(wrong(to('2035-12-25'))).toEqual(['strands.0.targetDay: a plan reaches ten years ahead at most']);
  const away = plan([], { startsOn: '2026-01-05', holidays: [{ from: '2026-02-01', to: '2099-02-01' }] });
  expect(wrong(away)).toEqual(['holidays.0.to: a plan reaches ten years ahead at most']);
});

test('a plan that starts in another age is refused', () => {
  expect(wrong(plan([strand()], { startsOn: '0001-01-01' }))).toEqual(['startsOn: a day lies between 1970 and 2199']);
  expect(wrong(plan([], { startsOn: '1970-01-01' }))).toEqual([]);
});
