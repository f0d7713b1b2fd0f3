import { of, throwError } from 'rxjs';
import { builtInExercises } from '@pomek/core';
import { heard, render } from '../../../testing/render';
import { Compute } from '../compute/compute';
import { CsvImport } from './csv-import';

const offered = async (text: string | File) => {
  const page = await render(CsvImport, { studentId: 'student-1', exercises: [...builtInExercises], plans: [] });
  const file = typeof text === 'string' ? new File([text], 'practices.csv') : text;
  await page.fixture.componentInstance['choose']([file]);
  await page.settle();
  return { page, made: heard(page.fixture.componentInstance.made) };
};

afterEach(() => jest.restoreAllMocks());

test('a table that is too large, or has nothing in it, is refused in words', async () => {
  const huge = Object.defineProperty(new File(['x'], 'huge.csv'), 'size', { value: 21 * 1024 * 1024 });
  expect((await offered(huge)).page.text()).toContain('The table has more than 20 MB.');
  expect((await offered('day,exercise,done')).page.text()).toContain('The table is empty.');
  expect((await offered('')).page.text()).toContain('The table is empty.');
});

test('more lines that cannot be read than are shown are counted', async () => {
  const bad = Array.from({ length: 20 }, () => 'soon,Holding the tree,60').join('\n');
  const { page } = await offered(`day,exercise,done\n2026-03-01,Holding the tree,60\n${bad}`);
  expect(page.text()).toContain('1 practice can be saved, 20 lines cannot.');
  expect(page.text()).toContain('Line 3: day: “soon” is no day');
  expect(page.text()).toContain('and 12 more');
});

test('nothing can be kept before all is read; how far it is, is shown', async () => {
  const step = { kind: 'progress' as const, share: 0.4 };
  jest.spyOn(Compute.prototype, 'steps').mockReturnValue(of(step));
  jest
    .spyOn(Compute.prototype, 'result')
    .mockReturnValue(of({ columns: ['day', 'exercise', 'done'], rows: 9, encoding: 'UTF-8' as const }));
  const { page } = await offered('any');
  expect(page.text()).toContain('Reading 9 rows');
  expect(page.element.querySelector('progress')!.value).toBeCloseTo(0.4, 6);
  expect(page.button(/^Save/).disabled).toBe(true);
});

test('a worker that fails is said, and another file can be chosen', async () => {
  jest.spyOn(Compute.prototype, 'result').mockReturnValue(throwError(() => new Error('no memory')));
  const { page } = await offered('day,exercise,done\n2026-03-01,Holding the tree,60');
  expect(page.text()).toContain('no memory');
  expect(page.text()).toContain('Choose a table');
});

test('the same table brought in twice gives the same practices, in whatever order its lines are', async () => {
  const lines = ['2026-03-01,Holding the tree,60', '2026-03-02,Shake out,60', '2026-03-01,Shake out,30'];
  const kept = async (order: string[]) => {
    const { page, made } = await offered(['day,exercise,done', ...order].join('\n'));
    await page.press('Save 2 practices');
    return made[0]!.map((log) => ({
      ...log,
      lines: log.lines.toSorted((a, b) => a.exerciseId.localeCompare(b.exerciseId)),
    }));
  };
  expect(await kept(lines)).toEqual(await kept(lines.toReversed()));
});

test('which comes first in 03/04/2026 is asked, and the table read by the answer', async () => {
  const { page, made } = await offered('day,exercise,done\n03/04/2025,Holding the tree,60');
  expect(page.text()).toContain('0 practices can be saved, 1 line cannot.');
  expect(page.text()).toContain('Line 2: day: “03/04/2025” may have its day or its month first; choose which above');
  page.fixture.componentInstance['dayOrder'].set('month first');
  await page.settle();
  expect(page.text()).toContain('Days like 03/04/2026');
  await page.press('Save 1 practice');
  expect(made[0]!.map(({ day }) => day)).toEqual(['2025-03-04']);
});

test('a table that is not UTF-8 says how its letters are read', async () => {
  const text = 'day,exercise,done,note\n2025-03-04,Holding the tree,60,m';
  const bytes = Uint8Array.from([...new TextEncoder().encode(text), 0xfc]);
  const { page, made } = await offered(new File([bytes], 'practices.csv'));
  expect(page.text()).toContain('The file is not UTF-8; its letters are read as Windows-1252.');
  await page.press('Save 1 practice');
  expect(made[0]![0]!.note).toBe('mü');
});
