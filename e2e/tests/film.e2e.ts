import { mkdtemp, readFile, rm, truncate, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { give, openGive } from '../support/give';
import { expect, test, type Locator, type Page } from '../support/test';
import { filmed, openFilm, who, type Filmed } from '../support/filmed';
import { readPdf } from '../support/pdf';
import { complaints, openDemo, openOwn, openPart, takeIn } from '../support/pomek';

let folder = '';
test.beforeAll(async () => (folder = await mkdtemp(join(tmpdir(), 'pomek-film-'))));
test.afterAll(() => rm(folder, { recursive: true, force: true }));

const field = (page: Page) => page.getByLabel('Picture or film');
const inOrder = ['toe', 'heel', 'ankle', 'knee', 'hip', 'wrist', 'elbow', 'shoulder'].map((joint) => `${joint} right`);

/** Takes the picture in anew and marks its joints with the pointer, from the ground up. */
async function markDeepStand(page: Page, { png, width, marks }: Filmed): Promise<Locator> {
  await field(page).setInputFiles({ name: 'Deep stand.png', mimeType: 'image/png', buffer: png });
  await expect(page.getByRole('heading', { name: 'Deep stand' })).toBeVisible();

  const surface = page.getByRole('application');
  await expect(surface).toHaveAccessibleName(/press where the right toe is/);
  const box = (await surface.boundingBox())!;
  const scale = box.width / width;
  for (const name of [...inOrder, 'head']) {
    const { x, y } = marks[name]!;
    await page.mouse.click(box.x + x * scale, box.y + y * scale);
    const said =
      name === 'head' ? 'ear' : name === 'ankle right' ? 'right ankle bone' : name.split(' ').toReversed().join(' ');
    await expect(page.getByRole('button', { name: `${said}, marked` })).toBeVisible();
  }
  await expect(page.getByText('All is marked.')).toBeVisible();
  return surface;
}

test('a picture is marked with the pointer, read, noted with its still, taken back, and is there after a reload', async ({
  page,
}) => {
  const wrong = complaints(page);
  await openDemo(page);
  const picture = await filmed(page);
  await openFilm(page);
  await expect(page.getByText(/2 pictures, \d+ kB/)).toBeVisible();
  const surface = await markDeepStand(page, picture);
  const points = page.getByRole('region', { name: 'Checkpoints' });
  await expect(points).toContainText(/right knee [3-7]\.\d ± \d\.\d cm past the toe line/i);
  await page.getByRole('combobox', { name: 'Exercise on the picture' }).click();
  await page.getByRole('option', { name: 'Shift and turn, no arms' }).click();
  await expect(page.getByRole('region', { name: 'Figures' })).toContainText('Asked');
  await page.getByRole('button', { name: 'Note as a correction: knees' }).click();
  await expect(page.getByRole('button', { name: 'Noted: knees' })).toBeDisabled();
  await page.getByRole('checkbox', { name: 'Lay the computed figure over' }).check();
  await expect(surface.locator('.ghost')).toHaveCount(6);
  // The same as a body, standing in the picture.
  const body = surface.locator('image.body');
  await expect(body).toBeVisible();
  const [over, all] = [(await body.boundingBox())!, (await surface.boundingBox())!];
  expect(over.y + over.height).toBeGreaterThan(all.y + all.height / 2);
  expect(over.height).toBeGreaterThan(all.height / 3);

  // One key is one step; what was moved by keys is taken back together.
  await page.getByRole('button', { name: 'right knee, marked' }).click();
  await surface.focus();
  await expect(surface).toHaveAccessibleName(/right knee at/);
  const before = await surface.getAttribute('aria-label');
  for (let step = 0; step < 5; step += 1) await page.keyboard.press('ArrowRight');
  await expect(surface).not.toHaveAccessibleName(before!);
  await page.keyboard.press('Control+z');
  await expect(surface).toHaveAccessibleName(before!);

  await page.getByRole('link', { name: who }).click();
  await openPart(page, 'Corrections');
  await expect(
    page.locator('pk-corrections').getByRole('img', { name: 'Deep stand, seen from the right' }),
  ).toBeVisible();
  await page.reload();
  await expect(
    page.locator('pk-corrections').getByRole('img', { name: 'Deep stand, seen from the right' }),
  ).toBeVisible();
  await openPart(page, 'Film');
  await page.getByRole('button', { name: 'Remove the picture Deep stand' }).click();
  await expect(page.getByText(/2 pictures/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/3 pictures/)).toBeVisible();
  expect(wrong).toEqual([]);
});

test('what is being worked on goes on the handout with its picture, only where that is wanted', async ({ page }) => {
  await openDemo(page);
  const choose = async (): Promise<void> => {
    await openGive(page, 'demo-reeling', who);
    await page.getByRole('radio', { name: 'Pages to learn from' }).check();
  };
  const made = async () => readPdf(await readFile(await (await give(page, 'Pages to learn from')).path()));
  const wanted = page.getByRole('checkbox', { name: 'With what was seen on film' });
  await choose();
  // What was seen on film has helped since: nothing of it is in work.
  const bodies = (await made()).photographs;
  await expect(wanted).toHaveCount(0);

  const picture = await filmed(page);
  await openFilm(page);
  await markDeepStand(page, picture);
  await page.getByRole('combobox', { name: 'Exercise on the picture' }).click();
  await page.getByRole('option', { name: 'Shift and turn, no arms' }).click();
  await page.getByRole('button', { name: 'Note as a correction: knees' }).click();
  await expect(page.getByRole('button', { name: 'Noted: knees' })).toBeDisabled();
  await choose();
  await expect(wanted).not.toBeChecked();
  const plain = await made();
  expect(plain.photographs).toBe(bodies);
  expect(plain.text).not.toContain('Seen on film');
  await wanted.check();
  const seen = await made();
  expect(seen.photographs).toBe(bodies + 1);
  expect(seen.text).toMatch(/Seen on film on \d+ \w+ \d{4}, from the right: Shift and turn, no arms/);
  expect(seen.text).toMatch(/Knees outside by [\d.]+ cm: right knee [\d.]+ ± [\d.]+ cm past the toe line/);
});

test('a film is looked through frame by frame and a moment of it kept; what is no film says so', async ({ page }) => {
  await openDemo(page);
  const { png } = await filmed(page);
  // A film is made by the browser itself: the picture, going up and down.
  const made = await page.evaluate(async (picture) => {
    const image = new Image();
    image.src = `data:image/png;base64,${picture}`;
    await image.decode();
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [360, 480];
    const pen = canvas.getContext('2d')!;
    const recorder = new MediaRecorder(canvas.captureStream(30), { mimeType: 'video/webm;codecs=vp8' });
    const parts: Blob[] = [];
    recorder.ondataavailable = ({ data }) => parts.push(data);
    recorder.start();
    for (let frame = 0; frame < 45; frame += 1) {
      pen.drawImage(image, 0, frame % 20, 360, 480);
      await new Promise((done) => setTimeout(done, 33));
    }
    recorder.stop();
    await new Promise((done) => (recorder.onstop = done));
    const bytes = new Uint8Array(await new Blob(parts).arrayBuffer());
    return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));
  }, png.toString('base64'));
  const film = Buffer.from(made, 'base64');
  await openFilm(page);

  const alert = page.getByRole('alert');
  await field(page).setInputFiles({ name: 'words.mp4', mimeType: 'video/mp4', buffer: Buffer.from('no film at all') });
  await expect(alert).toContainText('words.mp4 is no film that this browser can show');
  await expect(page.getByRole('button', { name: 'Take this moment' })).toBeDisabled();
  await field(page).setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('notes') });
  await expect(alert).toContainText('notes.txt is neither a picture nor a film');
  await field(page).setInputFiles({ name: 'cut.png', mimeType: 'image/png', buffer: png.subarray(0, 60) });
  await expect(alert).toContainText('cut.png is damaged, or no picture');
  const vast = join(folder, 'vast.mp4');
  await writeFile(vast, '');
  await truncate(vast, 4 * 1024 ** 3);
  await field(page).setInputFiles(vast);
  await expect(alert).toContainText('vast.mp4 is no film that this browser can show');
  await expect(page.getByText(/2 pictures/)).toBeVisible();

  await field(page).setInputFiles({ name: 'Up and down.webm', mimeType: 'video/webm', buffer: film });
  const moment = page.getByRole('slider', { name: 'Moment of the film' });
  await expect(moment).toBeVisible();
  await expect(alert).toHaveCount(0);
  for (let frame = 0; frame < 3; frame += 1) await page.getByRole('button', { name: 'One frame on' }).click();
  await expect(page.getByText(/^0\.10 s of /)).toBeVisible();
  await moment.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText(/^0\.07 s of /)).toBeVisible();
  await page.getByRole('button', { name: 'Take this moment' }).click();
  await expect(page.getByRole('heading', { name: 'Up and down' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('application')).toHaveAccessibleName(/press where the right toe is/);
});

test('pictures go into a file only where the teacher wants it, and come back from it', async ({ page, browser }) => {
  await openDemo(page);
  await page.getByRole('link', { name: 'Files' }).click();
  const exported = async (name: string): Promise<string> => {
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Export everything' }).click();
    const path = join(folder, name);
    await (await waiting).saveAs(path);
    return path;
  };
  const without = JSON.parse(await readFile(await exported('without.json'), 'utf8')) as {
    contents: { stills: unknown[]; pictures: unknown[] };
  };
  expect([without.contents.stills.length, without.contents.pictures.length]).toEqual([2, 0]);
  await page.getByRole('checkbox', { name: 'With the pictures of students' }).check();
  const file = await exported('with.json');
  expect(await readFile(file, 'utf8')).toContain('data:image/png;base64,');

  const own = await (await browser.newContext({ baseURL: new URL(page.url()).origin })).newPage();
  await openOwn(own);
  await own.goto('/files');
  await own.locator('pk-import input[type=file]').setInputFiles(file);
  await takeIn(own, /^Import/);
  await own.goto('/students/demo-student-3/film/demo-student-3-still-30');
  await expect(own.getByRole('region', { name: 'Checkpoints' })).toContainText(/outside by \d\.\d cm/);
  await expect(own.getByText('The picture itself is not on this machine')).toHaveCount(0);
  await own.context().close();
});

/** Where the joints of `support/squat.webm` are at first: an outline with tape on them that goes down and up three times. */
const joints = {
  'toe right': [300, 600],
  'heel right': [220, 600],
  'ankle right': [235, 570],
  'knee right': [240, 455],
  'hip right': [235, 330],
  'wrist right': [350, 210],
  'elbow right': [300, 260],
  'shoulder right': [245, 190],
  head: [255, 130],
} as const;
const CYCLE_SECONDS = 4;

test('a film is followed: cycles counted, the worst moment gone to and kept, another film in step beside it, and all is there after a reload', async ({
  page,
}) => {
  const wrong = complaints(page);
  await openDemo(page);
  const film = {
    name: 'Squat.webm',
    mimeType: 'video/webm',
    buffer: await readFile(join(import.meta.dirname, '../support/squat.webm')),
  };
  await openFilm(page);
  await field(page).setInputFiles(film);
  await page.getByRole('button', { name: 'Take this moment' }).click();
  await expect(page.getByRole('heading', { name: 'Squat' })).toBeVisible();
  const surface = page.getByRole('application');
  await expect(surface).toHaveAccessibleName(/press where the right toe is/);
  const box = (await surface.boundingBox())!;
  for (const name of [...inOrder, 'head']) {
    const [joint, side] = name.split(' ');
    const [x, y] = joints[(side === undefined ? joint : `${joint!} right`) as keyof typeof joints];
    await page.mouse.click(box.x + (x * box.width) / 480, box.y + (y * box.height) / 640);
    await expect(page.getByRole('group', { name: 'Points to mark' }).locator('.set')).toHaveCount(
      [...inOrder, 'head'].indexOf(name) + 1,
    );
  }
  await page.getByRole('combobox', { name: 'Exercise on the picture' }).click();
  await page.getByRole('option', { name: 'Squat and bounce' }).click();

  await page.getByRole('link', { name: 'Follow through the film' }).click();
  const follow = page.getByRole('button', { name: 'Follow through the film' });
  const taped = page.getByRole('checkbox', { name: 'Tape on the joints' });
  await taped.check();
  await expect(follow).toBeEnabled();
  await follow.click();
  const running = page.getByText(/Following: frame \d+ of \d+/);
  await expect(running).toBeVisible();
  const says = page.getByRole('region', { name: 'What it says' });
  await expect(says).toContainText('The foot stays where it is.', { timeout: 120_000 });
  await expect(running).toHaveCount(0, { timeout: 120_000 });
  await expect(says).toContainText(/Right hand: 3 cycles, (3\.9|4\.0|4\.1) s each/);
  await expect(page.getByText('Doubted, and read from nothing there')).toHaveCount(0);
  await expect(says).toContainText('The exercise asks 27; the film shows 3 of them.');

  // Without tape each ± is as wide as cloth slides.
  const closely = page.getByText('± as if each point were marked by hand.');
  await expect(closely).toBeVisible();
  await taped.uncheck();
  await expect(page.getByText('± with how far cloth slides off a joint')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(taped).toBeChecked();
  await expect(closely).toBeVisible();

  // The knee is furthest over the toes where it is lowest: half way through one of the cycles.
  const knees = page.getByRole('button', { name: 'Go to the worst moment: knees' });
  const worst = Number.parseFloat((await knees.textContent())!);
  expect(Math.abs((worst % CYCLE_SECONDS) - CYCLE_SECONDS / 2)).toBeLessThan(0.6);
  await knees.click();
  const moment = page.getByRole('slider', { name: 'Moment of the film' });
  await expect(moment).toHaveAttribute('aria-valuetext', new RegExp(`^${worst.toFixed(1).slice(0, 2)}`));
  await page.getByRole('button', { name: 'Run the worst moment slowly: knees' }).click();
  await expect(page.getByRole('button', { name: 'Stand still' })).toBeVisible();
  await page.getByRole('button', { name: 'Stand still' }).click();
  await knees.click();
  await expect(moment).toHaveAttribute('aria-valuetext', new RegExp(`^${worst.toFixed(1).slice(0, 2)}`));
  await page.getByRole('combobox', { name: 'What is drawn through the film' }).click();
  await page.getByRole('option', { name: 'right knee bent, °' }).click();
  await expect(page.getByRole('img', { name: /^right knee bent: the film from/ })).toBeVisible();

  // Mended by keys: it is followed on from there.
  await page.getByRole('button', { name: 'right elbow, followed' }).click();
  await surface.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Some is still to be followed')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Some is still to be followed')).toHaveCount(0);

  const there = page.url();
  await page.getByRole('button', { name: 'Save this moment' }).click();
  await expect(page.getByRole('heading', { name: /^Squat, \d+\.\d s$/ })).toBeVisible();
  await expect(page.getByText('All is marked.')).toBeVisible();

  // The same film again from its third second on stands for another day: both go cycle by cycle all the same.
  await page.getByRole('link', { name: 'Follow through the film' }).click();
  await taped.check();
  await page.getByLabel('From', { exact: true }).fill('2');
  await follow.click();
  await expect(running).toBeVisible();
  await expect(running).toHaveCount(0, { timeout: 120_000 });
  await expect(says).toContainText(/Right hand: 2 cycles/);
  await page.getByRole('link', { name: 'Beside another film' }).click();
  await expect(page.getByRole('heading', { name: 'Two films in step' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Figures' })).toContainText(
    /Right hand: counted\s*2 cycles\s*3 cycles/,
  );
  const shown = page.getByRole('img', { name: /^The film Squat.* at \d/ });
  await expect(shown).toHaveCount(2);
  const apart = async (): Promise<number> => {
    const [mine, theirs] = await shown.evaluateAll((films) =>
      films.map((film) => Number(/at ([\d.]+) s/.exec(film.getAttribute('aria-label')!)![1])),
    );
    const off = Math.abs(mine! - theirs!) % CYCLE_SECONDS;
    return Math.min(off, CYCLE_SECONDS - off);
  };
  const place = page.getByRole('slider', { name: 'Moment of the film' });
  for (const key of ['Home', 'ArrowRight', 'ArrowRight']) {
    await place.press(key);
    await expect.poll(apart).toBeLessThan(0.25);
  }
  await page.getByRole('button', { name: 'As filmed' }).click();
  await page.getByRole('button', { name: /Run$/ }).click();
  await expect(place).toHaveAttribute('aria-valuetext', /^1\.[2-9]/, { timeout: 20_000 });
  // A busy machine lags, and catches up.
  await expect.poll(apart).toBeLessThan(0.35);
  await page.getByRole('button', { name: 'Stand still' }).click();
  await page.getByRole('button', { name: 'Second by second' }).click();
  await page.getByRole('slider', { name: /^Where Squat begins/ }).press('End');
  await expect(place).toHaveAttribute('aria-valuetext', '0.00 s of 0.0 s');
  await page.goto(there);
  await expect(says).toContainText(/Right hand: 3 cycles/);
  await expect(page.getByText('Open Squat.webm again')).toBeVisible();
  await page.getByLabel('Open the film').setInputFiles(film);
  await expect(surface).toBeVisible();

  // Kept here it opens by itself, and its size is told; let go it is opened from its file again.
  await page.getByRole('button', { name: 'Save the film here' }).click();
  await expect(page.getByText(/The film is saved in this browser, 1.1 MB/)).toBeVisible();
  await page.reload();
  await expect(surface).toBeVisible();
  await page.getByRole('region', { name: 'The film' }).getByRole('button', { name: /Run$/ }).click();
  await expect(page.getByRole('button', { name: 'Stand still' })).toBeVisible();
  await page.getByRole('button', { name: 'Stand still' }).click();
  await page.getByRole('link', { name: who }).click();
  await expect(page.getByText(/pictures, .*; films stored here, 1.1 MB/)).toBeVisible();
  await page.goto(there);
  await page.getByRole('button', { name: 'Let it go' }).click();
  await expect(page.getByRole('button', { name: 'Save the film here' })).toBeVisible();
  await page.reload();
  await expect(page.getByText('Open Squat.webm again')).toBeVisible();
  expect(wrong).toEqual([]);
});
