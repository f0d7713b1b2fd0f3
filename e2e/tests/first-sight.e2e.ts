import { enterHall, openDemo } from '../support/pomek';
import { expect, ownClock, test, type Page } from '../support/test';

/** What each view shows first; at its size all of it is on the screen, without scrolling. */
const views: readonly { readonly path: string; readonly main: readonly string[] }[] = [
  { path: '/today', main: ['h1', '#practising', '#next-class', '#due', '.deciding button'] },
  { path: '/exercises/tree-holding', main: ['pk-figure-bench canvas', 'pk-answers', 'pk-posture-dials'] },
  {
    path: '/routines/demo-reeling',
    main: ['.total', 'pk-thread svg', 'pk-shelf input', '[data-segment]', 'pk-inspector .tabs'],
  },
  {
    path: '/students/demo-student-5',
    main: ['#due-heading', 'pk-decision button', 'pk-strand-list', 'pk-terraces svg', '.weeks tbody tr:first-child'],
  },
  { path: '/students/demo-student-7?part=give', main: ['pk-give-board .kinds', 'pk-give-board .bar'] },
  {
    path: '/students/demo-student-3/film/demo-student-3-still-30',
    main: ['.picture svg.surface', '.chips', '.points li:nth-child(3)'],
  },
  { path: '/students/demo-student-3?part=film', main: ['.stills li:nth-child(2)'] },
  { path: '/students', main: ['table'] },
  { path: '/students/season', main: ['table svg'] },
  { path: '/classes', main: ['.cards li:first-child', '.cards li:nth-child(2)'] },
  {
    path: '/classes/demo-class-stand',
    main: ['#here-heading', '#practised-heading', '#round-heading', '#here-demo-student-7'],
  },
  { path: '/practise?student=demo-student-8', main: ['h1'] },
  { path: '/routines/demo-reeling/give', main: ['pk-give-board .kinds', 'pk-give-board .bar'] },
  { path: '/files', main: ['h1'] },
];

/** Whether an element is wholly on the screen. */
const seen = (page: Page, selector: string, width: number, height: number) =>
  expect
    .poll(
      async () => {
        const box = await page.locator(selector).first().boundingBox();
        return (
          box !== null && box.x >= 0 && box.y >= 0 && box.x + box.width <= width + 1 && box.y + box.height <= height
        );
      },
      { message: `${selector} on ${page.url()}` },
    )
    .toBe(true);

const SIZE = { width: 1280, height: 800 };

test('each view shows its main thing at once, at a laptop’s size', async ({ page }) => {
  await page.setViewportSize(SIZE);
  await openDemo(page);
  for (const { path, main } of views) {
    await page.goto(path);
    await page.getByRole('heading', { level: 1 }).first().waitFor({ state: 'attached' });
    for (const selector of main) await seen(page, selector, SIZE.width, SIZE.height);
    // Panes scroll by themselves: the page is no wider than the screen.
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(SIZE.width);
  }
});

test('the hall fits a laptop, a tablet and a phone held upright, and nothing jumps while digits change', async ({
  page,
}) => {
  await ownClock(page, '2026-03-02T09:00:00');
  await openDemo(page);
  // The drill with the longest way in and the most to mind.
  await page.goto('/practise?student=demo-student-1');
  await enterHall(page);
  await seen(page, '.controls button', SIZE.width, SIZE.height);
  await page.goto('/practise?student=demo-student-8');
  await enterHall(page);
  await page.keyboard.press('Space');
  for (const [step, size] of [
    SIZE,
    { width: 900, height: 1200 },
    { width: 390, height: 844 },
    SIZE,
    { width: 390, height: 844 },
  ].entries()) {
    // Taken up first, then done.
    if (step === 3) await page.keyboard.press('ArrowRight');
    await page.setViewportSize(size);
    await seen(page, '.big', size.width, size.height);
    await seen(page, 'pk-hall-figure canvas', size.width, size.height);
    await seen(page, '.controls button', size.width, size.height);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(size.width);
  }
  await page.setViewportSize(SIZE);
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(/^Take up/);
  // Capitals and figures of what matters are at least a twenty-fifth of the screen high: they are read from three metres.
  for (const selector of ['.stage h1', '.big']) {
    const capitals = await page.locator(selector).evaluate((element) => {
      const { font } = getComputedStyle(element);
      const canvas = document.createElement('canvas').getContext('2d')!;
      canvas.font = font;
      return canvas.measureText('H8').actualBoundingBoxAscent;
    });
    expect(capitals, `${selector} from three metres`).toBeGreaterThanOrEqual(0.04 * SIZE.height);
  }
  const places = new Map<string, Set<number>>();
  for (let tick = 0; tick < 8; tick += 1) {
    const [title, x] = await page.evaluate(() => [
      `${document.querySelector('h1')!.textContent} ${document.querySelector('pk-side')?.textContent ?? ''}`,
      Math.round(document.querySelector('.beside')!.getBoundingClientRect().x),
    ]);
    places.set(title, (places.get(title) ?? new Set()).add(x));
    await page.clock.fastForward(3000);
    await page.waitForTimeout(60);
  }
  for (const [title, at] of places) expect([title, [...at]]).toEqual([title, [expect.any(Number)]]);
});
