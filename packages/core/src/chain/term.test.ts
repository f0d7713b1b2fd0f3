import { demoChain } from '../demo/demoChain';
import { chainLessons } from './lessons';
import { termPicture, termWords } from './term';

const short = { new: 'N', repeated: 'r', played: 'p', 'left out': '-', 'not yet': '.' } as const;
const drawn = (chain: typeof demoChain, count: number) =>
  termPicture(chain, chainLessons(chain, count)).map((row) => row.map((mark) => short[mark]).join(''));

test('each lesson repeats what was learned and adds one: a staircase', () => {
  expect(drawn({ ...demoChain, pieces: demoChain.pieces.slice(0, 8) }, 5)).toEqual([
    'rrrrr',
    'rrrrr',
    'rrrrr',
    'rrrrr',
    'Nrrrr',
    '.Nrrr',
    '..Nrr',
    '...Nr',
  ]);
});

test('where the lesson gets short pieces are played in one go, then by halves, and a lesson brings nothing new', () => {
  expect(drawn({ ...demoChain, lessonSeconds: 1080 }, 10).join('')).toMatch(/rp/);
  const rows = drawn({ ...demoChain, lessonSeconds: 900 }, 10);
  // In a lesson in which something is left out, something else is played.
  for (let lesson = 0; lesson < 10; lesson += 1) {
    const column = rows.map((row) => row[lesson]).join('');
    expect(column.match(/N/g)?.length ?? 0).toBeLessThanOrEqual(1);
    if (column.includes('-')) expect(column).toMatch(/[pr]/);
    // What is not yet learned stands below all that is.
    expect(column).toMatch(/^[rp-]*N?\.*$/);
  }
});

test('a row in words, with the numbers of its lessons', () => {
  expect(termWords(['not yet', 'new', 'repeated', 'repeated', 'played', 'left out'], 5)).toBe(
    'new in lesson 6, repeated in lessons 7 to 8, played in the whole in lesson 9, left out in lesson 10',
  );
  expect(termWords(['repeated', 'repeated'], 1)).toBe('repeated in lessons 1 to 2');
  expect(termWords(['not yet'], 5)).toBe('in none of these lessons');
});
