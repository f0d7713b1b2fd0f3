import { aRoutine } from '../../../testing/records';
import { render } from '../../../testing/render';
import { RoutineSummary } from './routine-summary';

test('the line of the reserve stands there before it is reckoned, and only where something is done', async () => {
  const routine = aRoutine();
  const view = await render(RoutineSummary, { routine, names: new Map() });
  expect(view.text()).toMatch(/Strength left at the hardest moment, a standard body: …/);
  const still = await render(RoutineSummary, { routine: { ...routine, segments: [] }, names: new Map() });
  expect(still.text()).not.toContain('Strength left');
});
