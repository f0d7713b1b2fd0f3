import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { complaints, enterHall, openDemo, openOwn, smallWorld } from '../support/pomek';

async function expectNoViolations(page: Page, where: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
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
  '/students',
  '/students/demo-student-3',
  '/practise?student=demo-student-8',
  '/files',
  '/sources',
  '/nowhere/at/all',
];

for (const light of ['day', 'hall']) {
  test(`no view has an accessibility violation, in ${light} light`, async ({ page }) => {
    test.setTimeout(150_000);
    await openDemo(page);
    if (light === 'hall') await page.getByRole('button', { name: 'Hall light' }).click();
    for (const view of views) {
      await page.evaluate((path) => {
        history.pushState(null, '', path);
        dispatchEvent(new PopStateEvent('popstate', { state: null }));
      }, view);
      await page.waitForURL(`**${view}`);
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
      await page.waitForTimeout(300);
      if (view.startsWith('/routines/'))
        await page.getByRole('button', { name: /One-hand silk-reeling.*8 repetitions/ }).click();
      await expectNoViolations(page, view);
    }
    await page.getByRole('button', { name: 'Schools' }).click();
    await expect(page.getByRole('heading', { name: 'When the load is raised' })).toBeVisible();
    await page.waitForTimeout(400);
    await expectNoViolations(page, 'schools');
    await page.keyboard.press('Escape');
    await page.goto('/practise?student=demo-student-8');
    await enterHall(page);
    await page.keyboard.press('Space');
    await expectNoViolations(page, 'conductor');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'End and log what was done' }).click();
    await expectNoViolations(page, 'end of practice');
  });
}

test('empty places say what to do first, without a violation', async ({ page }) => {
  await openOwn(page);
  for (const [place, says] of [
    ['Routines', 'No routine yet'],
    ['Students', 'No student yet'],
    ['Practise', 'Nothing to practise yet'],
    ['Today', 'To begin with'],
  ] as const) {
    await page.getByRole('navigation').getByRole('link', { name: place }).click();
    await expect(page.getByRole('heading', { name: says })).toBeVisible();
    await expectNoViolations(page, place);
  }
});

test('works offline after the first load, a reload and every place included', async ({ page, context }) => {
  await smallWorld(page);
  await page.waitForFunction(
    async () => {
      if (navigator.serviceWorker.controller === null) await navigator.serviceWorker.ready;
      const names = (await caches.keys()).filter((name) => name.includes('assets:app:cache'));
      const sizes = await Promise.all(names.map(async (name) => (await (await caches.open(name)).keys()).length));
      const manifest = (await (await fetch('/ngsw.json')).json()) as { assetGroups: { urls: string[] }[] };
      return sizes.reduce((sum, size) => sum + size, 0) >= manifest.assetGroups[0]!.urls.length;
    },
    null,
    { timeout: 60_000 },
  );
  await page.reload();
  await context.setOffline(true);
  const wrong = complaints(page);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Nela Brisk', level: 1 })).toBeVisible();
  for (const place of ['Today', 'Exercises', 'Routines', 'Students', 'Practise', 'Files']) {
    await page.getByRole('navigation').getByRole('link', { name: place }).click();
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  }
  await page.getByRole('button', { name: 'Schools' }).click();
  await expect(page.getByRole('heading', { name: 'When the load is raised' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.goto('/demo');
  await expect(page.getByRole('link', { name: 'Orsolya Venn' }).first()).toBeVisible();
  expect(wrong).toEqual([]);
});

test('two tabs: the second sees the change, and undo does not run over it', async ({ page, context }) => {
  await smallWorld(page);
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

test('the demo and the own space are apart, each one click from the other', async ({ page }) => {
  await openDemo(page);
  await page.getByRole('button', { name: 'Start with my own data' }).click();
  await expect(page.getByRole('heading', { name: 'To begin with' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'To begin with' })).toBeVisible();
  await page.getByRole('button', { name: 'See the demo' }).click();
  await expect(page.getByRole('link', { name: 'Orsolya Venn' }).first()).toBeVisible();
  await page.getByRole('link', { name: 'Files' }).click();
  await page.getByRole('button', { name: 'Make the demo anew…' }).click();
  await page.getByRole('button', { name: 'Make it anew' }).click();
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
