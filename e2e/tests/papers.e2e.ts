import { readFileSync } from 'node:fs';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { give } from '../support/give';
import { readPdf } from '../support/pdf';
import { openDemo } from '../support/pomek';
import { expect, test, type Page } from '../support/test';

interface AtHome {
  readonly student: string;
  readonly name: string;
  readonly school: string;
  readonly routine: string;
  readonly cautions: readonly string[];
  readonly drills: readonly {
    readonly name: string;
    readonly dose: string;
    /** On the phone the dose is that of the next day of practice. */
    readonly onPhone: string;
    readonly wayIn: readonly string[];
    readonly parts: readonly string[];
    readonly inWork: readonly string[];
    readonly stop: readonly string[];
  }[];
}

/** What papers and sheets of twelve students have to say; written by the core. */
const people = JSON.parse(
  readFileSync(new URL('../../packages/core/src/testing/atHome.json', import.meta.url), 'utf8'),
) as AtHome[];
/** The last two stand in another school than their own. */
const MOVED = 10;

/** Line ends of a page fall anywhere, and the numbers of a list between its lines. */
const bare = (text: string): string => text.replace(/(?<=\s)\d{1,2}\.(?=\s)/g, '').replace(/\s+/g, '');

async function joinSchool(page: Page, school: string): Promise<void> {
  await page.getByRole('button', { name: 'Person', exact: true }).click();
  await page.getByRole('combobox', { name: 'School' }).click();
  await page.getByRole('option', { name: school, exact: true }).click();
  await page.getByRole('button', { name: `Change to ${school}` }).click();
  await expect(page.getByRole('region', { name: `What ${school} changes` })).toHaveCount(0);
}

let folder = '';
test.beforeAll(async () => (folder = await mkdtemp(join(tmpdir(), 'pomek-papers-'))));
test.afterAll(() => rm(folder, { recursive: true, force: true }));

/** Whether words stand in a text: as they are, or parted once, where a column goes on overleaf. */
function stands(text: string, words: string): boolean {
  if (text.includes(bare(words))) return true;
  const each = words.split(' ');
  return each.some(
    (_, at) =>
      text.includes(bare(each.slice(0, at + 2).join(' '))) && text.includes(bare(each.slice(at + 2).join(' '))),
  );
}

/** The text of a paper is looked through for all that has to stand in it. */
const missing = (text: string, wanted: readonly string[]): string[] =>
  wanted.filter((words) => !stands(bare(text), words));

async function readSheet(page: Page, path: string, { name, drills }: AtHome): Promise<void> {
  const home = await page.context().newPage();
  await home.goto(`file://${path}`);
  await expect(home.getByRole('heading', { name: `Practice of ${name}` })).toBeVisible();
  for (const drill of drills) {
    await home.getByRole('button', { name: drill.name.replace(/, stage .*/, ''), exact: true }).click();
    await expect(home.getByRole('heading', { level: 1 })).toHaveText(drill.name);
    const ways = home.getByRole('group', { name: 'Which side and way' }).getByRole('button');
    let read = '';
    for (let way = 0; way < Math.max(1, await ways.count()); way += 1) {
      if ((await ways.count()) > 0) await ways.nth(way).click();
      read += await home.getByRole('main').innerText();
    }
    const { onPhone, wayIn, parts, inWork, stop } = drill;
    expect(missing(read, [onPhone, ...wayIn, ...parts, ...inWork, ...stop]), `${name}, ${drill.name}`).toEqual([]);
    expect(read).not.toMatch(/[{}]|undefined|null/);
    await home.getByRole('button', { name: 'Back' }).click();
  }
  await home.close();
}

// All twelve with POMEK_THOROUGH=1; else the one with the most drills and the last, who is in another school.
const thorough = process.env['POMEK_THOROUGH'] === '1';
const most = people.reduce((best, person) => (person.drills.length > best.drills.length ? person : best));
const chosen = thorough ? people : [most, people.at(-1)!];

for (const person of chosen) {
  test(`papers and sheet of ${person.name} in ${person.school} say what each of the drills needs`, async ({ page }) => {
    // Words are what counts here: bodies are drawn as outlines, which is quicker without a graphics card.
    await page.context().addInitScript(() => {
      Object.defineProperty(globalThis, 'WebGL2RenderingContext', { value: undefined });
    });
    await openDemo(page);
    await page.goto(`/students/${person.student}`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(person.name);
    if (people.indexOf(person) >= MOVED) await joinSchool(page, person.school);
    await page.getByRole('button', { name: 'Give', exact: true }).click();
    const foot = new RegExp(`${person.routine}, ${person.name}, page \\d+ of \\d+`, 'g');
    const paper = async (what: 'A page to pin up' | 'Pages to learn from') => {
      const read = await readPdf(await readFile(await (await give(page, what)).path()));
      return { ...read, text: read.text.replace(foot, '') };
    };
    const pinned = await paper('A page to pin up');
    const learned = await paper('Pages to learn from');
    const cautions = person.cautions.map((words) => words.replace(/\.$/, ''));
    for (const { text } of [pinned, learned]) {
      expect(missing(text, [person.name, person.routine, ...cautions]), person.name).toEqual([]);
      expect(text).not.toMatch(/[{}]|undefined|null/);
    }
    expect(pinned.pages).toBe(1);
    for (const { name, dose, wayIn, parts, inWork, stop } of person.drills) {
      const who = `${person.name}, ${name}`;
      expect(missing(pinned.text, [name, dose, ...inWork.slice(0, 1)]), who).toEqual([]);
      const words = [name, dose, ...wayIn, ...parts, ...inWork.slice(0, 2), ...stop];
      expect(missing(learned.text, words), who).toEqual([]);
    }
    const path = join(folder, `${people.indexOf(person)}.html`);
    await (await give(page, 'A sheet for the phone')).saveAs(path);
    await readSheet(page, path, person);
  });
}
