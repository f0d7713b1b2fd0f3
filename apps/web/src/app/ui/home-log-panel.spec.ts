import { packedLog, type HomeLog, type PracticeLog } from '@pomek/core';
import { aStudent } from '../../../testing/records';
import { render, type Rendered } from '../../../testing/render';
import { HomeLogPanel } from './home-log-panel';

const student = aStudent();

const practice = (id: string): PracticeLog => ({
  id,
  studentId: student.id,
  routineId: 'r',
  routineName: 'Morning',
  day: '2026-03-12',
  startedAt: '2026-03-12T08:00:00.000Z',
  enteredAt: null,
  practisedSeconds: 600,
  source: 'conducted',
  classId: null,
  lines: [],
  effort: 5,
  pain: 0,
  painWhere: '',
  painPlace: null,
  symptoms: [],
  shook: [],
  hands: [],
  note: `of ${id}`,
});

const logOf = (...ids: string[]): HomeLog => ({
  format: 'pomek home log',
  version: 1,
  sheetId: 'sheet-1',
  sheetMadeOn: '2026-03-09',
  studentId: student.id,
  studentName: student.name,
  givenAt: '2026-03-12T09:00:00.000Z',
  logs: ids.map(practice),
});

const file = (text: string, name = 'log.json'): File => {
  const made = new File([text], name, { type: 'text/plain' });
  // This environment reads no text of files.
  Object.assign(made, { text: () => Promise.resolve(text) });
  return made;
};

async function choose(view: Rendered<HomeLogPanel>, ...texts: string[]): Promise<void> {
  const field = view.element.querySelector<HTMLInputElement>('input[type=file]')!;
  Object.defineProperty(field, 'files', { configurable: true, value: texts.map((text) => file(text)) });
  Object.defineProperty(field, 'value', { configurable: true, writable: true, value: '' });
  field.dispatchEvent(new Event('change'));
  await Promise.resolve();
}

const opened = () => render(HomeLogPanel, { studentId: null }, { students: [student] });

test('what comes in while a log is being kept stays, and what is known by then is known', async () => {
  const view = await opened();
  await choose(view, JSON.stringify(logOf('one')));
  await view.until(/1 new, 0 already/);
  view.button('Import').click();
  // Not waited for: the parts of the same log and one more are chosen at once.
  await choose(view, ...packedLog(logOf('one', 'two'), 60).toReversed());
  await view.until(/1 new, 1 already here/);
  await view.press('Import');
  await view.until(/^(?!.*What the log holds)(?!.*already here)/);
  const kept = await view.database.of('logs').toArray();
  expect(kept).toHaveLength(2);
  expect(kept.every(({ cameInAt }) => cameInAt !== undefined)).toBe(true);
});

test('a whole log takes the place of what was there; a part waits for its others', async () => {
  const view = await opened();
  const [first, ...others] = packedLog(logOf('one'), 60);
  await choose(view, first!);
  await view.until(/1 of \d+ parts are here/);
  await choose(view, ...packedLog(logOf('two', 'three')));
  await view.until(/2 new, 0 already/);
  await choose(view, first!, ...others);
  await view.until(/1 new, 0 already/);
  expect(view.text()).toContain('of one');
});

test('a log taken in by another tab is known at once', async () => {
  const view = await opened();
  await choose(view, JSON.stringify(logOf('one')));
  await view.until(/1 new, 0 already/);
  await view.database.of('logs').add(practice('one'));
  await view.until(/0 new, 1 already here/);
  expect(view.text()).toContain('there is nothing to import');
});
