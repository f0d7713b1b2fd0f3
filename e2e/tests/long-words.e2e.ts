import { openDemo } from '../support/pomek';
import { expect, test } from '../support/test';

/** Every name and note of the demo becomes one long word. */
const WORD = 'Wimmelwurz'.repeat(30);

const views = [
  '/today',
  '/exercises',
  '/exercises/demo-lantern-walk',
  '/exercises/demo-lantern-walk/edit',
  '/routines',
  '/routines/demo-reeling',
  '/routines/chains/demo-chain',
  '/students',
  '/students/demo-student-3',
  '/students/demo-student-3/film/demo-student-3-still-30',
  '/classes',
  '/classes/demo-class-stand',
  '/classes/demo-class-pond?part=term',
  '/practise?student=demo-student-3',
  '/files',
];

const widths = [900, 1280];

test(`a name of one long word widens no page of ${widths.join(' or ')} px`, async ({ page }) => {
  await openDemo(page);
  await page.goto('/sources');
  await page.evaluate(
    (word) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('pomek-demo');
        open.onerror = () => reject(open.error!);
        open.onsuccess = () => {
          const lengths: Record<string, number> = {
            name: 80,
            place: 80,
            teaches: 80,
            note: 300,
            label: 120,
            cue: 300,
            routineName: 80,
          };
          const names = [...open.result.objectStoreNames];
          const write = open.result.transaction(names, 'readwrite');
          const longer = (value: unknown): unknown => {
            if (Array.isArray(value)) return value.map(longer);
            if (typeof value !== 'object' || value === null) return value;
            return Object.fromEntries(
              Object.entries(value).map(([key, inner]) => {
                const most = lengths[key] ?? (key === 'exerciseName' || key === 'painWhere' ? 80 : 0);
                return [
                  key,
                  most > 0 ? word.slice(0, most) : key === 'cautions' ? [word.slice(0, 200)] : longer(inner),
                ];
              }),
            );
          };
          for (const name of names) {
            write.objectStore(name).openCursor().onsuccess = ({ target }) => {
              const cursor = (target as IDBRequest<IDBCursorWithValue | null>).result;
              if (cursor === null) return;
              cursor.update(longer(cursor.value));
              cursor.continue();
            };
          }
          write.oncomplete = () => {
            open.result.close();
            resolve();
          };
        };
      }),
    WORD,
  );
  const wide: string[] = [];
  const measure = async (view: string): Promise<void> => {
    await page.waitForTimeout(300);
    for (const width of widths) {
      await page.setViewportSize({ width, height: 800 });
      await page.waitForTimeout(100);
      const found = await page.evaluate(() => document.documentElement.scrollWidth);
      if (found > width) wide.push(`${view} at ${width}: ${found} px`);
    }
  };
  for (const view of views) {
    await page.goto(view);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    await measure(view);
    if (view !== '/students/demo-student-3') continue;
    for (const part of ['Practices', 'Person', 'Give']) {
      await page.getByRole('button', { name: part, exact: true }).click();
      await measure(part);
    }
  }
  await page.goto('/practise?student=demo-student-3');
  await page.getByRole('button', { name: 'Go to the hall' }).click();
  await page.keyboard.press('Space');
  await measure('the hall');
  expect(wide).toEqual([]);
});
