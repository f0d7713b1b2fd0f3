import { builtInExercises } from '../library/builtInExercises';
import { ChainSchema, newChain, type Chain, type Piece } from './chain';
import { chainLessons, lessonForHome } from './lessons';
import { lessonStepWords } from './lessonWords';
import { chainPath } from './path';
import { mirroredPiece, travelOf, type Travel } from './travel';
import { chainEndWords, chainPathWords, facingWords, travelWords, turnWords } from './travelWords';

const shelf = new Map(builtInExercises.map((exercise) => [exercise.id, exercise]));
const piece = (id: string, travel: Partial<Travel> | null, change: Partial<Piece> = {}): Piece => ({
  id,
  name: `Piece ${id}`,
  seconds: 30,
  side: 'left',
  exerciseId: null,
  travel: travel === null ? null : { ahead: 0, right: 0, turnDeg: 0, ...travel },
  ...change,
});
const chain = (pieces: Piece[], change: Partial<Chain> = {}): Chain => ({
  ...newChain('c', 'Chain'),
  stepMetres: 1,
  pieces,
  ...change,
});

test('a square of four pieces ends where it began (plane geometry)', () => {
  const path = chainPath(chain(['a', 'b', 'c', 'd'].map((id) => piece(id, { ahead: 2, turnDeg: 90 }))), shelf);
  expect(path.end).toEqual({ kind: 'closes' });
  expect(path.places.map(({ facingDeg }) => facingDeg)).toEqual([0, 90, 180, 270, 0]);
  // Two metres each way, and 0.6 m for the arms all round.
  expect([path.width, path.depth]).toEqual([expect.closeTo(3.2, 9), expect.closeTo(3.2, 9)]);
  const corners = path.places.map(({ x, y }) => [Math.round(10 * x) / 10, Math.round(10 * y) / 10]);
  expect(corners).toEqual([
    [0.6, 0.6],
    [0.6, 2.6],
    [2.6, 2.6],
    [2.6, 0.6],
    [0.6, 0.6],
  ]);
  expect(chainPathWords(path, 1)[0]).toMatch(/can begin again at once/);
  expect(chainPathWords(path, 1)[1]).toBe(
    'One person needs 3.2 m from left to right and 3.2 m from front to back, arms and all.',
  );
});

test.each([
  [90, 4],
  [-90, 4],
  [180, 2],
  [120, 3],
  [45, 8],
  [135, 8],
])('what ends turned by %s° is back after %s times, tried by walking it', (turnDeg, times) => {
  const once = [piece('a', { ahead: 3 }), piece('b', { right: 1, turnDeg })];
  expect(chainPath(chain(once), shelf).end).toEqual({ kind: 'after', times });
  // Walked so often it closes, and no sooner.
  const walked = (count: number): string =>
    chainPath(
      chain(
        Array.from({ length: count }, (_, index) => once.map((one) => ({ ...one, id: `${one.id}${index}` }))).flat(),
      ),
      shelf,
    ).end.kind;
  expect(walked(times)).toBe('closes');
  for (let count = 1; count < times; count += 1) expect(walked(count)).not.toBe('closes');
});

test('what ends elsewhere says how to come back, in its own steps', () => {
  const away = chainPath(chain([piece('a', { ahead: 3 }), piece('b', { right: -1 })], { stepMetres: 0.5 }), shelf);
  expect(away.end).toEqual({ kind: 'away', ahead: 1.5, right: -0.5, turnDeg: 0 });
  expect(chainEndWords(away.end, 0.5)).toBe(
    'It ends three steps ahead, one step to the left from where it began: go back there before it begins again.',
  );
  // A turn that would take more than twelve times is not waited for.
  const odd = chainPath(chain([piece('a', { ahead: 1, turnDeg: 350 })]), shelf);
  expect(odd.end).toMatchObject({ kind: 'away', turnDeg: 350 });
  expect(chainEndWords(odd.end, 1)).toContain('one step ahead, a turn of 10° left from where it began');
  const still = chainPath(chain([piece('a', {}), piece('b', null)]), shelf);
  expect([still.end, chainPathWords(still, 1)]).toEqual([{ kind: 'stays' }, ['It stays on its place.']]);
});

test('to both sides it is its own mirror image, from where the first one ends', () => {
  const once = [piece('a', { ahead: 2, right: 1, turnDeg: 90 }), piece('b', { ahead: 1 })];
  const path = chainPath(chain(once, { bothSides: true }), shelf);
  expect(path.mirrored).toHaveLength(3);
  expect(path.mirrored[0]).toEqual(path.places.at(-1));
  // The turns take each other back; a way in mirror image goes as far.
  expect(path.mirrored.at(-1)!.facingDeg).toBe(0);
  const far = (places: typeof path.places) =>
    Math.hypot(places.at(-1)!.x - places[0]!.x, places.at(-1)!.y - places[0]!.y);
  expect(far(path.mirrored)).toBeCloseTo(far(path.places), 9);
  expect(chainPathWords(path, 1)[0]).toMatch(/^Played to both sides\. It ends/);
  // Sideways steps and turns alone take each other back altogether.
  const aside = chain([piece('a', { right: 3 }), piece('b', { right: 1 })], { bothSides: true });
  expect(chainPath(aside, shelf).end).toEqual({ kind: 'closes' });
  expect(chainPath({ ...aside, bothSides: false }, shelf).end.kind).toBe('away');
  expect(mirroredPiece(mirroredPiece(once[0]!))).toEqual(once[0]);
  expect(mirroredPiece(piece('a', null, { side: 'both' }))).toMatchObject({ side: 'both', travel: null });
});

test('a piece that is a drill goes as the drill does, on its side, unless it says otherwise', () => {
  const walk = [...shelf.values()].find(({ travel }) => (travel?.out ?? 0) > 0)!;
  const own = piece('a', null, { exerciseId: walk.id, side: 'right' });
  const right = travelOf(own, walk, 0.35);
  expect(right.right).toBeCloseTo(walk.travel!.out / 0.35, 1);
  expect(travelOf({ ...own, side: 'left' }, walk, 0.35).right).toBeCloseTo(-right.right, 9);
  expect(travelOf(piece('b', { ahead: 1 }), walk, 0.35)).toEqual({ ahead: 1, right: 0, turnDeg: 0 });
  expect(chainPath(chain([own]), shelf).end.kind).toBe('away');
  const still = builtInExercises.find(({ travel }) => travel === null)!;
  expect(travelOf(own, still, 0.35)).toEqual({ ahead: 0, right: 0, turnDeg: 0 });
});

test('a lesson plays the whole to both sides where the chain is played so, at home too', () => {
  const pieces = ['a', 'b', 'c'].map((id) => piece(id, { ahead: 1 }));
  const [one] = chainLessons(chain(pieces, { nextLesson: 3 }), 1);
  const [both] = chainLessons(chain(pieces, { nextLesson: 3, bothSides: true }), 1);
  expect(both!.seconds - one!.seconds).toBe(90);
  expect(both!.parts.at(-1)).toEqual({ ...one!.parts.at(-1)!, kind: 'other side' });
  expect(lessonStepWords(both!.parts.at(-1)!)).toBe('To the other side: 3 pieces (1:30 min)');
  expect(lessonForHome(both!).parts.at(-1)!.kind).toBe('other side');
});

test('ways and turns are said as a teacher says them', () => {
  expect(travelWords({ ahead: 2, right: -1, turnDeg: -90 })).toBe(
    'two steps ahead, one step to the left, a quarter turn left',
  );
  expect(travelWords({ ahead: -0.5, right: 1.5, turnDeg: 180 })).toBe(
    'half a step back, one and a half steps to the right, half a turn over the right',
  );
  expect(travelWords({ ahead: 0, right: 0.1, turnDeg: 0 })).toBe('');
  expect([45, 135, -135, 270, 360, -720, 30].map(turnWords)).toEqual([
    'an eighth of a turn right',
    'three eighths of a turn right',
    'three eighths of a turn left',
    'three quarters of a turn right',
    'a whole turn right',
    '2 whole turns left',
    'a turn of 30° right',
  ]);
  expect(travelWords({ ahead: 14, right: 0, turnDeg: 0 })).toBe('14 steps ahead');
  expect([0, 45, 350, -90, 200].map((deg) => facingWords(deg, 'by side'))).toEqual([
    'the front',
    'the front right corner',
    'the front',
    'the left',
    'the back',
  ]);
  expect(facingWords(315, 'by compass')).toBe('north-west');
});

test('a chain from before there were ways is read', () => {
  const { stepMetres, bothSides, ...old } = newChain('c', 'Old');
  const { travel, ...before } = piece('a', null);
  expect([stepMetres, bothSides, travel]).toEqual([0.6, false, null]);
  expect(ChainSchema.parse({ ...old, pieces: [before] })).toEqual({
    ...newChain('c', 'Old'),
    pieces: [piece('a', null)],
  });
});
