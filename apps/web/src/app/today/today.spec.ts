import { TestBed } from '@angular/core/testing';
import { formatISO, getISODay, parseISO, subDays } from 'date-fns';
import { demoContents, emptyContents, newClass, newStill, sources, writeBundle, type PracticeLog } from '@pomek/core';
import { aRoutine, aStudent, someContents } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { Store } from '../data/store';
import { ImportPanel } from '../files/import-panel';
import { NoticesView } from '../shell/notices-view';
import { SourcesPage } from '../sources/sources-page';
import { FirstSteps } from './first-steps';
import { TodayBoard } from './today-board';

const today = new Clock().today();
const weekday = getISODay(parseISO(today));

test('an empty space shows the first steps, and marks what is done', async () => {
  expect((await render(TodayBoard)).text()).toContain('To begin with');
  const page = await render(FirstSteps, { hasRoutine: true, hasStudent: false, hasPlan: false, hasLog: false });
  expect([...page.element.querySelectorAll('li')].map((step) => step.classList.contains('done'))).toEqual([
    true,
    false,
    false,
    false,
  ]);
});

test('who has this weekday practises today, with cautions; others do not', async () => {
  const students = [
    aStudent({ id: 'a', name: 'Comes Today', practiceDays: [weekday], cautions: ['Left knee'] }),
    aStudent({ id: 'b', name: 'Comes Later', practiceDays: [(weekday % 7) + 1] }),
  ];
  const page = await render(TodayBoard, {}, { students, routines: [aRoutine()] });
  const list = page.element.querySelector('section[aria-labelledby="practising"]')!.textContent;
  expect(list).toContain('Comes Today');
  expect(list).toContain('Left knee');
  expect(list).toContain('no routine given yet');
  expect(list).not.toContain('Comes Later');
});

test('the next class stands there with its room, what was done last, who missed it and who waited', async () => {
  const students = [aStudent({ id: 'a', name: 'Ama Reed' }), aStudent({ id: 'b', name: 'Bo Field' })];
  const tomorrow = {
    ...newClass('soon', 'Soon class', (weekday % 7) + 1),
    place: 'The barn',
    roster: ['a', 'b', 'gone'],
  };
  const later = { ...newClass('later', 'Later class', ((weekday + 2) % 7) + 1), roster: ['a'] };
  const day = formatISO(subDays(parseISO(today), 6), { representation: 'date' });
  const meeting = {
    id: 'm',
    classId: 'soon',
    day,
    startedAt: `${day}T18:30:00.000Z`,
    practisedSeconds: 1800,
    routineName: 'Evening',
    lesson: null,
    present: ['a'],
    corrected: [],
    waiting: ['a'],
    note: '',
  };
  const routines = [aRoutine()];
  const classes = [later, { ...tomorrow, routineId: routines[0]!.id }];
  const page = await render(TodayBoard, {}, { students, routines, classes, meetings: [meeting] });
  await page.until(/The next class/);
  const text = page.element.querySelector('section[aria-labelledby="next-class"]')!.textContent.replace(/\s+/g, ' ');
  expect(text).toContain('Soon class');
  expect(text).not.toContain('Later class');
  expect(text).toContain('18:30–19:30, The barn');
  expect(text).toContain('2 people');
  expect(text).toContain('Last: Evening 6 days ago; missed by Bo Field');
  expect(text).toContain('Corrected first: Ama Reed');
});

test('what came back from home and pictures that wait are named, each a press away; without them nothing is', async () => {
  const students = [aStudent({ id: 'a', name: 'Ama Reed' }), aStudent({ id: 'b', name: 'Bo Field' })];
  const picture = { studentId: 'b', day: today, width: 1, height: 1, bytes: 1 };
  const stills = ['one', 'two', 'three', 'four'].map((name) => newStill({ ...picture, id: name, name }));
  const home: PracticeLog = {
    id: 'home',
    studentId: 'a',
    routineId: 'r',
    routineName: 'Morning',
    day: today,
    startedAt: `${today}T08:00:00.000Z`,
    enteredAt: null,
    cameInAt: new Date().toISOString(),
    practisedSeconds: 600,
    source: 'conducted',
    classId: null,
    lines: [],
    effort: 6,
    pain: 2,
    painWhere: '',
    painPlace: null,
    symptoms: [],
    shook: [],
    note: '',
  };
  const page = await render(TodayBoard, {}, { students, stills, logs: [home] });
  await page.until(/Came in/);
  const section = page.element.querySelector('section[aria-labelledby="came-in"]')!;
  const text = section.textContent.replace(/\s+/g, ' ');
  expect(text).toContain('Ama Reed1 practice from home; the hardest 6 of 10, pain up to 2 of 10');
  expect(text).toMatch(/Bo Fieldtwo of \w+ \d+ \w+, not marked yet/);
  expect(text).toContain('and 1 more');
  const links = [...section.querySelectorAll('a')].map((link) => link.getAttribute('href'));
  expect(links).toContain('/students/a?part=practices');
  expect(links).toContain('/students/b/film/two');
  const quiet = await render(TodayBoard, {}, { students });
  expect(quiet.text()).not.toContain('Came in');
});

test('what matters most stands first: stop, then ease, then raise; the long unseen are named', async () => {
  const { students, plans, logs, decisions, routines, schools, exercises } = demoContents(today);
  const page = await render(TodayBoard, {}, { students, plans, logs, decisions, routines, schools, exercises });
  await page.until(/Stop and refer/);
  await page.until(/^(?!.*Looking through the practices)/);
  const due = [...page.element.querySelectorAll('section[aria-labelledby="due"] li')].map((entry) => entry.textContent);
  expect(due[0]).toContain('Bertil Anquist');
  expect(due[0]).toContain('Stop and refer');
  const kinds = due.map((text) => ['Stop and refer', 'Ease', 'Raise', 'Stay'].findIndex((word) => text.includes(word)));
  expect(kinds).toEqual([...kinds].sort((a, b) => a - b));
  expect(page.element.querySelector('section[aria-labelledby="unseen"]')!.textContent).toContain('Wilhelmina Frost');
});

describe('taking a file in', () => {
  const offer = async (text: string, stored = {}) => {
    const page = await render(ImportPanel, {}, stored);
    const panel = page.fixture.componentInstance as unknown as { read(file: File): void };
    panel.read(new File([text], 'mine.json'));
    await page.settle();
    await page.settle();
    return page;
  };
  const bundle = (contents = someContents()) => writeBundle(contents, new Date('2026-03-02T09:00:00Z'));

  test('shows what is new, takes it in, and can be undone', async () => {
    const page = await offer(bundle());
    expect(page.text()).toContain('2 new');
    await page.press('Take in 2');
    expect(await page.database.of('students').count()).toBe(1);
    await TestBed.inject(Store).undo();
    expect(await page.database.of('students').count()).toBe(0);
  });

  test('takes only what is ticked', async () => {
    const page = await offer(bundle(), { students: [aStudent({ name: 'Old Name' })] });
    expect(page.text()).toContain('1 changed');
    page.element.querySelector<HTMLInputElement>('input[aria-label="Take in Nela Brisk"]')!.click();
    await page.settle();
    await page.press('Take in 1');
    expect((await page.database.of('students').get('student-1'))!.name).toBe('Old Name');
    expect(await page.database.of('routines').count()).toBe(1);
  });

  test('refuses a damaged file with its place, and a huge one without reading it', async () => {
    const page = await offer(bundle().slice(0, 300));
    expect(page.text()).toMatch(/mine.json was not taken in. Nothing was changed.*line \d+, column \d+/);
    const panel = page.fixture.componentInstance as unknown as { read(file: File): void };
    panel.read({ name: 'huge.json', size: 100 * 1024 * 1024 } as File);
    await page.settle();
    expect(page.text()).toContain('The file has 100 MB');
    expect(await page.database.of('students').count()).toBe(0);
  });

  test('nothing new is nothing to take in', async () => {
    const page = await offer(bundle({ ...emptyContents(), students: [aStudent()] }), { students: [aStudent()] });
    expect(page.button('Nothing to take in').disabled).toBe(true);
  });
});

test('a notice offers undo where there is one, and can be closed', async () => {
  const page = await render(NoticesView);
  const notices = TestBed.inject(Notices);
  await TestBed.inject(Store).write('Add', [{ table: 'students', add: aStudent() }]);
  notices.done('Added', { undo: true });
  notices.failure('Broken', new Error('because'));
  await page.settle();
  expect(page.text()).toContain('because');
  await page.press('Undo');
  expect(await page.database.of('students').count()).toBe(0);
  expect(page.text()).toContain('Undone: Add');
  await page.press('Close this message');
  expect(notices.open()).toHaveLength(1);
});

test('the Sources page shows every formula with source and limits', async () => {
  const page = await render(SourcesPage);
  expect(page.element.querySelectorAll('section > dl')).toHaveLength(sources.length);
  expect(page.element.querySelectorAll('dd')).toHaveLength(3 * sources.length);
  expect(page.text()).toContain('ACSM position stand 2009');
});
