import {
  bodyOfStudent,
  builtInExercises,
  filmCamera,
  followRuns,
  marksSeen,
  newFilm,
  newStill,
  softSchool,
  stillPose,
  withFollowed,
  type Film,
  type Still,
} from '@pomek/core';
import { aStudent } from '../../../testing/records';
import { render, type Rendered } from '../../../testing/render';
import { FilmFrames } from './film-frames';
import { FilmsBeside } from './films-beside';

const student = aStudent({ statureCm: 170 });
const drill = builtInExercises.find(({ id }) => id === 'squat-and-bounce')!;
const camera = filmCamera({ width: 800, height: 1000, focal: 1100 });
const { body } = bodyOfStudent(student);
const marksAt = (bend: number) =>
  marksSeen(camera, stillPose(body, { ...drill.posture, kneeBendDeg: bend }, softSchool, 'right', true));
const still = (id: string, day: string, change: Partial<Still> = {}): Still =>
  newStill({
    id,
    studentId: student.id,
    day,
    name: `Squat ${day}`,
    width: 800,
    height: 1000,
    bytes: 3,
    exerciseId: drill.id,
    marks: marksAt(20),
    atSeconds: 0,
    ...change,
  });
/** A film in which the knees go down and up, so many seconds each time. */
function moving(of: Still, long: number): Film {
  const film = newFilm(of, { name: `${of.id}.mp4`, seconds: 4 * long }, { taped: true });
  const found = new Map(
    Array.from({ length: film.frames }, (_, frame) => {
      const marks = marksAt(20 + 25 * (1 - Math.cos((2 * Math.PI * frame) / 15 / long)));
      return [frame, Object.fromEntries(Object.entries(marks).map(([name, spot]) => [name, { ...spot, trust: 100 }]))];
    }),
  );
  return followRuns(film).reduce((made, run) => withFollowed(made, run, found), film);
}

/** This environment plays no film: ones that only know how long they are and where they stand. */
function standIns(lengths: Readonly<Record<string, number>>) {
  const made: Record<string, { at: number }> = {};
  jest.spyOn(FilmFrames, 'open').mockImplementation((file) => {
    const frames = {
      file,
      seconds: lengths[file.name]!,
      at: 0,
      running: false,
      source: document.createElement('video'),
      seek(to: number) {
        this.at = to;
        return Promise.resolve();
      },
      run: () => Promise.resolve(),
      stop: () => undefined,
      pace: () => undefined,
      shown: () => 'data:image/jpeg;base64,AAAA',
      close: () => undefined,
    };
    made[file.name] = frames;
    return Promise.resolve(frames as unknown as FilmFrames);
  });
  return made;
}

const [now, then] = [still('still-2', '2026-03-12'), still('still-1', '2026-02-26')];
const shown = (films: Film[], stills = [now, then]): Promise<Rendered<FilmsBeside>> =>
  render(FilmsBeside, { id: student.id, stillId: 'still-2' }, { students: [student], stills, films });
async function open(view: Rendered<FilmsBeside>): Promise<void> {
  for (const name of ['still-2.mp4', 'still-1.mp4']) {
    const field = view.element.querySelector<HTMLInputElement>('input[type=file]')!;
    Object.defineProperty(field, 'files', { value: [new File(['x'], name)] });
    field.dispatchEvent(new Event('change'));
    await view.settle();
    await view.settle();
  }
}
const moment = (view: Rendered<FilmsBeside>) =>
  view.element.querySelector<HTMLInputElement>('input[aria-label="Moment of the film"]')!;

afterEach(() => jest.restoreAllMocks());

test('a quick and a slow one stand at the same share of a cycle, and are told beside each other', async () => {
  const frames = standIns({ 'still-2.mp4': 16, 'still-1.mp4': 24 });
  const view = await shown([moving(now, 4), moving(then, 6)]);
  await view.until(/Hips: counted/);
  await open(view);
  expect(view.text()).toMatch(/Hips: counted\s*4 cycles\s*4 cycles/);
  expect(view.text()).toMatch(/Hips: each\s*4\.0 s\s*6\.0 s/);
  expect(view.text()).toMatch(/of \d\.\d cycles/);
  const slider = moment(view);
  for (const place of ['0', '0.7', '2.2']) {
    slider.value = place;
    slider.dispatchEvent(new Event('input'));
    await view.settle();
    const off = Math.abs((frames['still-2.mp4']!.at % 4) / 4 - (frames['still-1.mp4']!.at % 6) / 6);
    expect(Math.min(off, 1 - off)).toBeLessThan(0.06);
  }
  const before = [frames['still-2.mp4']!.at, frames['still-1.mp4']!.at];
  slider.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
  await view.settle();
  // One frame of the first, and as much of a cycle of the second.
  expect(frames['still-2.mp4']!.at - before[0]!).toBeCloseTo(1 / 15, 6);
  expect(frames['still-1.mp4']!.at - before[1]!).toBeCloseTo(1.5 / 15, 2);
});

test('second by second each begins where it is told to, and both go on as long as there is of both', async () => {
  const frames = standIns({ 'still-2.mp4': 16, 'still-1.mp4': 24 });
  const view = await shown([moving(now, 4), moving(then, 6)]);
  await view.until(/Hips: counted/);
  await open(view);
  await view.press('Second by second');
  const begins = view.element.querySelector<HTMLInputElement>('input[aria-label^="Where Squat 2026-02-26 begins"]')!;
  begins.value = '20';
  begins.dispatchEvent(new Event('input'));
  await view.settle();
  expect(view.text()).toContain('Begins at 20.0 s');
  expect(view.text()).toMatch(/0\.00 s of 3\.9 s/);
  const slider = moment(view);
  slider.value = '1.5';
  slider.dispatchEvent(new Event('input'));
  await view.settle();
  expect([frames['still-2.mp4']!.at, frames['still-1.mp4']!.at]).toEqual([1.5, 21.5]);
});

test('films that are not followed go second by second, and it says what following them would give', async () => {
  standIns({});
  const view = await shown([moving(now, 4)]);
  await view.until(/go cycle by cycle/);
  expect(view.text()).toContain('Follow Squat 2026-02-26.');
  expect(view.text()).not.toContain('Hips: counted');
  expect(view.button('Cycle by cycle').className).toContain('p-disabled');
});

test('alone it says so, and without its still as well', async () => {
  standIns({});
  const alone = await shown([moving(now, 4)], [now]);
  expect(alone.text()).toContain('There is no other film of Nela Brisk yet');
  const nowhere = await render(FilmsBeside, { id: student.id, stillId: 'none' }, { students: [student] });
  expect(nowhere.text()).toContain('This film is not here');
});

test('the left is held against the right in a mirror', async () => {
  standIns({});
  const left = still('still-1', '2026-03-12', { from: 'left' });
  const view = await shown([moving(now, 4)], [now, left]);
  await view.until(/in a mirror\s*$|, in a mirror/);
  expect(view.element.querySelector<HTMLInputElement>('input[aria-label="The other one in a mirror"]')!.checked).toBe(
    true,
  );
});
