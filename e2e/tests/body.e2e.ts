import { complaints, openOwn } from '../support/pomek';
import { expect, test, type Locator, type Page } from '../support/test';

/** The body in space of a drill that moves, once it is drawn. */
async function openBody(page: Page): Promise<Locator> {
  await openOwn(page);
  await page.goto('/exercises/one-hand-reeling');
  await page.getByRole('button', { name: 'Cycle', exact: true }).click();
  const body = page.getByRole('img', { name: /^One-hand silk-reeling, part .*Arrow keys turn it\.$/ });
  await expect(body).toBeVisible();
  // The outline stands in until it is drawn.
  await expect(page.locator('pk-body-in-space .making')).toHaveCount(0);
  return body;
}

/** What is seen, once nothing moves any more. */
async function seen(body: Locator): Promise<string> {
  let last = '';
  await expect(async () => {
    const before = last;
    last = (await body.screenshot()).toString('base64');
    expect(last).toBe(before);
  }).toPass();
  return last;
}

test('a body in space is turned by dragging, by keys and to four views, and shows the place in the repetition', async ({
  page,
}) => {
  const wrong = complaints(page);
  const body = await openBody(page);
  const front = await seen(body);
  // More is seen than the ground: the picture of a page without a body is far smaller.
  expect(front.length).toBeGreaterThan(40_000);

  const { x, y, width, height } = (await body.boundingBox())!;
  await page.mouse.move(x + width / 2, y + height / 2);
  await page.mouse.down();
  await page.mouse.move(x + width / 2 + 120, y + height / 2, { steps: 5 });
  await page.mouse.up();
  const dragged = await seen(body);
  expect(dragged).not.toBe(front);

  await body.focus();
  await page.keyboard.press('ArrowRight');
  const further = await seen(body);
  expect(further).not.toBe(dragged);
  await page.keyboard.press('ArrowLeft');
  expect(await seen(body)).toBe(dragged);

  const views = new Set([front, dragged]);
  for (const view of ['Side', 'Behind', 'Above']) {
    await page.getByRole('button', { name: view, exact: true }).click();
    views.add(await seen(body));
  }
  expect(views.size).toBe(5);
  await page.getByRole('button', { name: 'Front', exact: true }).click();
  await seen(body);
  await page.getByLabel('Place in the cycle').fill('60');
  expect(await seen(body)).not.toBe(front);
  // The beads of the parts are where the path is.
  await expect(body.locator('.bead')).toHaveText(['1', '2', '3', '4']);
  for (const bead of await body.locator('.bead').all()) {
    const at = (await bead.boundingBox())!;
    expect(at.x).toBeGreaterThan(x - 20);
    expect(at.x).toBeLessThan(x + width + 20);
  }
  expect(wrong).toEqual([]);
});

test('where the picture is lost the outline takes over, and so it does where nothing can be drawn in space', async ({
  page,
  context,
}) => {
  await openBody(page);
  await page.evaluate(() => {
    const canvas = document.querySelector<HTMLCanvasElement>('pk-body-in-space canvas')!;
    canvas.getContext('webgl2')!.getExtension('WEBGL_lose_context')!.loseContext();
  });
  await expect(page.locator('pk-body-in-space pk-figure svg')).toBeVisible();

  const other = await context.newPage();
  await other.addInitScript(() => {
    HTMLCanvasElement.prototype.getContext = () => null;
  });
  await other.goto('/exercises/one-hand-reeling');
  await other.getByRole('button', { name: 'Cycle', exact: true }).click();
  await expect(other.locator('pk-body-in-space pk-figure svg')).toBeVisible();
});
