import { openDemo } from '../support/pomek';
import { expect, test, type Page } from '../support/test';

/** Changes the first practice of a student and the plan of another in the storage itself, as no page of the app would. */
const damage = (page: Page): Promise<void> =>
  page.evaluate(async () => {
    const open = indexedDB.open('pomek-demo');
    await new Promise((resolve) => (open.onsuccess = resolve));
    const change = async (table: string, studentId: string, part: Record<string, unknown>): Promise<void> => {
      const store = open.result.transaction(table, 'readwrite').objectStore(table);
      const found = store.index('studentId').get(studentId);
      await new Promise((resolve) => (found.onsuccess = resolve));
      const written = store.put({ ...(found.result as object), ...part });
      await new Promise((resolve) => (written.onsuccess = resolve));
    };
    await change('logs', 'demo-student-1', { practisedSeconds: 90_000 });
    await change('plans', 'demo-student-2', { startsOn: '0001-01-01' });
    open.result.close();
  });

test('a practice of 25 hours and a plan of year 1 take no page with them: Files puts one right, and undo takes that back', async ({
  page,
}) => {
  await openDemo(page);
  await damage(page);
  // Every part of both files is there.
  for (const part of ['plan', 'practices', 'person', 'give']) {
    await page.goto(`/students/demo-student-1?part=${part}`);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Orsolya Venn');
    await expect
      .poll(() =>
        page
          .locator('main')
          .innerText()
          .then((text) => text.length),
      )
      .toBeGreaterThan(300);
  }
  await page.goto('/students/demo-student-2');
  await expect(page.getByText('Some of your plans cannot be read')).toBeVisible();
  await page.goto('/files');
  const aside = page.getByRole('region', { name: 'Set aside' });
  await expect(aside).toContainText('2 records cannot be read.');
  await expect(aside).toContainText('a practice lasts 24 h at most');
  await aside.getByLabel(/^practisedSeconds of practice of Orsolya Venn/).fill('3600');
  await aside.getByRole('button', { name: /^Save the practice of Orsolya Venn, .* \d{4}$/ }).click();
  await expect(aside).toContainText('1 record cannot be read.');
  await aside.getByLabel('startsOn of plan of Tamsin Okello').fill('2026-01-05');
  await aside.getByRole('button', { name: 'Save the plan of Tamsin Okello', exact: true }).click();
  await expect(aside).toHaveCount(0);
  await page.goto('/students/demo-student-2');
  await expect(page.getByText('Give a routine')).toHaveCount(0);
  await page.goto('/files');
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeEnabled();
  await page.keyboard.press('Control+z');
  await expect(aside).toContainText('startsOn');
});

test('where the browser denies small storage the app opens all the same, and works', async ({ page }) => {
  await page.addInitScript(() => {
    for (const name of ['localStorage', 'sessionStorage'])
      Object.defineProperty(window, name, {
        get() {
          throw new DOMException('Access is denied for this document.', 'SecurityError');
        },
      });
  });
  await page.goto('/own');
  await expect(page.getByRole('heading', { name: 'To begin with' })).toBeVisible();
  await page.getByRole('button', { name: 'Dark' }).click();
  await page.getByRole('link', { name: 'Students' }).first().click();
  await page.getByRole('button', { name: 'New student' }).click();
  await expect(page).toHaveURL(/\/students\/./);
});

test('where the browser denies the storage it is said, with what helps', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('The operation is insecure.', 'SecurityError');
    };
  });
  await page.goto('/own');
  await expect(page.getByText('Your records cannot be opened, and nothing you do here is saved')).toBeVisible();
  await expect(page.getByText('Allow it to store site data, then reload the page.')).toBeVisible();
});
