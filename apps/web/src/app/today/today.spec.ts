import { TestBed } from '@angular/core/testing';
import { formatISO, getISODay, parseISO, subDays } from 'date-fns';
import { demoContents, emptyContents, newClass, newStill, sources, writeBundle, type PracticeLog } from '@pomek/core';
import { aPlan, aRoutine, aStudent, someContents } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { Store } from '../data/store';
import { ImportPanel } from '../files/import-panel';
import { NoticesView } from '../shell/notices-view';
import { SourcesPage } from '../sources/sources-page';
import { CopyFolder } from '../data/copy-folder';
import { LastCopy } from '../ui/last-copy';
import { CopyReminder } from './copy-reminder';
import { FirstSteps } from './first-steps';
import { TodayBoard } from './today-board';

const today = new Clock().today();
const weekday = getISODay(parseISO(today));

test('an empty space shows the first steps, and marks what is done', async () => {
  expect((await render(TodayBoard)).text()).toContain('To begin with');
  const page = await render(FirstSteps, {
    hasRoutine: true,
    hasStudent: false,
    hasClass: false,
    hasPlan: false,
    hasLog: false,
  });
  const done = [...page.element.querySelectorAll('.done')].map((step) => step.querySelector('h3')?.textContent);
  expect(done).toEqual(['With a routine']);
  // People, a routine by either way, a class, or the hall that is made up.
  const ways = [...page.element.querySelectorAll('a')].map((link) => link.getAttribute('href'));
  expect(ways).toEqual([
    '/students?begin=several',
    '/routines/lay-out',
    '/routines',
    '/classes',
    '/demo',
    '/ten-minutes',
    '/students',
    '/practise',
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
    hands: [],
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
    await page.press('Import 2');
    expect(await page.database.of('students').count()).toBe(1);
    await TestBed.inject(Store).undo();
    expect(await page.database.of('students').count()).toBe(0);
  });

  test('takes only what is ticked', async () => {
    const page = await offer(bundle(), { students: [aStudent({ name: 'Old Name' })] });
    expect(page.text()).toContain('1 changed');
    page.element.querySelector<HTMLInputElement>('input[aria-label="Import Nela Brisk"]')!.click();
    await page.settle();
    await page.press('Import 1');
    expect((await page.database.of('students').get('student-1'))!.name).toBe('Old Name');
    expect(await page.database.of('routines').count()).toBe(1);
  });

  test('refuses a damaged file with its place, and a huge one without reading it', async () => {
    const page = await offer(bundle().slice(0, 300));
    expect(page.text()).toMatch(/mine.json was not imported. Nothing was changed.*line \d+, column \d+/);
    const panel = page.fixture.componentInstance as unknown as { read(file: File): void };
    panel.read({ name: 'huge.json', size: 100 * 1024 * 1024 } as File);
    await page.settle();
    expect(page.text()).toContain('The file has 100 MB');
    expect(await page.database.of('students').count()).toBe(0);
  });

  test('nothing new is nothing to import', async () => {
    const page = await offer(bundle({ ...emptyContents(), students: [aStudent()] }), { students: [aStudent()] });
    expect(page.button('Nothing to import').disabled).toBe(true);
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

test('it is decided on Today, with the reasons and how the last practice felt; undone in one step', async () => {
  const demo = demoContents(today);
  const page = await render(TodayBoard, {}, demo as never);
  const due = () => page.element.querySelector<HTMLElement>('section[aria-labelledby="due"]')!;
  await page.until(/Decide/);
  for (let round = 0; round < 100 && page.text().includes('Looking through'); round += 1) await page.settle();
  const rows = [...due().querySelectorAll('li.deciding')];
  const row = rows.find((entry) => entry.textContent.includes('Raise') && !entry.textContent.includes('Stop'))!;
  const name = row.querySelector('.name')!.textContent;
  const next = rows[rows.indexOf(row) + 1]?.querySelector('.name')?.textContent;
  const before = await page.database.of('decisions').count();
  await page.press(`Decide for ${name}`);
  await page.until(/Last practised .*effort/);
  await page.press('Accept all except stops');
  for (let round = 0; round < 40 && (await page.database.of('decisions').count()) === before; round += 1)
    await page.settle();
  const made = (await page.database.of('decisions').toArray()).filter(
    ({ id }) => !demo.decisions.some((one) => one.id === id),
  );
  expect(made.length).toBeGreaterThan(0);
  const student = demo.students.find((one) => one.name === name)!;
  for (const one of made) expect(one).toMatchObject({ studentId: student.id, outcome: 'accepted', day: today });
  // All is decided: the row closes and the name is gone from the list.
  for (let round = 0; round < 100 && due().textContent.includes(name); round += 1) await page.settle();
  expect(due().textContent).not.toContain(name);
  // The next one is opened, and has the keyboard.
  expect(document.activeElement?.getAttribute('aria-label')).toBe(
    next === undefined ? null : `Close the decisions on ${next}`,
  );
  expect(await TestBed.inject(Store).undo()).toBe('Accept all except stops');
  expect(await page.database.of('decisions').count()).toBe(before);
});

test('the next days name who practises and the classes that meet, and today’s list comes from the same week', async () => {
  const next = (weekday % 7) + 1;
  const students = [
    aStudent({ id: 'a', name: 'Ama Reed', practiceDays: [weekday, next] }),
    aStudent({ id: 'b', name: 'Bo Field', practiceDays: [next] }),
  ];
  const day = formatISO(new Date(), { representation: 'date' });
  const away = { ...aPlan(), id: 'away', studentId: 'a', holidays: [{ from: day, to: day }] };
  const classes = [{ ...newClass('soon', 'Soon class', next), startsAt: '18:30' }];
  const page = await render(TodayBoard, {}, { students, routines: [aRoutine()], plans: [away], classes });
  await page.until(/The next days/);
  const days = page.element.querySelectorAll('section[aria-labelledby="days-ahead"] .day');
  expect(days).toHaveLength(6);
  expect(days[0]!.textContent.replace(/\s+/g, ' ')).toMatch(/tomorrow ?Soon class 18:30 ?Ama ?Bo/);
  expect(days[1]!.textContent).toContain('nobody');
  expect(page.element.querySelector('section[aria-labelledby="practising"]')!.textContent).toContain(
    'Nobody practises today.',
  );
});

test('a copy is asked for once there are practices and none was made for a week; it is made there, or put off', async () => {
  const page = await render(CopyReminder, { practised: true }, { students: [aStudent()] });
  expect(page.text()).toContain('No copy has been made yet');
  await page.press('In three days');
  expect(page.text()).toBe('');
  expect(localStorage.getItem('pomek.own.copy-put-off-on')).toBe(today);
  // There is no place for files in these tests.
  Object.assign(URL, { createObjectURL: () => 'blob:copy', revokeObjectURL: () => undefined });
  await TestBed.inject(LastCopy).make();
  expect(localStorage.getItem('pomek.own.copied-on')).toBe(today);

  const ago = (days: number): string => formatISO(subDays(parseISO(today), days), { representation: 'date' });
  const reminder = async (made: string | null, off: string | null, practised = true, changed = true) => {
    TestBed.resetTestingModule();
    const copy = { madeOn: () => made, putOffOn: () => off, changedSince: () => changed };
    return (await render(CopyReminder, { practised }, {}, [{ provide: LastCopy, useValue: copy }])).text();
  };
  expect(await reminder(null, null, false)).toBe('');
  expect(await reminder(ago(6), null)).toBe('');
  expect(await reminder(ago(7), null)).toContain('The last copy of everything was made on');
  expect(await reminder(ago(7), ago(2))).toBe('');
  expect(await reminder(ago(9), ago(3))).toContain('The last copy of everything was made on');
  expect(await reminder(ago(30), null, true, false)).toBe('');
});

test('what keeps copies from going into their folder is said, with the way on', async () => {
  const told = async (state: { allowed: boolean; due: boolean; trouble?: string }) => {
    TestBed.resetTestingModule();
    const allow = jest.fn();
    const folder = {
      chosen: () => ({ folder: { name: 'Backup' }, last: { day: today }, trouble: state.trouble ?? '' }),
      due: () => state.due,
      allowed: () => state.allowed,
      allow,
    };
    return {
      page: await render(CopyReminder, { practised: true }, {}, [{ provide: CopyFolder, useValue: folder }]),
      allow,
    };
  };
  const asks = await told({ allowed: false, due: true });
  expect(asks.page.text()).toContain('The browser wants to be asked again before copies can go into “Backup”.');
  await asks.page.press('Allow it');
  expect(asks.allow).toHaveBeenCalledTimes(1);
  const failed = await told({ allowed: true, due: true, trouble: 'There is no room left there.' });
  expect(failed.page.text()).toContain('The last copy into “Backup” failed. There is no room left there.');
  expect((await told({ allowed: false, due: false })).page.text()).toBe('');
  expect((await told({ allowed: true, due: true })).page.text()).toBe('');
});

test('what somebody else wrote where the day of the last copy stands is no day', async () => {
  await render(CopyReminder, { practised: false });
  localStorage.setItem('pomek.own.copied-on', 'soon');
  expect(TestBed.runInInjectionContext(() => new LastCopy()).madeOn()).toBeNull();
});
