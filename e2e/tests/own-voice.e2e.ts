import { readFile, writeFile } from 'node:fs/promises';
import { unzipSync } from 'fflate';
import { give, openGive } from '../support/give';
import { enterHall, openDemo } from '../support/pomek';
import { SPOKEN_HERTZ, fakeMicrophone, shareOfTone } from '../support/spoken';
import { expect, test, type Page } from '../support/test';

test.use({
  launchOptions: { executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium', args: fakeMicrophone() },
  permissions: ['microphone'],
});

const RATE = 16_000;
const line = 'Get ready: Joint circles, ankles to neck';

interface Heard {
  /** The strongest pitch that was heard on the way out, Hz, each time it was looked at. */
  readonly pitches: readonly number[];
}

/** Listens to all that goes to the loudspeakers of a page. */
async function listen(page: Page): Promise<() => Promise<Heard>> {
  await page.addInitScript(() => {
    const pitches: number[] = [];
    Object.assign(window, { heard: { pitches } });
    const connect = AudioNode.prototype.connect as (this: AudioNode, to: AudioNode) => AudioNode;
    const ears = new WeakMap<BaseAudioContext, AnalyserNode>();
    AudioNode.prototype.connect = function (this: AudioNode, to: AudioNode) {
      if (to instanceof AudioDestinationNode && to.context instanceof AudioContext) {
        let ear = ears.get(to.context);
        if (ear === undefined) {
          ear = to.context.createAnalyser();
          ear.fftSize = 4096;
          ears.set(to.context, ear);
          const [at, powers] = [ear, new Float32Array(ear.frequencyBinCount)];
          setInterval(() => {
            at.getFloatFrequencyData(powers);
            const most = powers.reduce((best, power, index) => (power > powers[best]! ? index : best), 0);
            if (powers[most]! > -60) pitches.push((most * to.context.sampleRate) / at.fftSize);
          }, 50);
        }
        connect.call(this, ear);
      }
      return connect.call(this, to);
    } as typeof AudioNode.prototype.connect;
  });
  return () => page.evaluate(() => (window as unknown as { heard: Heard }).heard);
}

/** What is stored of recorded lines: words and bytes. */
const recorded = (page: Page): Promise<[string, number][]> =>
  page.evaluate(
    () =>
      new Promise((done) => {
        const open = indexedDB.open('pomek-demo');
        open.onsuccess = () => {
          const all = open.result.transaction('recordings').objectStore('recordings').getAll();
          all.onsuccess = () => {
            open.result.close();
            done((all.result as { id: string; sound: string }[]).map(({ id, sound }) => [id, atob(sound).length]));
          };
        };
      }),
  );

const openList = async (page: Page): Promise<void> => {
  await page.goto('/practise?routine=demo-morning');
  await enterHall(page);
  await page.getByRole('button', { name: 'What is said, and when' }).click();
};

/** Records a line in the list that is open, until what is spoken is over by far. */
async function record(page: Page, words: string): Promise<void> {
  await page.getByRole('button', { name: `Record “${words}”` }).click();
  await expect(page.getByText(/^[4-9] s$/)).toBeVisible();
  await page.getByRole('button', { name: /Stop$/ }).click();
  await expect(page.getByRole('button', { name: `Hear “${words}”` })).toBeVisible();
}

test('a line in the teacher’s own voice: recorded, trimmed, heard in the hall, kept over a reload, an export and an import', async ({
  page,
}) => {
  const heard = await listen(page);
  await openDemo(page);
  await openList(page);
  await record(page, line);
  await expect(page.getByText(/^1 of \d+ lines in your own voice, \d+ kB$/)).toBeVisible();
  // It can be heard at once.
  await expect.poll(async () => (await heard()).pitches.length).toBeGreaterThan(3);
  const [[words, bytes]] = (await recorded(page)) as [[string, number]];
  expect(words).toBe(line);
  // A tone of a second with a tenth before and a fifth after; its beginning may have come before the microphone was on.
  expect(bytes / RATE).toBeGreaterThan(0.3);
  expect(bytes / RATE).toBeLessThan(1.45);
  // The next line is what the keyboard goes on with.
  await expect(page.getByRole('button', { name: 'Record “Ankles”' })).toBeFocused();

  // The hall of another page says it in that voice.
  await page.getByRole('button', { name: 'Turn it on' }).click();
  await openList(page);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Voice off' })).toBeVisible();
  expect((await heard()).pitches).toEqual([]);
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect.poll(async () => (await heard()).pitches.length).toBeGreaterThan(3);
  const { pitches } = await heard();
  const middle = pitches.toSorted((a, b) => a - b)[Math.floor(pitches.length / 2)]!;
  expect(Math.abs(middle - SPOKEN_HERTZ)).toBeLessThan(15);

  // Out with a file, taken away here, and back.
  await page.goto('/files');
  // Sound is no step of undo.
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  const exported = async (): Promise<string> => {
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Export everything' }).click();
    return readFile(await (await waiting).path(), 'utf8');
  };
  expect(await exported()).toContain('"recordings": []');
  await page.getByRole('checkbox', { name: 'With what is recorded in your voice' }).check();
  const text = await exported();
  expect(text).toContain(`"id": "${line}"`);
  await openList(page);
  await page.getByRole('button', { name: `Take out “${line}”` }).click();
  await expect(page.getByRole('button', { name: `Record “${line}”` })).toBeVisible();
  expect(await recorded(page)).toEqual([]);
  await page.goto('/files');
  await page
    .getByLabel('Choose a file')
    .setInputFiles({ name: 'all.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await expect(page.getByRole('region', { name: 'Preview of the import' })).toContainText(`“${line}”, spoken`);
  await page.getByRole('button', { name: /^Import 1$/ }).click();
  await expect(page.getByText(/record imported/)).toBeVisible();
  expect(await recorded(page)).toEqual([[line, bytes]]);
});

test('the cue track has the line at its sample, and a sheet takes it along where that is wanted, its size told', async ({
  page,
}) => {
  await openDemo(page);
  await openList(page);
  await record(page, line);
  await page.keyboard.press('Escape');
  const [[, bytes]] = (await recorded(page)) as [[string, number]];
  await openGive(page, 'demo-morning');
  const files = unzipSync(await readFile(await (await give(page, 'A cue track')).path()));
  const wav = Buffer.from(files[Object.keys(files).find((name) => name.endsWith('.wav'))!]!);
  expect(wav.readUInt32LE(24)).toBe(RATE);
  const samples = Int16Array.from({ length: RATE * 10 }, (_, at) => wav.readInt16LE(44 + at * 2));
  // It is said as the practice begins, and no bell rings before ten seconds are over.
  expect(shareOfTone(samples.subarray(Math.round(0.12 * RATE), bytes - Math.round(0.25 * RATE)), RATE)).toBeGreaterThan(
    0.9,
  );
  expect(samples.subarray(bytes).every((sample) => sample === 0)).toBe(true);

  await page.goto('/students/demo-student-2');
  await page.getByRole('button', { name: 'Give', exact: true }).click();
  await page.getByRole('radio', { name: 'A sheet for the phone' }).check();
  const voice = page.getByRole('checkbox', { name: 'With your own voice' });
  await expect(voice).toBeChecked();
  await expect(page.getByText(/With your own voice \(1 line, \d+ kB\)/)).toBeVisible();
  const sheet = async (): Promise<string> => readFile(await (await give(page, 'A sheet for the phone')).path(), 'utf8');
  const text = await sheet();
  expect(text).toContain(`"recordings":[{"id":"${line}"`);
  // Its hall says it, from the file alone.
  const path = test.info().outputPath('sheet.html');
  await writeFile(path, text);
  const home = await page.context().newPage();
  const heard = await listen(home);
  await home.goto(`file://${path}`);
  await home.getByRole('button', { name: /^Begin, / }).click();
  await expect(home.getByRole('button', { name: 'Voice on' })).toBeEnabled();
  await home.getByRole('button', { name: 'Begin' }).click();
  await expect.poll(async () => (await heard()).pitches.length).toBeGreaterThan(3);
  expect(Math.abs((await heard()).pitches[1]! - SPOKEN_HERTZ)).toBeLessThan(15);
  await home.close();
  await voice.uncheck();
  expect(await sheet()).toContain('"recordings":[]');
});
