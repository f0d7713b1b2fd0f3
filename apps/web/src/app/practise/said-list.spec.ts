import {
  builtInExercises,
  cuePlan,
  hallCalls,
  insertSegment,
  newRoutine,
  newSegment,
  softSchool,
  timeline,
  usualCalls,
} from '@pomek/core';
import { render } from '../../../testing/render';
import { SaidList } from './said-list';

test('the list tells what is said and when, as the hall says it', async () => {
  const shelf = new Map(builtInExercises.map((exercise) => [exercise.id, exercise]));
  const routine = insertSegment(
    newRoutine('r', 'Evening', softSchool),
    newSegment('a', shelf.get('heel-lifts')!, softSchool),
  );
  const line = timeline(routine);
  const plan = cuePlan(routine, line, shelf, softSchool);
  const calls = hallCalls(routine, line, usualCalls, { cues: false, parts: 'new' }, shelf, softSchool, plan);
  const page = await render(SaidList, { open: true, calls, line, spoken: false });
  const text = document.body.textContent.replace(/\s+/g, ' ');
  expect(text).toContain('The voice is off now.');
  expect(text).toMatch(/0:00 ?Take up: Slow heel lifts ?0:10 ?Rise and hover ?0:13 ?Down/);
  expect(text).toContain('Done');
  page.fixture.destroy();
});
