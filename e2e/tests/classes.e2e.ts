import { classWorld, twelve } from '../support/class-world';
import { enterHall, stopAndGoOnTo, openDemo, openOwn, openPart, runOn, tabTo, takeIn } from '../support/pomek';
import { expect, ownClock, test, type Page } from '../support/test';

/** Students and a routine, and a class of all of them, set up with the pointer. */
async function setUp(page: Page, count: number): Promise<void> {
  await openOwn(page);
  await page.getByRole('link', { name: 'Files' }).click();
  await page
    .getByLabel('Choose a file')
    .setInputFiles({ name: 'class.json', mimeType: 'application/json', buffer: Buffer.from(classWorld(count)) });
  await takeIn(page, /^Import/);
  await page.getByRole('link', { name: 'Classes', exact: true }).click();
  await page.getByRole('button', { name: 'Set up the first class' }).click();
  await page.getByLabel('Name').fill('Monday stand');
  await page.getByLabel('Begins at').fill('09:00');
  await page.getByLabel('Length').fill('5');
  await page.getByRole('combobox', { name: 'Routine of the class' }).click();
  await page.getByRole('option', { name: 'Two stands' }).click();
  for (const name of twelve.slice(0, count)) await page.getByLabel(name, { exact: true }).check();
  await page.getByRole('group', { name: 'Part of the class' }).getByRole('button', { name: 'Next meeting' }).click();
}

const inRoom = (page: Page) => page.getByRole('list', { name: 'Who is here' });

test.describe('with a clock of its own', () => {
  test.beforeEach(async ({ page }) => {
    // A Monday.
    await ownClock(page, '2026-03-02T09:00:00');
  });

  test('a class of twelve, from the roster to the logs: corrected in turn, one comes late, a reload, one step back', async ({
    page,
  }) => {
    await setUp(page, 12);
    await expect(page.getByText('0 of 12')).toBeVisible();
    await page.getByRole('button', { name: 'All are here' }).click();
    await expect(page.getByText('12 of 12')).toBeVisible();
    await page.getByLabel('Lorne Wick', { exact: true }).uncheck();
    await expect(page.getByText('11 of 12')).toBeVisible();
    // Two minutes and one: two people have a minute each, then one more.
    const round = page.getByRole('region', { name: 'Corrections' });
    await expect(round).toContainText('2:00, 60 s each');
    await expect(round).toContainText('Next time first: Dov Marlin');
    // Who is here is still known after a reload.
    await page.reload();
    await expect(page.getByText('11 of 12')).toBeVisible();
    await page.getByRole('button', { name: 'Go to the hall' }).click();
    await expect(page.getByText('Press Begin, or Space.')).toBeVisible();
    await page.getByRole('button', { name: 'Begin' }).click();
    await runOn(page, 20);
    // What is done beside it takes its own time on a slow machine: the clock of the practice stands meanwhile.
    await page.keyboard.press('Space');
    await expect(page.getByText('Paused. Space goes on.')).toBeVisible();

    await expect(page.locator('pk-class-room .turn .name')).toHaveText('Ada Quill');
    await page.locator('pk-class-room .points button').first().click();
    await page.getByRole('button', { name: 'Helped' }).click();
    await expect(page.getByRole('button', { name: 'Helped' })).toHaveAttribute('aria-pressed', 'true');
    // Another one is seen out of turn, with a pin on the figure.
    await inRoom(page)
      .getByRole('button', { name: /Iris Kettle/ })
      .click();
    await page
      .locator('pk-hall-figure')
      .getByRole('button', { name: /^Checkpoint/ })
      .first()
      .click();
    await expect(page.getByRole('button', { name: 'Again' })).toBeVisible();

    await page.reload();
    await expect(page.getByText('Paused. Space goes on.')).toBeVisible();
    await expect(inRoom(page).getByRole('button', { name: /Iris Kettle/ })).toContainText('was corrected');
    await page.keyboard.press('Space');
    await runOn(page, 50);
    // A minute is over: the round has gone on by itself.
    await expect(page.locator('pk-class-room .turn .name')).toHaveText('Bram Osterly');
    await page.getByRole('button', { name: 'Lorne Wick comes' }).click();
    await expect(inRoom(page).getByRole('button', { name: /Lorne Wick/ })).toBeVisible();
    await runOn(page, 140);

    await expect(page.getByRole('heading', { name: 'Done: Monday stand' })).toBeVisible();
    await expect(page.getByText('12 were here')).toBeVisible();
    await page.getByRole('radio', { name: /^Effort of all 4,/ }).check({ force: true });
    await page.getByRole('button', { name: 'Edda Pruitt' }).click();
    await page.getByRole('radio', { name: /^Effort of Edda Pruitt 7,/ }).check({ force: true });
    await page.reload();
    await page.getByRole('button', { name: 'Save to the logs' }).click();
    await page.getByRole('button', { name: 'Term' }).click();
    const held = page.getByRole('row', { name: /Two stands/ });
    await expect(held).toContainText('12');
    await expect(held).toContainText('Ada Quill');

    const practised = async (name: string): Promise<string> => {
      await page.getByRole('link', { name: 'Students' }).click();
      await page.locator('pk-students').getByRole('link', { name }).click();
      await openPart(page, 'Practices');
      const log = page.locator('pk-log-list details').first();
      await log.locator('summary').click();
      return log.innerText();
    };
    expect(await practised('Bram Osterly')).toContain('2:00 min of 2:00 min');
    const late = await practised('Lorne Wick');
    expect(late).not.toContain('2:00 min of 2:00 min');
    expect(late).toContain('1:00 min of 1:00 min');
    await practised('Ada Quill');
    await openPart(page, 'Corrections');
    await expect(page.locator('pk-corrections')).toContainText('Helped before');

    // All of it is one step.
    await page.getByRole('button', { name: 'Undo Class: Monday stand' }).click();
    await openPart(page, 'Practices');
    await expect(page.locator('pk-log-list details')).toHaveCount(0);
    await page.getByRole('link', { name: 'Classes', exact: true }).click();
    await page.getByRole('link', { name: 'Monday stand', exact: true }).click();
    await page.getByRole('button', { name: 'Term' }).click();
    await expect(page.getByText('Nothing was held yet')).toBeVisible();
  });

  test('over the time something is offered to drop, and put back; a class of one has the whole hold', async ({
    page,
  }) => {
    await setUp(page, 1);
    await page.getByRole('button', { name: 'All are here' }).click();
    await page.getByRole('button', { name: 'Go to the hall' }).click();
    await page.getByRole('button', { name: 'Begin' }).click();
    await runOn(page, 20);
    await expect(page.locator('pk-class-room section.turn')).toContainText('120 s each, the last in this hold');
    await page.keyboard.press('Space');
    await page.clock.fastForward('03:00');
    await page.keyboard.press('Space');
    await runOn(page, 1);
    await expect(page.getByText(/min over$/)).toBeVisible();
    await page.getByRole('button', { name: 'Drop Neutral stance' }).click();
    await expect(page.getByText('Next: the end')).toBeVisible();
    await page.getByRole('button', { name: 'Put back what was dropped' }).click();
    await expect(page.getByText('Next: Neutral stance')).toBeVisible();
    await runOn(page, 30);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'End and log what was done' }).click();
    await expect(page.getByText('1 was here')).toBeVisible();
    await page.getByRole('button', { name: 'Save to the logs' }).click();
    await expect(page.getByRole('heading', { name: 'Monday stand' })).toBeVisible();
  });
});

test('a class with the keyboard alone: who is here, a point, whether it helped, the next person, the end', async ({
  page,
}) => {
  await openDemo(page);
  await page.goto('/classes/demo-class-stand');
  await tabTo(page, page.getByRole('button', { name: 'All are here' }));
  await page.keyboard.press('Enter');
  await expect(page.getByText('8 of 8')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Go to the hall' })).toBeEnabled();
  await tabTo(page, page.getByRole('button', { name: 'Go to the hall' }));
  await page.keyboard.press('Enter');
  await expect(page.getByText('Press Begin, or Space.')).toBeVisible();
  await page.keyboard.press('Space');
  // To the first stand.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Get ready: Joint circles, ankles to neck');
  await stopAndGoOnTo(page, 'Neutral stance');
  await page.keyboard.press('Space');
  const turn = page.locator('pk-class-room .turn .name');
  await expect(turn).toBeVisible();
  const first = await turn.innerText();
  await page.keyboard.press('1');
  await page.keyboard.press('a');
  await expect(page.getByRole('button', { name: 'Again' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('h');
  await expect(page.getByRole('button', { name: 'Helped' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('n');
  await expect(page.locator('pk-class-room section.turn')).not.toContainText(first);
  await page.keyboard.press('Escape');
  await tabTo(page, page.getByRole('button', { name: 'End and log what was done' }));
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByRole('radio', { name: /^Effort of all 0/ }));
  for (let times = 0; times < 3; times += 1) await page.keyboard.press('ArrowRight');
  await tabTo(page, page.getByRole('button', { name: 'Save to the logs' }));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'The Thursday stand' })).toBeVisible();
  await page.getByRole('button', { name: 'Term' }).click();
  await expect(page.getByRole('row', { name: /12 Mar 2026/ })).toContainText(first);
});

test('of two tabs one conducts; the other takes over when it is asked to', async ({ page, context }) => {
  await openDemo(page);
  await page.goto('/classes/demo-class-pond');
  await page.getByRole('button', { name: 'All are here' }).click();
  await enterHall(page);
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('heading', { name: 'This practice is conducted in another tab' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await other.getByRole('button', { name: 'Conduct it here' }).click();
  await expect(other.getByText('Paused. Space goes on.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'This practice is conducted in another tab' })).toBeVisible();
  // The lesson goes on here, and the class with it.
  await other.keyboard.press('Escape');
  await other.getByRole('button', { name: 'End and log what was done' }).click();
  await other.getByRole('button', { name: 'Save to the logs' }).click();
  await expect(other.getByRole('heading', { name: 'The pond sequence, lesson 6' })).toBeVisible();
});
