import { TestBed } from '@angular/core/testing';
import { map, of, throwError } from 'rxjs';
import { newClass, timeline } from '@pomek/core';
import { aRoutine, aStudent } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Compute } from '../compute/compute';
import type { Request } from '../compute/protocol';
import { Store } from '../data/store';
import { LayOut } from './lay-out';

jest.setTimeout(120_000);

type LayQuestion = Extract<Request, { task: 'lay-out' }>;

const laid = async (page: Awaited<ReturnType<typeof opened>>) => {
  await page.press('Lay out');
  await page.until(/Take this one|Nothing fits/);
  return [...page.element.querySelectorAll('article')];
};
const opened = async (stored: Parameters<typeof render>[2] = {}) => render(LayOut, {}, stored);
const names = (article: Element): string[] =>
  [...article.querySelectorAll('li strong')].map((entry) => entry.textContent);

test('three routines to the second, each with why; one is taken, and undone', async () => {
  const page = await opened();
  await page.fill('Minutes', '12');
  page.fixture.componentInstance['draft'].set({ wishes: ['breath'] });
  const articles = await laid(page);
  expect(articles).toHaveLength(3);
  for (const article of articles) {
    expect(article.textContent).toContain('12:00 min');
    expect(article.textContent).toMatch(/of the middle is breathing/);
  }
  expect(new Set(articles.map((article) => names(article).join())).size).toBe(3);
  const wanted = names(articles[1]!);
  articles[1]!.querySelector<HTMLButtonElement>(':scope > .row p-button button')!.click();
  await page.settle();
  const [made] = await page.database.of('routines').toArray();
  expect(made).toMatchObject({ name: '12 min: breathing' });
  expect(timeline(made!).totalMs).toBe(720_000);
  expect(made!.segments).toHaveLength(wanted.length);
  expect(await TestBed.inject(Store).undo()).toBe('Lay out 12 min: breathing');
  expect(await page.database.of('routines').count()).toBe(0);
  // What was asked is forgotten once it was taken.
  expect(page.fixture.componentInstance['draft'].value()).toMatchObject({ minutes: 20, wishes: [] });
});

test('one exercise is exchanged for the next best, the others and the length stay', async () => {
  const page = await opened();
  const [first] = await laid(page);
  const before = names(first!);
  const at = 1;
  await page.press(`Another exercise instead of ${before[at]}`);
  for (let round = 0; round < 100 && page.fixture.componentInstance['busy'](); round += 1) await page.settle();
  const after = names(page.element.querySelector('article')!);
  if (after[at] !== before[at]) {
    expect(after.toSpliced(at, 1)).toEqual(before.toSpliced(at, 1));
    expect(page.element.querySelector('article')!.textContent).toContain('20:00 min');
  }
});

test('for a student what is noted is kept to', async () => {
  const student = aStudent({ conditions: ['knee pain'] });
  const page = await opened({ students: [student], routines: [aRoutine()] });
  page.fixture.componentInstance['draft'].set({ whom: `student ${student.id}`, minutes: 15 });
  await page.settle();
  expect(page.text()).toContain('Like last time');
  const articles = await laid(page);
  expect(articles.length).toBeGreaterThan(0);
  for (const article of articles) expect(names(article)).not.toContain('Squat and bounce');
});

test('what cannot be done is said, and a fault of the work as well', async () => {
  const page = await opened();
  await page.fill('Minutes', '5');
  page.fixture.componentInstance['draft'].set({ wishes: ['reeling'] });
  const list = await laid(page);
  if (list.length === 0) expect(page.text()).toContain('No routine of that length');
  jest.spyOn(TestBed.inject(Compute), 'result').mockReturnValue(throwError(() => new Error('No room.')));
  await page.press('Lay out');
  await page.until(/No room\./);
  expect(page.fixture.componentInstance['busy']()).toBe(false);
});

test('where exercises are locked it says how many, and leaves the other ways open', async () => {
  const student = aStudent();
  const page = await opened({ students: [student] });
  page.fixture.componentInstance['draft'].set({ whom: `student ${student.id}` });
  await page.settle();
  for (const [locked, words] of [
    [39, 'Of 48 exercises 39 are locked after a sign to stop'],
    [1, 'Of 48 exercises one is locked after a sign to stop'],
  ] as const) {
    jest
      .spyOn(TestBed.inject(Compute), 'result')
      .mockReturnValue(of({ proposals: [], without: [], locked, shelf: 48 }));
    await laid(page);
    expect(page.text()).toContain(words);
    expect(page.text()).toContain('Give it more time, or wish for something else.');
  }
});

test('of a class it says for whom the proposals are not; an exchange is for the others as well', async () => {
  const [one, other] = [aStudent({ id: 'one', name: 'One' }), aStudent({ id: 'other', name: 'Other' })];
  const taught = { ...newClass('class', 'Class', 2), roster: ['one', 'other'] };
  const page = await opened({ students: [one, other], classes: [taught] });
  page.fixture.componentInstance['draft'].set({ whom: `class ${taught.id}` });
  await page.settle();
  const compute = TestBed.inject(Compute);
  const honest = compute.result.bind(compute);
  const asked: string[][] = [];
  jest.spyOn(compute, 'result').mockImplementation(((task: 'lay-out', question: LayQuestion) => {
    asked.push([...question.studentIds]);
    return honest(task, question).pipe(map((found) => ({ ...found, without: [{ id: 'other', name: 'Other' }] })));
  }) as never);
  const [article] = await laid(page);
  expect(page.text()).toContain('Not for Other. No routine of this length suits the whole class with them.');
  await page.press(`Another exercise instead of ${names(article!)[1]}`);
  expect(asked).toEqual([['one', 'other'], ['one']]);
});

test('why an exercise stands there is told once of several in a row', async () => {
  const page = await opened();
  page.fixture.componentInstance['draft'].set({ minutes: 30 });
  const [article] = await laid(page);
  const told = [...article!.querySelectorAll('.why')].map((why) => why.querySelector('.soft')?.textContent ?? null);
  expect(told[0]).toBe('Loosens before the work, from below upwards.');
  expect(told.filter((reason) => reason === told[0])).toHaveLength(1);
});
