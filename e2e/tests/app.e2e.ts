import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '../support/test';
import { enterHall, openDemo, openOwn, openPart, smallWorld, take } from '../support/pomek';

async function expectNoViolations(page: Page, where: string, rules: string[] = []): Promise<void> {
  const axe = new AxeBuilder({ page });
  const { violations } = await (rules.length === 0 ? axe : axe.withRules(rules)).analyze();
  const found = violations.map(
    (violation) => `${where}: ${violation.id} at ${violation.nodes.map((node) => node.target.join(' ')).join(', ')}`,
  );
  expect(found).toEqual([]);
}

const views = [
  '/today',
  '/exercises',
  '/exercises/tree-holding',
  '/exercises/demo-lantern-walk/edit',
  '/routines',
  '/routines/demo-reeling',
  '/routines/chains/demo-chain',
  '/routines/demo-reeling/give',
  '/students',
  '/students/demo-student-3',
  '/students/demo-student-3/film/demo-student-3-still-30',
  '/classes',
  '/classes/demo-class-stand',
  '/classes/demo-class-pond?part=give',
  '/classes/demo-class-pond?part=term',
  '/classes/demo-class-pond?part=set-up',
  '/practise?student=demo-student-8',
  '/files',
  '/sources',
  '/nowhere/at/all',
];

// What the light can break is contrast; all other rules are tried by day.
const lights = [
  { light: 'day', rules: [] },
  { light: 'hall', rules: ['color-contrast'] },
];

for (const { light, rules } of lights) {
  test.describe(`no accessibility violation, in ${light} light`, () => {
    test.beforeEach(async ({ page }) => {
      await openDemo(page);
      if (light === 'hall') await page.getByRole('button', { name: 'Dark', exact: true }).click();
    });

    for (const some of [views.slice(0, 8), views.slice(8)]) {
      test(`in ${some.join(' ')}`, async ({ page }) => {
        for (const view of some) {
          await page.evaluate((path) => {
            history.pushState(null, '', path);
            dispatchEvent(new PopStateEvent('popstate', { state: null }));
          }, view);
          await page.waitForURL(`**${view}`);
          await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
          await page.waitForTimeout(300);
          if (view === '/routines/demo-reeling')
            await page.getByRole('button', { name: /One-hand silk-reeling.*8 repetitions/ }).click();
          await expectNoViolations(page, view, rules);
        }
      });
    }

    test('in the parts of a student and of an exercise', async ({ page }) => {
      await page.goto('/students/demo-student-3');
      for (const part of ['Practices', 'Person', 'Give']) {
        await page.getByRole('button', { name: part, exact: true }).click();
        await page.waitForTimeout(300);
        await expectNoViolations(page, part, rules);
      }
      await page.goto('/exercises/one-hand-reeling');
      for (const part of ['Cycle', 'Floor marks', 'Two scales']) {
        await page.getByRole('button', { name: part, exact: true }).click();
        await page.waitForTimeout(200);
        await expectNoViolations(page, part, rules);
      }
    });

    test('in the school and the hall', async ({ page }) => {
      await page.getByRole('button', { name: 'Schools' }).click();
      await expect(page.getByRole('heading', { name: 'When the load is raised' })).toBeVisible();
      await page.waitForTimeout(400);
      await expectNoViolations(page, 'schools', rules);
      await page.keyboard.press('Escape');
      await page.goto('/practise?student=demo-student-8');
      await enterHall(page);
      await page.keyboard.press('Space');
      await expectNoViolations(page, 'conductor', rules);
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: 'End and log what was done' }).click();
      await expectNoViolations(page, 'end of practice', rules);
      await page.goto('/classes/demo-class-stand');
      await page.getByRole('button', { name: 'All are here' }).click();
      await enterHall(page);
      await page.keyboard.press('Space');
      await page.keyboard.press('ArrowRight');
      await expectNoViolations(page, 'class', rules);
      await page.keyboard.press('Escape');
      await page.getByRole('button', { name: 'End and log what was done' }).click();
      await page.getByRole('button', { name: 'Ilse Marrowby' }).click();
      await expectNoViolations(page, 'end of class', rules);
    });
  });
}

test('empty places say what to do first, without a violation', async ({ page }) => {
  await openOwn(page);
  for (const [place, says] of [
    ['Routines', 'No routine yet'],
    ['Students', 'No student yet'],
    ['Classes', 'No class yet'],
    ['Practise', 'Nothing to practise yet'],
    ['Today', 'To begin with'],
  ] as const) {
    await page.getByRole('navigation').getByRole('link', { name: place }).click();
    await expect(page.getByRole('heading', { name: says })).toBeVisible();
    await expectNoViolations(page, place);
  }
});

test('two tabs: the second sees the change, and undo does not run over it', async ({ page, context }) => {
  await smallWorld(page);
  await openPart(page, 'Person');
  await expect(page.getByLabel('Name')).toBeVisible();
  const address = page.url();
  const second = await context.newPage();
  await second.goto(address);
  await expect(second.getByRole('heading', { name: 'Nela Brisk', level: 1 })).toBeVisible();
  await page.getByLabel('Name').fill('Nela from One');
  await page.getByLabel('Name').blur();
  await expect(second.getByRole('heading', { name: 'Nela from One', level: 1 })).toBeVisible();
  await second.getByLabel('Name').fill('Nela from Two');
  await second.getByLabel('Name').blur();
  await expect(page.getByRole('heading', { name: 'Nela from Two', level: 1 })).toBeVisible();
  await page.getByRole('button', { name: /^Undo Change/ }).click();
  await expect(page.getByText('was changed elsewhere since')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Nela from Two', level: 1 })).toBeVisible();
});

test('what was done is taken back and done again after a reload', async ({ page }) => {
  await openOwn(page);
  await page.goto('/routines');
  await page.getByRole('button', { name: 'Build the first routine' }).click();
  await take(page, 'Holding the tree');
  await take(page, 'Shake out');
  const rows = page.locator('li[data-segment]');
  const undo = page.getByRole('button', { name: 'Undo Add Shake out' });
  await expect(undo).toBeEnabled();
  await page.reload();
  await undo.click();
  await expect(page.getByRole('button', { name: 'Redo Add Shake out' })).toBeEnabled();
  await expect(rows).toHaveCount(1);
  await page.reload();
  await expect(rows).toHaveCount(1);
  // Pressed before the storage is open it waits for it.
  await page.keyboard.press('Control+z');
  await expect(rows).toHaveCount(0);
  await page.keyboard.press('Control+Shift+z');
  await page.keyboard.press('Control+Shift+z');
  await expect(rows).toHaveCount(2);
});

test('the demo and the own space are apart, each one click from the other', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Start with my own data' }).click();
  await expect(page.getByRole('heading', { name: 'To begin with' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'To begin with' })).toBeVisible();
  await page.getByRole('button', { name: 'See the demo' }).click();
  await expect(page.getByRole('link', { name: 'Dagny Pellew' }).first()).toBeVisible();
  await page.getByRole('link', { name: 'Files' }).click();
  await page.getByRole('button', { name: 'Start the demo over…' }).click();
  await page.getByRole('button', { name: 'Start it over' }).click();
  await expect(page.getByText('The demo is fresh again')).toBeVisible();
});

test('nothing is asked of any other machine', async ({ page }) => {
  const foreign: string[] = [];
  page.on('request', (request) => {
    if (!/^(http:\/\/127\.0\.0\.1:|data:|blob:)/.test(request.url())) foreign.push(request.url());
  });
  await openDemo(page);
  for (const view of views) await page.goto(view);
  expect(foreign).toEqual([]);
});
