import { TestBed } from '@angular/core/testing';
import { aLog, aStudent } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Notices } from '../data/notices';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { SetAsidePanel } from './set-aside-panel';

const tooLong = () => aLog({ id: 'log-2', day: '2026-03-02', practisedSeconds: 90_000 });
const stored = { students: [aStudent()], logs: [aLog(), tooLong()] };
const said = () =>
  TestBed.inject(Notices)
    .open()
    .map(({ title, detail }) => `${title}: ${detail}`);

const typeInto = async (page: Awaited<ReturnType<typeof render>>, label: string, text: string) => {
  const field = page.element.querySelector<HTMLInputElement>(`input[aria-label^="${label}"]`)!;
  field.value = text;
  field.dispatchEvent(new Event('input'));
  await page.settle();
};

test('nothing stands there where everything can be read', async () => {
  const page = await render(SetAsidePanel, {}, { students: [aStudent()], logs: [aLog()] });
  expect(page.text()).toBe('');
});

test('a record that cannot be read is named with what is wrong, put right in its field, and read again', async () => {
  const page = await render(SetAsidePanel, {}, stored);
  await page.until(/1 record cannot be read/);
  expect(page.text()).toContain(`Practice of ${aStudent().name}, 2 Mar 2026`);
  expect(page.text()).toContain('practisedSeconds – a practice lasts 24 h at most');
  const logs = () => TestBed.inject(Repository).read('logs');
  expect((await logs()).map(({ id }) => id)).toEqual(['log-1']);
  expect(page.button(/^Save the practice .*2026$/).disabled).toBe(true);

  await typeInto(page, 'practisedSeconds', 'an hour');
  await page.press(/^Save the practice .*2026$/);
  expect(said().at(-1)).toContain('practisedSeconds: “an hour” is no number');
  await typeInto(page, 'practisedSeconds', '100000');
  await page.press(/^Save the practice .*2026$/);
  expect(said().at(-1)).toContain('still cannot be read: a practice lasts 24 h at most');
  expect(await page.database.of('logs').get('log-2')).toMatchObject({ practisedSeconds: 90_000 });

  await typeInto(page, 'practisedSeconds', '3600');
  await page.press(/^Save the practice .*2026$/);
  await page.until(/^$/);
  expect((await logs()).map(({ practisedSeconds }) => practisedSeconds)).toEqual([aLog().practisedSeconds, 3600]);

  await TestBed.inject(Store).undo();
  await page.until(/1 record cannot be read/);
});

test('a record that cannot be read is removed, comes back by undo, and goes out as a file as it is', async () => {
  const saved: Blob[] = [];
  jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined);
  URL.createObjectURL = (blob) => (saved.push(blob as Blob), 'blob:x');
  const page = await render(SetAsidePanel, {}, stored);
  await page.until(/1 record cannot be read/);
  await page.press(/as a file$/);
  expect(JSON.parse(await saved[0]!.text())).toEqual(tooLong());
  await page.press(/^Remove the practice/);
  await page.until(/^$/);
  expect(await page.database.of('logs').count()).toBe(1);
  await TestBed.inject(Store).undo();
  await page.until(/1 record cannot be read/);
  expect(await page.database.of('logs').get('log-2')).toEqual(tooLong());
});

test('many problems in one record, in lists and in fields that are not there, are told without an end', async () => {
  const broken = {
    ...aLog({ id: 'log-3' }),
    note: undefined,
    lines: [{ ...aLog().lines[0], done: { amount: -1, seconds: 1 } }],
  };
  const page = await render(SetAsidePanel, {}, { logs: [broken as never] });
  await page.until(/1 record cannot be read/);
  expect(page.text()).toContain('lines[0].done.amount');
  expect(page.text()).toContain('note – ');
  await typeInto(page, 'lines[0].done.amount', '2');
  await page.press(/^Save the practice/);
  expect(said().at(-1)).toContain('still cannot be read');
});
