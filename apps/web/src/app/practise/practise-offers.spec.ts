import { formatISO, getISODay } from 'date-fns';
import { aPlan, aRoutine, aStudent } from '../../../testing/records';
import { render } from '../../../testing/render';
import { PractiseOffers } from './practise-offers';

const weekday = getISODay(new Date());
const routine = aRoutine();
const given = { ...aPlan(), id: 'given', studentId: 'a', routineId: routine.id };

test('those of today come first, each with what was given; everybody else, and any routine, can be chosen too', async () => {
  const students = [
    aStudent({ id: 'b', name: 'Comes Later', practiceDays: [(weekday % 7) + 1] }),
    aStudent({ id: 'a', name: 'Comes Today', practiceDays: [weekday] }),
  ];
  const page = await render(PractiseOffers, { students, routines: [routine] }, { students, plans: [given] });
  const [now, others, any] = [...page.element.querySelectorAll('section')];
  expect(now!.querySelector('h2')!.textContent).toBe('Practising today');
  expect(now!.textContent).toContain('Comes Today');
  expect(now!.textContent).not.toContain('Comes Later');
  await page.until(new RegExp(routine.name));
  const way = now!.querySelector('a')!;
  expect(way.getAttribute('href')).toBe(`/practise?student=a&routine=${routine.id}`);
  expect(others!.querySelector('a')!.getAttribute('href')).toBe('/practise?student=b');
  expect(any!.querySelector('a')!.getAttribute('href')).toBe(`/practise?routine=${routine.id}`);
  expect(any!.textContent).toContain('min');
});

test('whoever is on holiday in all plans is not of today', async () => {
  const students = [aStudent({ id: 'a', name: 'Comes Today', practiceDays: [weekday] })];
  const day = formatISO(new Date(), { representation: 'date' });
  const plans = [{ ...given, holidays: [{ from: day, to: day }] }];
  const page = await render(PractiseOffers, { students, routines: [routine] }, { students, plans });
  await page.until(/Nobody practises today/);
  expect(page.element.querySelectorAll('section')[1]!.textContent).toContain('Comes Today');
});
