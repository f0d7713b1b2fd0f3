import { complaints, openOwn } from '../support/pomek';
import { expect, test, type Locator, type Page } from '../support/test';

/** A copy of a drill that moves, open to be changed, its body drawn. */
async function openCopy(page: Page): Promise<Locator> {
  await openOwn(page);
  await page.goto('/exercises/forward-reeling');
  await page.getByRole('button', { name: 'Copy as my own' }).click();
  const body = page.getByRole('region', { name: 'The body as it is written' });
  await expect(body).toBeVisible();
  await expect(page.locator('pk-body-in-space .making')).toHaveCount(0);
  return body;
}

const handUp = (page: Page): Locator => page.getByLabel('Working hand up (0 hips, 1 shoulders)');
const undo = (page: Page): Promise<void> => page.getByRole('button', { name: /^Undo/ }).click();

test('a hand is dragged, moved by keys and taken back; the numbers and the small figures follow', async ({ page }) => {
  const wrong = complaints(page);
  const body = await openCopy(page);
  const positions = body.getByRole('group', { name: 'Positions of a repetition' }).getByRole('button');
  await expect(positions).toHaveCount(7);
  // Of the posture both hands are taken together.
  await expect(body.getByRole('button', { name: /^Working hand/ })).toHaveCount(0);
  await expect(body.getByRole('button', { name: /^Hands/ })).toBeVisible();
  await body.getByRole('button', { name: /^Part 2, its end/ }).click();
  await expect(handUp(page)).toHaveValue('0.25');

  const hand = body.getByRole('button', { name: /^Working hand/ });
  const { x, y, width, height } = (await hand.boundingBox())!;
  const [from, to] = [
    { x: x + width / 2, y: y + height / 2 },
    { x: x + width / 2, y: y + height / 2 - 60 },
  ];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 6 });
  await page.mouse.up();
  await expect(handUp(page)).not.toHaveValue('0.25');
  const dragged = Number(await handUp(page).inputValue());
  expect(dragged).toBeGreaterThan(0.3);
  // It is where it was taken.
  const after = (await hand.boundingBox())!;
  expect(Math.hypot(after.x + width / 2 - to.x, after.y + height / 2 - to.y)).toBeLessThan(8);

  await hand.focus();
  await page.keyboard.press('ArrowUp');
  await expect.poll(async () => Number(await handUp(page).inputValue())).toBeGreaterThan(dragged);
  const moved = await handUp(page).inputValue();
  await undo(page);
  await expect(handUp(page)).not.toHaveValue(moved);
  const undone = await handUp(page).inputValue();
  await page.reload();
  await body.getByRole('button', { name: /^Part 2, its end/ }).click();
  await expect(handUp(page)).toHaveValue(undone);
  expect(wrong).toEqual([]);
});

test('positions are added on the way, copied, put in order, mirrored and removed; a fault is shown on the body; it plays', async ({
  page,
}) => {
  const body = await openCopy(page);
  const positions = body.getByRole('group', { name: 'Positions of a repetition' }).getByRole('button');
  await body.getByRole('button', { name: /^Part 1, its end/ }).click();
  await body.getByRole('button', { name: 'Add one on the way' }).click();
  await expect(positions).toHaveCount(8);
  await expect(body.getByRole('heading', { name: 'On the way of part 1' })).toBeVisible();
  await expect(page.getByText('Position 3 on the way of part 1')).toBeVisible();
  await body.getByRole('button', { name: 'Move this position earlier' }).click();
  await expect(page.getByText('Position 2 on the way of part 1')).toBeVisible();
  await body.getByRole('button', { name: 'Remove this position' }).click();
  await expect(positions).toHaveCount(7);

  await body.getByRole('button', { name: /^Part 2, its end/ }).click();
  await body.getByRole('button', { name: 'Mirror left and right' }).click();
  await expect(page.getByLabel('Pelvis turned')).toHaveValue('20');
  await page.getByRole('button', { name: 'Place the working hand' }).click();
  await page.getByLabel('Working hand in front of the hips').fill('2.6');
  await expect(body.getByRole('status')).toContainText(/Working hand: \d+ cm out of reach\./);
  await page.getByLabel('Working hand in front of the hips').fill('0.8');
  await expect(body.getByRole('status')).toBeEmpty();
  // A foot that is set elsewhere without being lifted slides, there and back.
  await page.getByLabel('Width (empty: the posture’s)').fill('3');
  await expect(body.getByRole('status')).toContainText(/Part 2: the \w+ foot slides \d+ cm over the floor\./);
  await expect(
    body.getByRole('button', { name: /^(Working|Other) foot/ }).and(body.locator('.faulty')),
  ).not.toHaveCount(0);
  await page.getByLabel('Width (empty: the posture’s)').fill('');
  await expect(body.getByRole('status')).toBeEmpty();

  await page.getByText('Trunk, head, arms and knees').click();
  await page.getByLabel('Back rounded').fill('40');
  await page.getByRole('combobox', { name: 'Other hand: what it lies on in part 2' }).click();
  await page.getByRole('option', { name: 'the belly', exact: true }).click();
  await body.getByRole('button', { name: 'Play' }).click();
  await expect(body.getByRole('heading', { name: 'The whole repetition' })).toBeVisible();
  await expect(body.getByRole('button', { name: /^Working hand/ })).toHaveCount(0);
  await body.getByRole('button', { name: 'Stop' }).click();
  await page.reload();
  await body.getByRole('button', { name: /^Part 2, its end/ }).click();
  await page.getByText('Trunk, head, arms and knees').click();
  await expect(page.getByLabel('Back rounded')).toHaveValue('40');
});

test('the posture of a stand is moved by keys and by pointer, its fields and its lines follow, and it is taken back', async ({
  page,
}) => {
  const wrong = complaints(page);
  await openOwn(page);
  await page.goto('/exercises/tree-holding');
  await page.getByRole('button', { name: 'Copy as my own' }).click();
  const body = page.getByRole('region', { name: 'The body as it is written' });
  await expect(page.locator('pk-body-in-space .making')).toHaveCount(0);
  const bend = page.getByLabel('Knee bend', { exact: true });
  const raised = page.getByLabel('Arms raised', { exact: true });
  const [bent, up] = [Number(await bend.inputValue()), Number(await raised.inputValue())];
  await body.getByRole('button', { name: /^Pelvis: height and weight/ }).focus();
  for (let times = 0; times < 4; times += 1) await page.keyboard.press('ArrowDown');
  await expect.poll(async () => Number(await bend.inputValue())).toBeGreaterThan(bent + 3);

  const hands = body.getByRole('button', { name: /^Hands/ });
  const { x, y, width, height } = (await hands.boundingBox())!;
  await page.mouse.move(x + width / 2, y + height / 2);
  await page.mouse.down();
  await page.mouse.move(x + width / 2, y + height / 2 - 50, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => Number(await raised.inputValue())).toBeGreaterThan(up + 5);
  const moved = await raised.inputValue();
  // The value stands there before it is written; a step that can be taken back over a reload it is once that is done.
  const waiting = () => page.evaluate(() => Object.keys(localStorage).filter((key) => key.startsWith('pomek.typed')));
  await expect.poll(waiting).toEqual([]);
  await page.reload();
  await expect(raised).toHaveValue(moved);
  await undo(page);
  await expect(raised).toHaveValue(String(up));
  expect(wrong).toEqual([]);
});
