import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { root } from '../setup.mjs';
import { serve } from './loading.mjs';

const YEARS = 5;
const STUDENTS = 60;
const ROUNDS = 7;
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];
const round = (value) => Number(value.toFixed(2));

/** Fills the demo's storage with copies of one student, each with five years of practices. */
const fill = (page, students) =>
  page.evaluate(
    ([count, years]) =>
      new Promise((resolve, reject) => {
        const open = indexedDB.open('pomek-demo');
        open.onerror = () => reject(open.error);
        open.onsuccess = async () => {
          const database = open.result;
          const all = (name) =>
            new Promise((done) => {
              database.transaction(name).objectStore(name).getAll().onsuccess = ({ target }) => done(target.result);
            });
          const [people, plans, logs] = await Promise.all(['students', 'plans', 'logs'].map(all));
          const [person] = people;
          const plan = plans.find((entry) => entry.studentId === person.id);
          const own = logs.filter((entry) => entry.studentId === person.id);
          const tables = ['students', 'plans', 'logs', 'decisions', 'standings'];
          const write = database.transaction(tables, 'readwrite');
          for (const name of tables) write.objectStore(name).clear();
          for (let student = 0; student < count; student += 1) {
            const id = `bench-${student}`;
            // Every day is a day of practice, so that whoever it is stands on Today whatever the day.
            write
              .objectStore('students')
              .put({ ...person, id, name: `Person ${student}`, practiceDays: [1, 2, 3, 4, 5, 6, 7] });
            write.objectStore('plans').put({ ...plan, id: `${id}-plan`, studentId: id });
            for (let week = 0; week < years * 52; week += 1) {
              for (const [index, log] of own.slice(-4).entries()) {
                const day = new Date(Date.parse(log.day) - week * 7 * 86_400_000).toISOString().slice(0, 10);
                const startedAt = `${day}T08:00:00.000Z`;
                write.objectStore('logs').put({ ...log, id: `${id}-${week}-${index}`, studentId: id, day, startedAt });
              }
            }
          }
          write.oncomplete = () => {
            database.close();
            resolve();
          };
          write.onerror = () => reject(write.error);
        };
      }),
    [students, YEARS],
  );

async function times(page, address) {
  const found = { today: [], 'all of today': [], student: [] };
  for (let turn = 0; turn <= ROUNDS; turn += 1) {
    let begun = performance.now();
    await page.goto(`${address}/today`);
    await page.getByRole('link', { name: 'Person 0', exact: true }).first().waitFor();
    if (turn > 0) found.today.push(performance.now() - begun);
    await page.locator('[aria-labelledby="due"] li').first().waitFor();
    await page.getByText('Looking through the practices').waitFor({ state: 'detached' });
    if (turn > 0) found['all of today'].push(performance.now() - begun);
    begun = performance.now();
    await page.goto(`${address}/students/bench-0?part=practices`);
    await page.locator('pk-log-list details').first().waitFor();
    if (turn > 0) found.student.push(performance.now() - begun);
  }
  return Object.fromEntries(Object.entries(found).map(([what, values]) => [what, median(values)]));
}

/** Opening Today and a student among sixty with five years of practices, against a space with that one alone. */
export async function measureScale(executablePath) {
  const { server, address } = await serve(join(root, 'apps/web/dist/web/browser'));
  const browser = await chromium.launch({ executablePath });
  const spaces = {};
  for (const students of [1, STUDENTS]) {
    const context = await browser.newContext({ serviceWorkers: 'block' });
    const page = await context.newPage();
    page.setDefaultTimeout(120_000);
    await page.goto(`${address}/demo`);
    await page.getByRole('heading', { name: 'Practising today' }).waitFor();
    await fill(page, students);
    spaces[students] = await times(page, address);
    await context.close();
  }
  await browser.close();
  server.close();
  return ['today', 'all of today', 'student'].map((what) => {
    const ratio = spaces[STUDENTS][what] / spaces[1][what];
    return {
      name: `opening ${what} among ${STUDENTS} × ${YEARS} years, against one student`,
      value: round(ratio),
      unit: '×',
      target: '≤ 1.5',
      met: ratio <= 1.5,
    };
  });
}
