import { ChainSchema, newChain, type Chain, type Piece } from './chain';
import { chainLessons, lessonForHome, lessonHeld, lessonJustHeld, taughtOf } from './lessons';
import { lessonStepWords } from './lessonWords';
import { sideWords } from './sideWords';

const piece = (number: number, seconds = 30): Piece => ({
  id: `p${number}`,
  name: `Piece ${number}`,
  seconds,
  side: 'both',
  exerciseId: null,
  travel: null,
});
const chain = (count: number, change: Partial<Chain> = {}): Chain => ({
  ...newChain('c', 'Chain'),
  pieces: Array.from({ length: count }, (_, index) => piece(index + 1)),
  ...change,
});

test('a lesson repeats what came before, teaches one in its views, plays the whole (common practice)', () => {
  const [lesson] = chainLessons(chain(5, { nextLesson: 4 }), 1);
  expect(lesson!.teaches?.name).toBe('Piece 4');
  expect(lesson!.parts.map((part) => [part.kind, part.times, part.seconds])).toEqual([
    ['review', 1, 90],
    ['explain', 1, 90],
    ['legs', 3, 90],
    ['hands facing', 2, 60],
    ['hands from behind', 2, 60],
    ['joined', 1, 30],
    ['whole', 1, 120],
  ]);
  const taught = lesson!.parts.slice(1, -1);
  expect(taught.map(({ pieces }) => pieces.map(({ name }) => name))).toEqual(taught.map(() => ['Piece 4']));
  expect(lesson!.seconds).toBe(360 + 540);
  expect(lesson!.over).toBe(0);
});

test('each lesson adds one piece, and is longer by twice its time', () => {
  const lessons = chainLessons(chain(8), 8);
  expect(lessons.map((lesson) => lesson.teaches?.id)).toEqual(['p1', 'p2', 'p3', 'p4', 'p5', 'p6', 'p7', 'p8']);
  lessons.slice(1).forEach((lesson, index) => expect(lesson.seconds - lessons[index]!.seconds).toBe(60));
  expect(lessons[0]!.parts.map((part) => part.kind)).not.toContain('review');
});

test('when review fills the lesson: joined, then halves in turn, then nothing new', () => {
  const tight = chain(40, {
    lessonSeconds: 20 * 60,
    pieces: Array.from({ length: 40 }, (_, index) => piece(index + 1, 40)),
  });
  const lessons = chainLessons(tight, 30);
  const modes = lessons.map((lesson) => lesson.mode);
  expect(modes[0]).toBe('each');
  expect(modes.indexOf('in one go')).toBeGreaterThan(modes.lastIndexOf('each'));
  const firstHalf = modes.indexOf('first half');
  expect(firstHalf).toBeGreaterThan(modes.indexOf('in one go'));
  expect(modes[firstHalf + 1]).toBe('second half');
  expect(modes).toContain('nothing new');
  for (const lesson of lessons) {
    expect(lesson.reason).toMatch(/\.$/);
    if (lesson.mode === 'each' || lesson.mode === 'in one go') expect(lesson.over).toBe(0);
    if (lesson.mode === 'nothing new') expect(lesson.teaches).toBeNull();
  }
});

test('the halves of a review are each played in their turn, and together they are all that is learned', () => {
  const learned = 21;
  const tight = chain(40, {
    nextLesson: learned + 1,
    lessonSeconds: 20 * 60,
    pieces: Array.from({ length: 40 }, (_, index) => piece(index + 1, 40)),
  });
  const lessons = chainLessons(tight, 6);
  const first = lessons.find((lesson) => lesson.mode === 'first half')!;
  const second = lessons.find((lesson) => lesson.mode === 'second half')!;
  const played = (lesson: typeof first) => lesson.parts.find((part) => part.kind === 'whole')!.pieces.slice(0, -1);
  const before = (lesson: typeof first) => tight.pieces.slice(0, tight.pieces.indexOf(lesson.teaches!));
  expect(played(first)).toEqual(before(first).slice(0, Math.ceil(before(first).length / 2)));
  expect(played(second)).toEqual(before(second).slice(Math.ceil(before(second).length / 2)));
});

test('held one by one, lessons follow each other as they were planned together', () => {
  const tight = chain(40, {
    nextLesson: 22,
    lessonSeconds: 20 * 60,
    pieces: Array.from({ length: 40 }, (_, index) => piece(index + 1, 40)),
  });
  const planned = chainLessons(tight, 12);
  let now = tight;
  for (const lesson of planned) {
    const [next] = chainLessons(now, 1);
    expect(next).toEqual(lesson);
    now = lessonHeld(now, next!);
  }
  expect(new Set(planned.map(({ mode }) => mode))).toEqual(new Set(['first half', 'second half', 'nothing new']));
  // A lesson with nothing new is held too: the number goes on, what is learned does not.
  const joining = planned.findIndex(({ mode }) => mode === 'nothing new');
  const before = planned.slice(0, joining).reduce(lessonHeld, tight);
  const after = lessonHeld(before, planned[joining]!);
  expect(after.nextLesson).toBe(before.nextLesson + 1);
  expect(taughtOf(after)).toBe(taughtOf(before));
});

test('a first piece that is too long is taught all the same, and said', () => {
  const long = chain(2, { lessonSeconds: 300, frameSeconds: 60, pieces: [piece(1, 900), piece(2, 30)] });
  const [first] = chainLessons(long, 1);
  expect(first).toMatchObject({ mode: 'each', teaches: { id: 'p1' } });
  expect(first!.parts.length).toBeGreaterThan(0);
  expect(first!.reason).toContain('takes longer than a lesson');
});

test('a single piece longer than a lesson is played whole once it is learned', () => {
  const long = chain(1, { nextLesson: 2, lessonSeconds: 300, pieces: [piece(1, 900)] });
  expect(chainLessons(long, 1)[0]).toMatchObject({
    mode: 'each',
    teaches: null,
    reason: 'Everything is learned: play it whole.',
  });
});

test('two pieces are enough to be joined; one is not', () => {
  const tight = (taught: number) =>
    chain(3, { taught, lessonSeconds: 300, pieces: [1, 2, 3].map((number) => piece(number, 200)) });
  expect([1, 2].map((taught) => chainLessons(tight(taught), 1)[0]!.mode)).toEqual(['each', 'nothing new']);
});

test('a new chain is empty: nothing learned, nothing joined', () => {
  expect(newChain('c', 'Chain')).toMatchObject({ pieces: [], joinedLast: false, nextLesson: 1 });
});

test('after the last piece nothing is taught, and the whole is played', () => {
  const lessons = chainLessons(chain(2, { nextLesson: 2 }), 3);
  expect(lessons.map((lesson) => lesson.teaches?.id ?? null)).toEqual(['p2', null, null]);
  expect(lessons[2]!.parts.map((part) => part.kind)).toEqual(['review', 'whole']);
  expect(chainLessons(chain(0), 1)[0]!.parts).toEqual([]);
});

test('left and right as the students see them', () => {
  expect(sideWords('left', 'facing')).toContain('show your own right');
  expect(sideWords('right', 'facing')).toContain('show your own left');
  expect(sideWords('left', 'from behind')).toContain('show your own left');
  expect(sideWords('both', 'facing')).toBe('both sides together');
});

test('a chain is checked as it comes in', () => {
  expect(ChainSchema.safeParse(chain(3)).success).toBe(true);
  expect(ChainSchema.safeParse(chain(3, { lessonSeconds: 10 })).error!.issues[0]!.path).toEqual(['lessonSeconds']);
  expect(ChainSchema.safeParse({ ...chain(1), pieces: [{ ...piece(1), name: ' ' }] }).error!.issues[0]!.message).toBe(
    'a piece needs a name',
  );
});

test('parts of a lesson in one line: what, how often, how long', () => {
  const reeds = { ...piece(1), name: 'Part the reeds' };
  const part = { kind: 'legs', pieces: [reeds], times: 3, seconds: 105 } as const;
  expect(lessonStepWords(part)).toBe('Legs: Part the reeds, 3 times (1:45 min)');
  expect(lessonStepWords({ ...part, kind: 'explain', times: 1 })).toBe('Explain: Part the reeds (1:45 min)');
  expect(lessonStepWords({ ...part, kind: 'review', pieces: [reeds, piece(2)], times: 1 })).toBe(
    'Repeat: 2 pieces (1:45 min)',
  );
  expect(lessonStepWords({ ...part, kind: 'whole', pieces: [reeds, piece(2), piece(3)], times: 2 })).toBe(
    'The whole: 3 pieces, 2 times (1:45 min)',
  );
  expect(lessonStepWords({ ...part, kind: 'joined', pieces: [], times: 1 })).toBe('Joined:  (1:45 min)');
});

test('each lesson says why it goes as it does', () => {
  const reasonsOf = (some: Chain, count: number): Map<string, string> =>
    new Map(
      chainLessons(some, count).map(({ mode, teaches, reason }) => [
        `${mode}${teaches === null ? ', nothing' : ''}`,
        reason,
      ]),
    );
  const tight = chain(40, {
    lessonSeconds: 20 * 60,
    pieces: Array.from({ length: 40 }, (_, index) => piece(index + 1, 40)),
  });
  const reasons = reasonsOf(tight, 30);
  expect(reasons.get('each')).toBe('Repeat what came before, add one, play the whole.');
  expect(reasons.get('in one go')).toMatch(/^Repeating every piece apart would be .+ too long: join them/);
  expect(reasons.get('first half')).toMatch(/^Review fills the lesson \(.+ over\): the first half today/);
  expect(reasons.get('second half')).toMatch(/the second half today, the first was last time\.$/);
  const learned = chainLessons(chain(2, { nextLesson: 3 }), 1);
  expect(learned[0]).toMatchObject({ mode: 'each', teaches: null, reason: 'Everything is learned: play it whole.' });
  // A piece that fits no lesson, however it is taught.
  const [alone] = chainLessons(chain(1, { lessonSeconds: 300 }), 1);
  expect(alone!.reason).toMatch(/^“Piece 1” takes longer than a lesson \(.+ over\): part it/);
  const [fits] = chainLessons(chain(1), 1);
  expect(fits!.reason).toBe('Repeat what came before, add one, play the whole.');
});

test.each([[2], [8], [40]])('the lesson that was just held is the one that was, for a chain of %i', (count) => {
  let now = chain(count, { lessonSeconds: 20 * 60 });
  expect(lessonJustHeld(now)).toBeNull();
  const modes = new Set<string>();
  for (let lesson = 1; lesson <= 45; lesson += 1) {
    const [held] = chainLessons(now, 1);
    now = lessonHeld(now, held!);
    expect(lessonJustHeld(now, { teaches: held!.teaches?.name ?? null })).toEqual(held);
    if (held!.teaches !== null || held!.mode === 'nothing new') expect(lessonJustHeld(now)).toEqual(held);
    modes.add(held!.mode);
  }
  if (count === 40)
    expect([...modes].toSorted()).toEqual(['each', 'first half', 'in one go', 'nothing new', 'second half']);
});

test('at home nobody explains and nobody shows: what one can do alone stays', () => {
  const [lesson] = chainLessons(chain(5, { nextLesson: 3 }), 1);
  const home = lessonForHome(lesson!);
  expect(home.parts.map(({ kind, pieces }) => [kind, pieces.length])).toEqual([
    ['review', 2],
    ['legs', 1],
    ['joined', 1],
    ['whole', 3],
  ]);
  expect(home.seconds).toBe(2 * 30 + 3 * 30 + 30 + 3 * 30);
});
