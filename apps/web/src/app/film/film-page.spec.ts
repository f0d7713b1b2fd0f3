import {
  builtInExercises,
  filmCamera,
  marksSeen,
  newFilm,
  newStill,
  softSchool,
  stillPose,
  bodyOfStudent,
  withFollowed,
  followRuns,
  type Film,
  type Still,
} from '@pomek/core';
import { aStudent } from '../../../testing/records';
import { render, type Rendered } from '../../../testing/render';
import { following } from '../../../testing/worker.client';
import { FilmFrames } from './film-frames';
import { FilmPage } from './film-page';

const student = aStudent({ statureCm: 170 });
const drill = builtInExercises.find(({ id }) => id === 'squat-and-bounce')!;
const camera = filmCamera({ width: 800, height: 1000, focal: 1100 });
const marks = marksSeen(camera, stillPose(bodyOfStudent(student).body, drill.posture, softSchool, 'right', true));
const still = (change: Partial<Still> = {}): Still =>
  newStill({
    id: 'still-1',
    studentId: student.id,
    day: '2026-03-12',
    name: 'Squat',
    width: 800,
    height: 1000,
    bytes: 3,
    exerciseId: drill.id,
    marks,
    atSeconds: 1,
    ...change,
  });

/** This environment plays no film: one that only knows how long it is. */
function standIn(seconds: number) {
  const frames = {
    file: new File(['x'], 'squat.mp4'),
    seconds,
    at: 0,
    running: false,
    source: document.createElement('video'),
    sought: [] as number[],
    seek(to: number) {
      this.at = to;
      this.sought.push(to);
      return Promise.resolve();
    },
    run: () => Promise.resolve(),
    stop: () => undefined,
    bitmap: () => Promise.resolve({ width: 800, height: 1000 }),
    shown: () => 'data:image/jpeg;base64,AAAA',
    close: () => undefined,
  };
  jest.spyOn(FilmFrames, 'open').mockResolvedValue(frames as unknown as FilmFrames);
  return frames;
}

const shown = (of: Still, films: Film[] = []): Promise<Rendered<FilmPage>> =>
  render(FilmPage, { id: student.id, stillId: of.id }, { students: [student], stills: [of], films });
async function choose(view: Rendered<FilmPage>): Promise<void> {
  const field = view.element.querySelector<HTMLInputElement>('input[type=file]')!;
  Object.defineProperty(field, 'files', { value: [new File(['x'], 'squat.mp4')] });
  field.dispatchEvent(new Event('change'));
  await view.until(/1\.00 s/);
}
const kept = (view: Rendered<FilmPage>) => view.database.of('films').get('still-1');

/** A film that was followed, every point where it was marked. */
function followed(trust = 100): Film {
  const film = newFilm(still(), { name: 'squat.mp4', seconds: 4 });
  const found = new Map(
    Array.from({ length: film.frames }, (_, frame) => [
      frame,
      Object.fromEntries(Object.entries(marks).map(([name, spot]) => [name, { ...spot, trust }])),
    ]),
  );
  return followRuns(film).reduce((made, run) => withFollowed(made, run, found), film);
}

afterEach(() => {
  Object.assign(following, { trust: 100, astray: {} });
  jest.restoreAllMocks();
});

test('the marks of a still are followed on and back, kept, and told', async () => {
  const frames = standIn(4);
  const view = await shown(still());
  expect(view.text()).toContain('Open the film that this still was taken of');
  await choose(view);
  expect(view.text()).toContain('9 points of the still are followed on and back');
  await view.press('Follow through the film');
  await view.until(/squat\.mp4: 0\.0 to 3\.9 s, 15 frames a second/);
  await view.until(/The foot stays where it is/);
  const film = (await kept(view))!;
  expect(film.frames).toBe(60);
  expect(film.tracks['knee right']!.trust).toEqual(Array.from({ length: 60 }, () => 100));
  expect(frames.sought.some((at) => at < 0.1) && frames.sought.some((at) => at > 3.9)).toBe(true);
  expect(view.text()).toMatch(/Checkpoints where they are worst.*knees/s);
  await view.press('Start over');
  expect(await kept(view)).toBeUndefined();
});

test('while it is followed nothing else moves the film', async () => {
  const frames = standIn(4);
  const view = await shown(still());
  await choose(view);
  let goOn = (): void => undefined;
  const held = new Promise<{ width: number; height: number }>(
    (done) => (goOn = () => done({ width: 800, height: 1000 })),
  );
  frames.bitmap = () => held;
  await view.press('Follow through the film');
  await view.until(/Following: frame 0 of/);
  const moment = view.element.querySelector<HTMLInputElement>('input[type=range]')!;
  moment.value = '3.3';
  moment.dispatchEvent(new Event('input'));
  await view.settle();
  expect(frames.sought).not.toContain(3.3);
  goOn();
  await view.until(/15 frames a second/);
});

test('only the stretch that is asked for is followed, as often a second as it is asked', async () => {
  standIn(20);
  const view = await shown(still());
  await choose(view);
  await view.fill('From', '0');
  await view.fill('To', '3');
  await view.press('30 a second');
  await view.press('Follow through the film');
  await view.until(/30 frames a second/);
  expect(await kept(view)).toMatchObject({ startSeconds: 0, frames: 90, perSecond: 30 });
});

test('what is doubted is named, gone to, mended there and followed on from', async () => {
  standIn(4);
  const view = await shown(still(), [followed(20)]);
  await choose(view);
  expect(view.text()).toContain('Doubted, and read from nothing there');
  await view.press(/right knee, 1\.1–3\.9 s/);
  expect(view.element.querySelectorAll('.dot.doubted')).toHaveLength(9);
  const surface = view.element.querySelector('svg.surface')!;
  surface.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true, cancelable: true }));
  await view.settle();
  await view.until(/Some is still to be followed/);
  expect((await kept(view))!.keys.map(({ frame, marks: there }) => [frame, Object.keys(there).length])).toEqual([
    [15, 9],
    [16, 1],
  ]);
  await view.press('Follow on');
  await view.until(/^(?!.*Some is still to be followed)/);
  expect((await kept(view))!.tracks['knee right']!.trust[40]).toBe(100);
});

test('what went astray before it was noticed is doubted where it was', async () => {
  following.astray = { 'wrist right': 6 };
  standIn(4);
  const view = await shown(still());
  await choose(view);
  await view.press('Follow through the film');
  await view.until(/The foot stays where it is/);
  const { trust } = (await kept(view))!.tracks['wrist right']!;
  // On to the end and back to the beginning: the last six of each way.
  expect(trust.map((value) => value! < 50)).toEqual(trust.map((_, frame) => frame < 6 || frame >= 54));
  expect(view.text()).toContain('right wrist, 0.0–0.3 s');
});

test('tape makes each ± narrower, and is kept', async () => {
  standIn(4);
  const film = followed();
  const knees = film.tracks['knee right']!;
  const ahead = { ...knees, x: knees.x.map((x, frame) => x! + 20 * Math.cos((2 * Math.PI * frame) / 60)) };
  const view = await shown(still(), [{ ...film, tracks: { ...film.tracks, 'knee right': ahead } }]);
  await choose(view);
  await view.until(/± with how far cloth slides off a joint/);
  const knee = () => Number(/right knee [\d.]+ ± ([\d.]+) cm/.exec(view.text())![1]);
  const wide = knee();
  view.element.querySelector<HTMLInputElement>('input[aria-label="Tape on the joints"]')!.click();
  await view.until(/± as if each point were marked by hand/);
  await view.until(new RegExp(`^(?!.*right knee [\\d.]+ ± ${wide.toFixed(1)} cm)`, 's'));
  expect(knee()).toBeLessThan(wide);
  expect((await kept(view))!.taped).toBe(true);
});

test('what is counted stands beside what the exercise asks', async () => {
  standIn(4);
  const film = followed();
  const wrist = film.tracks['wrist right']!;
  const waved = { ...wrist, y: wrist.y.map((y, frame) => y! + 60 * Math.sin((2 * Math.PI * frame) / 30)) };
  const view = await shown(still(), [{ ...film, tracks: { ...film.tracks, 'wrist right': waved } }]);
  await view.until(/Right hand: 2 cycles, 2\.0 s each/);
  expect(view.text()).toContain('The exercise asks 27; the film shows 2 of them.');
  expect(view.text()).toContain('Asked: 3.0 s each. Quicker by 1.0 s.');
});

test('another film is told from the one that was followed, and a damaged one says so', async () => {
  standIn(9);
  const view = await shown(still(), [followed()]);
  expect(view.text()).toContain('Open squat.mp4 again');
  const field = view.element.querySelector<HTMLInputElement>('input[type=file]')!;
  Object.defineProperty(field, 'files', { value: [new File(['x'], 'other.mp4')], configurable: true });
  field.dispatchEvent(new Event('change'));
  await view.until(/it is another one/);
  jest.spyOn(FilmFrames, 'open').mockRejectedValue(new Error('other.mp4 is damaged, or no film.'));
  field.dispatchEvent(new Event('change'));
  await view.until(/other\.mp4 is damaged/);
});

test('without marks it leads to the still, and without the still it says so', async () => {
  const view = await shown(still({ marks: {} }));
  expect(view.text()).toContain('Mark the points on the still first.');
  const nowhere = await render(FilmPage, { id: student.id, stillId: 'none' }, { students: [student] });
  expect(nowhere.text()).toContain('This film is not here');
});
