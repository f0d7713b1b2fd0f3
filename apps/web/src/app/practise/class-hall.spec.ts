import { newClass, newChain, type ClassPerson, type Journal } from '@pomek/core';
import { aRoutine, aStudent } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Store } from '../data/store';
import { Conductor } from './conductor';

const start = Date.now();
const person = (studentId: string, name: string, change: Partial<ClassPerson> = {}): ClassPerson => ({
  studentId,
  name,
  from: start,
  to: null,
  safety: false,
  waited: false,
  lastCorrected: null,
  inWork: [],
  cautions: [],
  rungs: [],
  ...change,
});
const nela = aStudent();
const odo = aStudent({ id: 'student-2', name: 'Odo Brand' });
/** The stand of the routine begins after ten seconds of taking it up. */
const journal = (change: Partial<Journal> = {}, group: Partial<Journal['group']> = {}): Journal => ({
  id: 'journal-1',
  studentId: null,
  routine: aRoutine(),
  cares: [],
  group: {
    classId: 'class-1',
    name: 'Evening class',
    minutes: 60,
    startsAt: '18:30',
    lesson: null,
    people: [
      person('student-1', 'Nela Brisk'),
      person('student-2', 'Odo Brand', { safety: true, cautions: ['Sits when tired'] }),
      person('gone', 'Long Gone', { from: null }),
    ],
    seen: [],
    visits: [],
    whole: null,
    ...group,
  },
  events: [
    { at: start - 1000, action: 'start' },
    { at: start - 500, action: 'next' },
  ],
  seenAt: start - 500,
  ...change,
});
const hall = async (of: Journal = journal()) => {
  const page = await render(
    Conductor,
    { journalId: 'journal-1' },
    {
      journals: [of],
      students: [nela, odo],
      classes: [{ ...newClass('class-1', 'Evening class', 1), chainId: 'chain-1' }],
      chains: [
        {
          ...newChain('chain-1', 'Pond'),
          pieces: [{ id: 'a', name: 'Reeds', seconds: 30, side: 'left', exerciseId: null, travel: null }],
        },
      ],
    },
  );
  const key = async (name: string) => {
    document.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
    await page.settle();
  };
  const group = async () => (await page.database.of('journals').get('journal-1'))!.group!;
  return { page, key, group };
};

test('what can hurt is corrected first; a point, whether it helped, the next person: all by one key, and kept at once', async () => {
  const { page, key, group } = await hall();
  await page.until(/Odo Brand/);
  expect(page.element.querySelector('section.turn .name')!.textContent).toBe('Odo Brand');
  expect(page.text()).toContain('Sits when tired');
  await key('1');
  await key('h');
  expect((await group()).seen).toMatchObject([{ studentId: 'student-2', helped: true }]);
  await key('h');
  expect((await group()).seen[0]!.helped).toBeNull();
  await key('a');
  expect((await group()).seen[0]!.helped).toBe(false);
  await key('n');
  expect((await group()).visits.map(({ studentId }) => studentId)).toEqual(['student-2']);
  expect(page.element.querySelector('section.turn .name')!.textContent).toBe('Nela Brisk');
  await page.press(/^Odo Brand/);
  await page.press('Take back ' + (await group()).seen[0]!.region);
  expect((await group()).seen).toEqual([]);
});

test('who is passed over at once is not corrected, and comes again after the others', async () => {
  const { page, key, group } = await hall();
  await page.until(/Odo Brand/);
  await key('n');
  expect((await group()).visits).toMatchObject([{ studentId: 'student-2', passed: true }]);
  expect(page.element.querySelector('section.turn .name')!.textContent).toBe('Nela Brisk');
  expect(page.element.querySelector('.people')!.textContent).not.toContain('was corrected');
  await key('n');
  expect(page.element.querySelector('section.turn .name')!.textContent).toBe('Odo Brand');
});

test('a point out of turn counts as a visit, and leaves the turn where it is', async () => {
  const { page, key, group } = await hall();
  await page.until(/Nela Brisk/);
  await page.press(/^Nela Brisk/);
  await key('1');
  const { seen, visits } = await group();
  expect(seen.map(({ studentId }) => studentId)).toEqual(['student-1']);
  expect(visits).toMatchObject([{ studentId: 'student-1', offsetMs: 0 }]);
  expect(page.element.querySelector('section.turn .name')!.textContent).toBe('Odo Brand');
});

test('who comes late is there from then on; who goes home is not', async () => {
  const { page, group } = await hall();
  await page.until(/Long Gone comes/);
  await page.press('Long Gone comes');
  expect((await group()).people.find(({ studentId }) => studentId === 'gone')!.from).toBeGreaterThanOrEqual(start);
  await page.press(/^Nela Brisk/);
  await page.press('Nela Brisk goes home');
  expect((await group()).people[0]!.to).toBeGreaterThanOrEqual(start);
  await page.press('Nela Brisk comes back');
  expect((await group()).people[0]).toMatchObject({ from: start, to: null });
});

test('of a class alignment is not noted for all', async () => {
  const { page, key } = await hall();
  await page.until(/Odo Brand/);
  expect(page.text()).not.toContain('Alignment lost');
  await key('l');
  expect((await page.database.of('journals').get('journal-1'))!.events).toHaveLength(3);
});

test('who leaves a drill out is not corrected in it; what is otherwise is said beside the name', async () => {
  const tree = aRoutine().segments[0]!;
  if (tree.type !== 'exercise' || tree.dose.kind !== 'hold') throw new Error('a hold');
  const less = { ...tree, dose: { ...tree.dose, holdSeconds: tree.dose.holdSeconds - 15 } };
  const rung = { segmentId: tree.id, countsFor: null, because: '' };
  const { page } = await hall(
    journal(
      {},
      {
        people: [
          person('student-1', 'Nela Brisk', { rungs: [{ ...rung, own: less }] }),
          person('student-2', 'Odo Brand', {
            safety: true,
            rungs: [{ ...rung, own: null, because: 'not opened yet' }],
          }),
        ],
      },
    ),
  );
  await page.until(/Nela Brisk/);
  expect(page.element.querySelector('section.turn .name')!.textContent).toBe('Nela Brisk');
  expect(page.text()).toMatch(/Odo Brand ?left out/);
});

test('the end writes the meeting, a log and the corrections of each, and the next lesson: one step, undone as one', async () => {
  const done = journal(
    { events: [...journal().events, { at: start, action: 'end' }], seenAt: start },
    { lesson: { chainId: 'chain-1', number: 1, mode: 'each', teaches: 'Reeds' } },
  );
  const { page } = await hall({
    ...done,
    group: {
      ...done.group!,
      seen: [
        {
          at: start,
          studentId: 'student-2',
          checkpointId: 'knees-track',
          region: 'knees',
          safety: true,
          cue: 'x',
          helped: true,
        },
      ],
    },
  });
  await page.until(/Done: Evening class/);
  expect(page.text()).toContain('corrected: Odo Brand');
  page.element.querySelector<HTMLInputElement>('[aria-label^="Effort of all 4"]')!.click();
  await page.settle();
  await page.press('Odo Brand');
  page.element.querySelector<HTMLInputElement>('[aria-label^="Pain of Odo Brand 7"]')!.click();
  await page.settle();
  expect(page.text()).toContain('see a licensed practitioner');
  await page.press('Save to the logs');
  const logs = await page.database.of('logs').toArray();
  expect(logs.map(({ studentId, effort, pain }) => [studentId, effort, pain]).toSorted()).toEqual([
    ['student-1', 4, null],
    ['student-2', 4, 7],
  ]);
  expect(await page.database.of('corrections').toArray()).toMatchObject([{ studentId: 'student-2', helped: true }]);
  expect(await page.database.of('meetings').toArray()).toMatchObject([{ id: 'journal-1', corrected: ['student-2'] }]);
  expect((await page.database.of('classes').get('class-1'))!.progress).toMatchObject({ nextLesson: 2, taught: 1 });
  expect(await page.database.of('journals').count()).toBe(0);
  expect(await page.fixture.debugElement.injector.get(Store).undo()).toBe('Class: Evening class');
  expect(await page.database.of('logs').count()).toBe(0);
  expect(await page.database.of('meetings').count()).toBe(0);
  expect((await page.database.of('classes').get('class-1'))!.progress).toBeNull();
});

test('what was said of one can be taken back: then it is as for all', async () => {
  const done = journal({ events: [...journal().events, { at: start, action: 'end' }], seenAt: start });
  const { page } = await hall(done);
  await page.until(/Done: Evening class/);
  await page.press('Odo Brand');
  page.element.querySelector<HTMLInputElement>('[aria-label^="Effort of Odo Brand 7"]')!.click();
  await page.settle();
  await page.press('As for all');
  const box = page.element.querySelector('pk-hands-answers')!;
  const good = [...box.querySelectorAll('label')].find(({ textContent }) => textContent === 'the arm falls at once')!;
  box.querySelector<HTMLInputElement>(`[id="${good.htmlFor}"]`)!.click();
  await page.settle();
  await page.press('Save to the logs');
  const logs = await page.database.of('logs').toArray();
  expect(logs.map(({ effort }) => effort)).toEqual([null, null]);
  // What hands found of one is noted of that one.
  expect(logs.map(({ hands }) => hands.map(({ test, outcome }) => `${test}: ${outcome}`)).toSorted()).toEqual([
    [],
    ['let fall: good'],
  ]);
});
