import { throwError } from 'rxjs';
import { demoContents, newClass } from '@pomek/core';
import { formatISO } from 'date-fns';
import { render } from '../../../testing/render';
import { Compute } from '../compute/compute';
import { SeasonPage } from './season-page';

const demo = demoContents(formatISO(new Date(), { representation: 'date' }));
const few = new Set(['demo-student-3', 'demo-student-5']);
const own = <T extends { studentId: string }>(list: T[]): T[] => list.filter(({ studentId }) => few.has(studentId));
const stored = {
  students: demo.students.filter(({ id }) => few.has(id)),
  plans: own(demo.plans),
  logs: own(demo.logs),
  measures: own(demo.measures),
  decisions: own(demo.decisions),
  routines: demo.routines,
  schools: demo.schools,
  exercises: demo.exercises,
};
test('each goal of each student has its line: where it stands, its weeks, when it is reached, what binds', async () => {
  const page = await render(SeasonPage, {}, stored);
  await page.until(/Stop and refer/);
  const strands = stored.plans.flatMap((plan) => plan.strands);
  expect(page.element.querySelectorAll('tbody tr')).toHaveLength(strands.length);
  expect(page.element.querySelectorAll('tbody th')).toHaveLength(stored.plans.length);
  await page.until(/not reached|\d{4}/);
  for (const row of page.element.querySelectorAll('tbody tr'))
    expect(row.querySelectorAll('rect').length).toBeGreaterThan(5);
  expect(page.element.querySelector('progress')).toBeNull();
});

test('the sheet can be that of one class', async () => {
  const classes = [{ ...newClass('c', 'Evening class', 2), roster: ['demo-student-5'] }];
  const page = await render(SeasonPage, {}, { ...stored, classes });
  await page.until(/Bertil Anquist/);
  const sheet = page.fixture.componentInstance as unknown as { choose: (value: string) => void };
  sheet.choose('class:c');
  await page.settle();
  expect([...page.element.querySelectorAll('tbody th')].map((head) => head.textContent.trim())).toEqual([
    'Caspian Roe',
  ]);
});

test('without a plan it says what would stand here; what cannot be reckoned is said', async () => {
  const empty = await render(SeasonPage, {}, { ...stored, plans: [] });
  expect(empty.text()).toContain('No plan yet');
  const broken = {
    provide: Compute,
    useFactory: () =>
      Object.assign(new Compute(), {
        result: () => throwError(() => new Error('no worker')),
        steps: () => throwError(() => new Error('no answer')),
      }),
  };
  const page = await render(SeasonPage, {}, stored, [broken]);
  await page.until(/The weeks could not be computed: no worker/);
  await page.until(/What waits could not be worked out: no answer/);
  expect(page.element.querySelectorAll('tbody tr').length).toBeGreaterThan(0);
});

test('what was asked before the first practice that was read is not drawn', async () => {
  const late = { ...stored, logs: [] };
  const page = await render(SeasonPage, {}, late);
  await page.until(/not reached|\d{4}/);
  for (const row of page.element.querySelectorAll('tbody tr'))
    expect(row.querySelectorAll('rect.past')).toHaveLength(0);
});
