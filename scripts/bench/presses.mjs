import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { root } from '../setup.mjs';
import { serve } from './loading.mjs';

const SIZE = { width: 1280, height: 800 };
/** A Thursday on which the classes of the demo meet soon. */
const MOMENT = new Date('2026-03-12T09:30:00');
const button = (page, name) => page.getByRole('button', { name });
const link = (page, name) => page.getByRole('link', { name, exact: true });

/**
 * What a new user does with a mouse, counted: each press is one, each field typed into is one, and a choice from a list is
 * two. Each job is given the page where it begins, and ends by waiting for what shows that it is done.
 */
const jobs = [
  {
    name: 'a routine of six exercises, fitted to 20:00',
    most: 12,
    from: '/routines',
    does: async ({ page, press, type }) => {
      await press(button(page, 'Build the first routine'));
      const shelf = page.getByRole('region', { name: 'Shelf of exercises' });
      for (const name of [
        'Joint circles, ankles to neck',
        'Shift and turn, no arms',
        'Holding the tree',
        'Two-hand silk-reeling',
        'Belly breathing',
        'Gathering home',
      ])
        await press(shelf.getByRole('button', { name: new RegExp(`^${name}`) }));
      await press(page.getByRole('complementary', { name: 'The inspector' }).getByRole('button', { name: /^Minutes/ }));
      await type(page.getByLabel('Fit to', { exact: true }), '20');
      await press(button(page, 'Fit'));
      await press(button(page, 'Apply'));
      await page.locator('.total', { hasText: '20:00 min' }).waitFor();
    },
  },
  {
    name: 'a routine of twenty minutes, laid out',
    most: 4,
    from: '/today',
    does: async ({ page, press }) => {
      await press(link(page, 'Lay one out'));
      await press(button(page, /^\W*Lay out$/));
      await press(button(page, 'Take this one').first());
      await page.locator('.total', { hasText: '20:00 min' }).waitFor();
    },
  },
  {
    name: 'a student with a bad left knee and two goals',
    most: 10,
    from: '/students',
    does: async ({ page, press, type, choose }) => {
      await press(button(page, 'Add the first student'));
      await type(page.getByLabel('Name'), 'Nela Brisk');
      await type(page.getByLabel('Cautions, a line each'), 'Bad left knee');
      await press(button(page, /^Note .*knee/));
      await press(page.getByRole('group', { name: 'Part of the file' }).getByRole('button', { name: 'Plan' }));
      await choose(page.getByRole('combobox', { name: 'Routine to give' }), page.getByRole('option').first());
      const drills = page.locator('pk-plan-maker').getByRole('checkbox');
      await press(drills.nth(1));
      await press(drills.nth(2));
      await press(button(page, 'Make the plan'));
      await page.getByRole('heading', { name: /^Plan: / }).waitFor();
    },
  },
  {
    name: 'a class of five new people',
    most: 10,
    from: '/classes',
    does: async ({ page, press, type, choose }) => {
      await press(button(page, 'Set up the first class'));
      await type(page.getByLabel('Name', { exact: true }), 'Evening class');
      await choose(page.getByRole('combobox', { name: 'Routine of the class' }), page.getByRole('option').first());
      await press(button(page, 'Add people by name'));
      await type(page.getByLabel('Names, one on each line'), 'Ada North\nBo South\nCy West\nDee East\nEd Middle');
      await press(button(page, 'Add 5 students'));
      await page.getByRole('checkbox', { name: 'Ed Middle' }).waitFor();
    },
  },
  {
    name: 'a class conducted, and two of it corrected',
    most: 8,
    from: '/classes/demo-class-stand',
    demo: true,
    does: async ({ page, press }) => {
      await press(button(page, 'All are here'));
      await press(button(page, 'Go to the hall'));
      await press(button(page, 'Begin'));
      const points = page.locator('pk-class-room .points button');
      const until = async (there) => {
        while (!(await there.isVisible())) {
          await page.clock.fastForward(20_000);
          await page.waitForTimeout(50);
        }
      };
      await until(points.first());
      await press(points.first());
      await press(button(page, 'Next person'));
      await press(points.first());
      await until(page.getByRole('heading', { name: /^Done: / }));
      await press(button(page, 'Save to the logs'));
      await button(page, /^Undo Class/).waitFor();
    },
  },
  {
    name: 'three verdicts decided',
    most: 4,
    from: '/today',
    demo: true,
    does: async ({ page, press }) => {
      const due = page.getByRole('region', { name: 'To decide' });
      const accept = due.getByRole('button', { name: 'Accept', exact: true });
      const rows = due.getByRole('listitem').filter({ hasText: /Raise|Ease|Stay/ });
      await press(rows.first().getByRole('button', { name: /^Decide for/ }));
      // Whoever comes next is opened by itself.
      for (let decided = 0; decided < 3; decided += 1) {
        await press(accept.first());
        await button(page, /^Undo /).waitFor();
        await page.waitForTimeout(1500);
      }
    },
  },
  {
    name: 'a class given its papers',
    most: 3,
    from: '/classes/demo-class-stand',
    demo: true,
    does: async ({ page, press }) => {
      await press(button(page, 'Give'));
      const made = page.waitForEvent('download', { timeout: 120_000 });
      await press(button(page, /Download for/));
      await made;
    },
  },
];

/** Jobs of the own space follow one another in it; each of the demo begins with a fresh one. */
export async function countPresses(executablePath) {
  const browser = await chromium.launch({ executablePath });
  const app = await serve(join(root, 'apps/web/dist/web/browser'));
  const opened = async (space, ready) => {
    const context = await browser.newContext({ viewport: SIZE, serviceWorkers: 'block' });
    const page = await context.newPage();
    await page.clock.install({ time: MOMENT });
    await page.goto(`${app.address}/${space}`);
    await page.getByRole('heading', { name: ready }).waitFor({ timeout: 60_000 });
    return page;
  };
  const own = await opened('own', 'To begin with');
  const rows = [];
  for (const { name, most, from, does, demo } of jobs) {
    const page = demo ? await opened('demo', 'Practising today') : own;
    await page.goto(`${app.address}${from}`);
    let count = 0;
    const press = (at) => {
      count += 1;
      return at.click();
    };
    const type = (at, text) => {
      count += 1;
      return at.fill(text);
    };
    const choose = async (list, option) => {
      await press(list);
      await press(option);
    };
    await does({ page, press, type, choose });
    rows.push({ name: `Presses and fields: ${name}`, value: count, unit: '', target: `≤ ${most}`, met: count <= most });
    if (demo) await page.context().close();
  }
  await browser.close();
  app.server.close();
  return rows;
}
