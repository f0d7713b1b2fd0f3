import { newFilm, newStill, softSchool } from '@pomek/core';
import { aStudent } from '../../../testing/records';
import { render, type Rendered } from '../../../testing/render';
import { FilmPanel } from './film-panel';

const student = aStudent();
const inputs = { student, school: softSchool, stills: [], exercises: [] };

async function choose(view: Rendered<FilmPanel>, name: string, type: string, size = 4): Promise<void> {
  const file = new File([new Uint8Array(Math.min(size, 16))], name, { type });
  Object.defineProperty(file, 'size', { value: size });
  const field = view.element.querySelector<HTMLInputElement>('input[type=file]')!;
  Object.defineProperty(field, 'files', { configurable: true, value: [file] });
  Object.defineProperty(field, 'value', { configurable: true, writable: true, value: '' });
  field.dispatchEvent(new Event('change'));
  await view.settle();
}

describe('what is no picture is said by name, and nothing is kept', () => {
  test.each([
    ['notes.txt', 'text/plain', 4, /notes\.txt is neither a picture nor a film\. Nothing was saved/],
    ['empty.png', 'image/png', 0, /empty\.png is empty\. Nothing was saved/],
    ['huge.jpg', 'image/jpeg', 90 * 1024 * 1024, /huge\.jpg is too large to be a picture/],
    ['broken.png', 'image/png', 4, /broken\.png is damaged, or no picture that this browser can open/],
  ])('%s', async (name, type, size, said) => {
    const view = await render(FilmPanel, inputs);
    await choose(view, name, type, size);
    await view.until(said);
    expect(await view.database.of('stills').count()).toBe(0);
    expect(await view.database.of('pictures').count()).toBe(0);
  });
});

test('a picture is kept with its still as one step that can be taken back', async () => {
  const view = await render(FilmPanel, inputs);
  const panel = view.fixture.componentInstance as unknown as { keep(taken: object, name: string): Promise<void> };
  await panel.keep({ data: 'data:image/png;base64,AAAAAAAA', width: 300, height: 400, atSeconds: 1.5 }, '  ');
  await view.settle();
  const [still] = await view.database.of('stills').toArray();
  expect(still).toMatchObject({
    name: 'Picture',
    width: 300,
    height: 400,
    atSeconds: 1.5,
    bytes: 6,
    studentId: student.id,
  });
  expect(await view.database.of('pictures').get(still!.id)).toMatchObject({ id: still!.id, studentId: student.id });
});

test('what is kept is listed with what it says and how much room it takes, and removed with its picture', async () => {
  const still = newStill({
    id: 's',
    studentId: student.id,
    day: '2026-03-12',
    name: 'Tree',
    width: 300,
    height: 400,
    bytes: 2_500_000,
  });
  const ofFilm = { ...still, id: 'f', name: 'Squat', bytes: 0, atSeconds: 1 };
  const view = await render(
    FilmPanel,
    { ...inputs, stills: [still, ofFilm] },
    {
      films: [newFilm(ofFilm, { name: 'a.mp4', seconds: 3 })],
      stills: [still, ofFilm],
      pictures: [{ id: 's', studentId: student.id, data: 'data:image/png;base64,AAAA' }],
    },
  );
  await view.until(/2 pictures, 2\.5 MB/);
  await view.until(/Followed through its film/);
  expect(view.text()).toContain('12 Mar 2026, seen from the right');
  expect(view.text()).toContain('Not marked yet.');
  await view.press('Remove the picture Tree');
  await view.press('Remove the picture Squat');
  expect(await view.database.of('stills').count()).toBe(0);
  expect(await view.database.of('films').count()).toBe(0);
  expect(await view.database.of('pictures').count()).toBe(0);
});
