import type { Locator, Page } from '@playwright/test';
import { openDemo } from '../support/pomek';
import { expect, test } from '../support/test';

/** How much of something is seen without scrolling, 0–1. */
async function seenOf(page: Page, thing: Locator): Promise<number> {
  const box = (await thing.boundingBox())!;
  const { width, height } = page.viewportSize()!;
  const wide = Math.min(box.x + box.width, width) - Math.max(box.x, 0);
  const high = Math.min(box.y + box.height, height) - Math.max(box.y, 0);
  return (Math.max(0, wide) * Math.max(0, high)) / (box.width * box.height);
}

/** What each place shows at first sight, and how much of it at least; lists and papers go on below. */
const sights: readonly (readonly [place: string, things: (page: Page) => readonly (readonly [Locator, number])[]])[] = [
  [
    '/today',
    (page) => [
      [page.getByRole('region', { name: 'Practising today' }).getByRole('listitem').first(), 1],
      [page.getByRole('button', { name: /Decide for/ }).first(), 1],
      [
        page
          .getByRole('button', { name: /Open it/ })
          .or(page.getByRole('link', { name: /Open it/ }))
          .first(),
        1,
      ],
    ],
  ],
  [
    '/exercises/neutral-stance',
    (page) => [
      [page.locator('pk-body-in-space').first(), 0.9],
      [page.locator('pk-answers').first(), 0.9],
    ],
  ],
  [
    '/routines/demo-morning',
    (page) => [
      [page.getByRole('region', { name: 'The thread' }), 1],
      [page.getByRole('searchbox', { name: /shelf|exercise/i }).first(), 1],
      [page.getByRole('region', { name: 'Segments of the routine' }).getByRole('listitem').first(), 1],
      [page.getByRole('complementary', { name: 'The inspector' }), 0.8],
    ],
  ],
  [
    '/students/demo-student-1',
    (page) => [
      [page.getByRole('button', { name: /^\W*Accept$/ }).first(), 1],
      [page.locator('pk-terraces').first(), 1],
      [page.locator('.weeks').first().getByRole('row').nth(1), 0.9],
    ],
  ],
  ['/practise?student=demo-student-5', (page) => [[page.getByRole('button', { name: /Go to the hall/ }), 1]]],
];

test('each place shows at first sight what one comes for', async ({ page }) => {
  await openDemo(page);
  for (const [place, things] of sights) {
    await page.goto(place);
    for (const [thing, least] of things(page)) {
      await expect(thing).toBeVisible();
      await expect
        .poll(() => seenOf(page, thing), { message: `${place}: ${String(thing)}` })
        .toBeGreaterThanOrEqual(least);
    }
  }
});

for (const { width, height } of [
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
])
  test.describe(`a class at ${width} × ${height}`, () => {
    test.use({ viewport: { width, height }, hasTouch: true, isMobile: true });

    test('the count, the body, what is pressed and everybody who is here are seen at once', async ({ page }) => {
      await openDemo(page);
      await page.goto('/classes/demo-class-stand');
      await page.getByRole('button', { name: 'All are here' }).tap();
      await page.getByRole('button', { name: /Go to the hall/ }).tap();
      await page.getByRole('button', { name: /Begin/ }).first().tap();
      const people = page.getByRole('list', { name: 'Who is here' });
      await people.getByRole('button').first().tap();
      await expect(people.getByRole('button')).toHaveCount(8);
      for (const thing of [
        page.locator('.saying'),
        page.locator('.doing'),
        page.getByRole('button', { name: /Pause/ }),
        page.getByRole('button', { name: /Next/ }).first(),
        page.getByRole('button', { name: /End/ }),
        people,
      ])
        await expect.poll(() => seenOf(page, thing), { message: String(thing) }).toBeGreaterThan(0.99);
      const [said, controls] = [page.locator('.saying'), page.getByRole('button', { name: /Pause/ })];
      const end = async (of: Locator): Promise<number> => ((box) => box.y + box.height)((await of.boundingBox())!);
      await expect.poll(async () => (await controls.boundingBox())!.y - (await end(said))).toBeGreaterThanOrEqual(0);
    });
  });
