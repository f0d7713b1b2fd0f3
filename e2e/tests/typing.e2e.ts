import { fieldsIn, lost, slow, type Field } from '../support/fields';
import { enterHall, look, openDemo, openPart } from '../support/pomek';
import { expect, test, type Page } from '../support/test';

/**
 * What is typed is kept: at any speed, on a slow machine, in neighbouring fields at once, and when the
 * page is left right after the last key. All speeds and delays are tried with POMEK_THOROUGH=1.
 */
const thorough = process.env['POMEK_THOROUGH'] === '1';
const SENTENCE = 'Walking by the wall at night, slowly';
const speeds = [1, 6].flatMap((factor) => [30, 80, 150].map((ms) => ({ factor, ms })));
/** The two that have most to do at a key are tried on a slow machine each time. */
const heavy = ['an exercise', 'a hold in a routine'];

interface Editor {
  readonly name: string;
  /** Leads to the place from an address, also after a reload. */
  readonly open: (page: Page) => Promise<void>;
  /** Where its fields are. */
  readonly place: string;
}

/** Waits until what the address leads to stands there. */
const stands = async (page: Page, place: string): Promise<void> => {
  await expect(page.locator(place).first()).toBeVisible();
  await page.waitForTimeout(200);
};

const editors: readonly Editor[] = [
  {
    name: 'an exercise',
    place: 'pk-exercise-editor',
    open: async (page) => {
      await page.goto('/exercises/demo-lantern-walk/edit');
      await page.getByRole('button', { name: 'Movement of part 1' }).click();
    },
  },
  {
    name: 'a routine',
    place: 'pk-routine-editor',
    open: async (page) => {
      await page.goto('/routines/demo-reeling');
      await page.getByRole('button', { name: /One-hand silk-reeling.*repetitions/ }).click();
    },
  },
  {
    name: 'the hall of a routine',
    place: 'pk-inspector .pane',
    open: async (page) => {
      await page.goto('/routines/demo-reeling');
      await look(page, 'Hall');
      const hall = page.getByRole('button', { name: 'It is done in a hall' });
      await expect(hall.or(page.getByLabel('Depth'))).toBeVisible();
      if (await hall.isVisible()) await hall.click();
    },
  },
  {
    name: 'all of a routine',
    place: 'pk-inspector .pane',
    open: async (page) => {
      await page.goto('/routines/demo-reeling');
      await look(page, 'All');
    },
  },
  {
    name: 'a hold in a routine',
    place: 'pk-segment-dose',
    open: async (page) => {
      await page.goto('/routines/demo-reeling');
      await page
        .getByRole('button', { name: /Holding the tree/ })
        .last()
        .click();
    },
  },
  {
    name: 'a chain',
    place: 'pk-chain',
    open: async (page) => {
      await page.goto('/routines/chains/demo-chain');
      await stands(page, 'pk-chain');
      // Where each piece goes is folded up. The pieces come a moment later than the page.
      const folded = page.getByRole('button', { name: /^More of piece/ });
      await expect(folded.first()).toBeVisible();
      for (const piece of await folded.all()) await piece.click();
    },
  },
  {
    name: 'a person',
    place: 'pk-person',
    open: async (page) => {
      await page.goto('/students/demo-student-3?part=person');
    },
  },
  {
    name: 'a body',
    place: 'pk-body-form',
    open: async (page) => {
      await page.goto('/students/demo-student-3?part=body');
    },
  },
  {
    name: 'a plan',
    place: 'pk-plan-weeks',
    open: async (page) => {
      await page.goto('/students/demo-student-1');
      await page.getByText(/^Limits, holidays/).click();
    },
  },
  {
    name: 'a practice put right',
    place: 'pk-log-list details',
    open: async (page) => {
      await page.goto('/students/demo-student-1?part=practices');
      await page.locator('pk-log-list details summary').first().click();
      await page.getByRole('button', { name: 'Put it right' }).first().click();
    },
  },
  {
    name: 'a school',
    place: 'pk-school-drawer .p-drawer',
    open: async (page) => {
      await page.goto('/today');
      await page.getByRole('button', { name: 'Schools' }).click();
      // None was chosen: it is the soft one, whatever its name is by then.
    },
  },
  {
    name: 'a class',
    place: 'pk-class-set-up',
    open: async (page) => {
      await page.goto('/classes/demo-class-stand?part=set-up');
    },
  },
  {
    name: 'a practice by hand',
    place: 'pk-log-by-hand',
    open: async (page) => {
      await page.goto('/students/demo-student-1?part=practices');
      await page.getByRole('button', { name: 'Write one down' }).click();
    },
  },
  {
    name: 'the answer to a verdict',
    place: 'pk-decision',
    open: async (page) => {
      await page.goto('/students/demo-student-3');
      await page.getByRole('button', { name: 'Unlock…' }).first().click();
    },
  },
  {
    name: 'a picture',
    place: 'pk-still-page .words',
    open: async (page) => {
      await page.goto('/students/demo-student-3/film/demo-student-3-still-30');
    },
  },
  {
    name: 'a correction',
    place: 'pk-corrections',
    open: async (page) => {
      await page.goto('/students/demo-student-3?part=corrections');
    },
  },
];

const open = async (page: Page, editor: Editor): Promise<void> => {
  await editor.open(page);
  await stands(page, editor.place);
};

const placeOf = (page: Page, editor: Editor) => page.locator(editor.place).first();

/** The fields of an editor after a reload hold what was typed. */
async function expectKept(page: Page, editor: Editor, fields: readonly Field[], when: string): Promise<void> {
  await open(page, editor);
  const message = `${editor.name}, ${when}`;
  await expect.poll(() => lost(placeOf(page, editor), fields), { message }).toEqual([]);
}

/** Types the sentence into the texts of an editor: all of them where there is time, else the first. */
async function typeAll(page: Page, editor: Editor, ms: number, letters = SENTENCE.length): Promise<Field[]> {
  const texts = (await fieldsIn(placeOf(page, editor), 1)).filter((field) => field.kind === 'text');
  const typed: Field[] = [];
  for (const [index, field] of (thorough ? texts : texts.slice(0, 1)).entries()) {
    const next =
      field.most === 1 ? `${index + 1}` : `${SENTENCE.slice(0, letters)} ${ms} ${index}`.slice(0, field.most);
    await field.at.focus();
    await page.keyboard.press('Control+A');
    await page.keyboard.type(next, { delay: ms });
    expect(await field.at.inputValue(), `${field.name} as it is typed`).toBe(next);
    typed.push({ ...field, next });
  }
  return typed;
}

/** Gives fields their next values, so many milliseconds apart. */
async function fillAll(page: Page, fields: readonly Field[], ms: number): Promise<void> {
  for (const field of fields) {
    await field.at.fill(field.next);
    if (ms > 0) await page.waitForTimeout(ms);
  }
}

/** The sentence into one text, then its neighbours at once, then one reload: what each run has time for. */
async function tryOnce(page: Page, editor: Editor): Promise<void> {
  await open(page, editor);
  const isHeavy = heavy.includes(editor.name);
  await slow(page, isHeavy ? 6 : 1);
  // A slow machine takes its time for each letter: two words of it tell as much.
  const typed = await typeAll(page, editor, 30, isHeavy ? 14 : undefined);
  const others = (await fieldsIn(placeOf(page, editor), 1)).filter(
    (field) => !typed.some((entry) => entry.index === field.index),
  );
  const fields = others.slice(0, isHeavy ? 6 : 14);
  await fillAll(page, fields, 0);
  await slow(page, 1);
  await expectKept(page, editor, [...typed, ...fields], '30 ms a key, then its neighbours at once');
}

/** Every text at every speed, every pair of neighbours at every distance, on a quick and a slow machine. */
async function tryAll(page: Page, editor: Editor): Promise<void> {
  await open(page, editor);
  for (const { factor, ms } of speeds) {
    await slow(page, factor);
    const typed = await typeAll(page, editor, ms);
    await slow(page, 1);
    await expectKept(page, editor, typed, `${ms} ms a key at ${factor} × slower`);
  }
  for (const [round, ms] of [0, 30, 80, 0].entries()) {
    const fields = await fieldsIn(placeOf(page, editor), round + 1);
    await slow(page, round === 0 ? 6 : 1);
    await fillAll(page, fields, ms);
    await slow(page, 1);
    await expectKept(page, editor, fields, `${ms} ms apart`);
  }
}

// Where all is tried each begins with a fresh demo: every number of a school that changes changes verdicts.
const groups = thorough
  ? editors.map((editor) => [editor])
  : [0, 1, 2].map((start) => editors.filter((_, index) => index % 3 === start));

for (const group of groups) {
  test(`every letter and every quick change is kept: ${group.map(({ name }) => name).join(', ')}`, async ({ page }) => {
    if (thorough) test.setTimeout(3_600_000);
    await openDemo(page);
    for (const editor of group) {
      await test.step(editor.name, async () => {
        await (thorough ? tryAll : tryOnce)(page, editor);
      });
    }
  });
}

const leavings: readonly { readonly name: string; readonly leave: (page: Page) => Promise<Page> }[] = [
  {
    name: 'closing the page',
    leave: async (page) => {
      const context = page.context();
      // Another page keeps the browser there.
      const next = await context.newPage();
      await page.close();
      return next;
    },
  },
  {
    name: 'another address',
    leave: async (page) => {
      await page.goto('/sources');
      return page;
    },
  },
  {
    name: 'going on within the application',
    leave: async (page) => {
      await page.evaluate(() => {
        history.pushState(null, '', '/files');
        dispatchEvent(new PopStateEvent('popstate', { state: null }));
      });
      return page;
    },
  },
];

for (const { name, leave } of leavings) {
  test(`${name} right after the last key loses nothing`, async ({ page }) => {
    await openDemo(page);
    let here = page;
    const wanted = editors.filter((editor) =>
      ['an exercise', 'a routine', 'a person', 'a school'].includes(editor.name),
    );
    for (const [turn, editor] of wanted.entries()) {
      for (const [index, ms] of [0, 5, 20, 50].entries()) {
        // Each delay with another editor; all with all where there is time.
        if (!thorough && index !== turn) continue;
        await open(here, editor);
        const texts = (await fieldsIn(placeOf(here, editor), 1)).filter((entry) => entry.kind === 'text');
        const field = texts[index % texts.length]!;
        const next = `${field.name.slice(0, 12)} left after ${ms}`;
        await field.at.focus();
        await here.keyboard.press('Control+A');
        await here.keyboard.type(next);
        await here.waitForTimeout(ms);
        here = await leave(here);
        await expectKept(here, editor, [{ ...field, next }], `${ms} ms after the last key`);
      }
    }
  });
}

test('the answers at the end of a practice outlive a reload', async ({ page }) => {
  await openDemo(page);
  await page.goto('/practise?student=demo-student-8');
  await enterHall(page);
  await page.keyboard.press('Space');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'End and log what was done' }).click();
  await page.getByRole('radio', { name: /^Effort 6,/ }).check({ force: true });
  await page.getByRole('radio', { name: /^Pain 3,/ }).check({ force: true });
  await page.getByLabel('Just where, if you like').fill('left shoulder');
  await page.getByLabel('Note').pressSequentially(SENTENCE);
  await page.reload();
  await expect(page.getByLabel('Note')).toHaveValue(SENTENCE);
  await expect(page.getByLabel('Just where, if you like')).toHaveValue('left shoulder');
  await page.getByRole('button', { name: 'Save to the log' }).click();
  await openPart(page, 'Practices');
  await expect(page.locator('pk-log-list details').first()).toContainText('effort 6 of 10');
  await expect(page.locator('pk-log-list details').first()).toContainText('pain 3 of 10 left shoulder');
});

test('what another tab changes comes into fields that are not typed in, and not into the one that is', async ({
  page,
  context,
}) => {
  await openDemo(page);
  await page.goto('/students/demo-student-3?part=person');
  const second = await context.newPage();
  await second.goto('/students/demo-student-3?part=person');
  await page.getByLabel('Name').focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Typed here');
  await second.getByLabel('Name').fill('Typed there');
  await second.getByLabel('Note').fill('noted there');
  await second.getByLabel('Note').blur();
  await expect(page.getByLabel('Note')).toHaveValue('noted there');
  await expect(page.getByLabel('Name')).toHaveValue('Typed here');
  await page.keyboard.type(' and on');
  await page.getByLabel('Name').blur();
  await expect(second.getByRole('heading', { level: 1 })).toHaveText('Typed here and on');
});
