import { standardBody } from '../body/body';
import { stillPose } from '../figure/figurePose';
import { softSchool } from '../schools/builtInSchools';
import { shelf } from '../testing/samples';
import { filmCamera, seenBy } from './filmCamera';
import { FoundBodySchema, foundFrom, foundMarks, withFound, type FoundBody } from './foundBody';
import { hasLine, isLineEnd, lookedAt, otherEnd, pointAfter, withLine, withoutPoint, withPoint } from './markStill';
import { jointOf } from './poseMarks';
import { readStill } from './readStill';
import { marksWanted, newStill, nextMark, type FilmFrom, type FilmJoint, type MarkName, type Still } from './still';
import { stillTerms } from './stillTerms';
import { newStudent } from '../students/newStudent';

const tree = shelf.get('tree-holding')!;
const order: readonly (FilmJoint | 'head')[] = ['shoulder', 'elbow', 'wrist', 'hip', 'knee', 'ankle', 'heel', 'toe'];
const first: Readonly<Record<string, number>> = {
  shoulder: 11,
  elbow: 13,
  wrist: 15,
  hip: 23,
  knee: 25,
  ankle: 27,
  heel: 29,
  toe: 31,
};
const pose = stillPose(standardBody, tree.posture, softSchool, 'right', true);
const size = { width: 1280, height: 1600 };

/** What a finder would say of the figure that a camera sees: its joints where they truly are. */
function bodySeen(from: FilmFrom, change: (body: FoundBody) => void = () => undefined): FoundBody {
  const camera = filmCamera({ from });
  const point = (name: MarkName): FoundBody[number] => {
    const joint = jointOf(pose, name);
    const { x, y, away } = seenBy(camera, joint);
    return { x: x / size.width, y: y / size.height, z: (away - camera.away) / 2, visibility: 0.99 };
  };
  const body: FoundBody = Array.from({ length: 33 }, () => point('head'));
  for (const joint of order) {
    body[first[joint]!] = point(`${joint} left` as MarkName);
    body[first[joint]! + 1] = point(`${joint} right` as MarkName);
  }
  change(body);
  return body;
}
const swapped = (body: FoundBody): void => {
  for (let at = 7; at < 33; at += 2) [body[at], body[at + 1]] = [body[at + 1]!, body[at]!];
};
const views: readonly FilmFrom[] = ['right', 'left', 'front', 'behind'];
const picture = (change: Partial<Still> = {}): Still =>
  newStill({ id: 's', studentId: 'x', day: '2026-03-12', name: 'Tree', bytes: 1, ...size, ...change });
const near = (marks: Still['marks'], from: FilmFrom): number =>
  Math.max(
    ...marksWanted(from).map((name) => {
      const { x, y } = seenBy(filmCamera({ from }), jointOf(pose, name));
      return Math.hypot(marks[name]!.x - x, marks[name]!.y - y);
    }),
  );

test.each(views)('seen from %s: the view and every mark of it', (from) => {
  const body = FoundBodySchema.parse(bodySeen(from));
  expect(foundFrom(body, size)).toBe(from);
  const marks = foundMarks(body, size, from);
  expect(Object.keys(marks).toSorted()).toEqual(marksWanted(from).toSorted());
  expect(near(marks, from)).toBeLessThan(0.1);
});

test('sides go by the view: a back taken for a front is turned round, of two legs in line the nearer is marked', () => {
  expect(near(foundMarks(bodySeen('front', swapped), size, 'front'), 'front')).toBeLessThan(0.1);
  expect(near(foundMarks(bodySeen('behind', swapped), size, 'behind'), 'behind')).toBeLessThan(0.1);
  expect(near(foundMarks(bodySeen('right', swapped), size, 'right'), 'right')).toBeLessThan(0.1);
  expect(near(foundMarks(bodySeen('left', swapped), size, 'left'), 'left')).toBeLessThan(0.1);
});

test('what is not surely seen, or lies outside the picture, is not set', () => {
  const body = bodySeen('right', (points) => {
    points[16] = { ...points[16]!, visibility: 0.49 };
    points[32] = { ...points[32]!, y: 1.01 };
    points[14] = { ...points[14]!, x: -0.01 };
  });
  const { found, marks } = withFound(picture(), body);
  const wanted = marksWanted('right').filter((name) => !['wrist right', 'toe right', 'elbow right'].includes(name));
  expect(found.toSorted()).toEqual(wanted.toSorted());
  expect(Object.keys(marks).toSorted()).toEqual(wanted.toSorted());
  expect(FoundBodySchema.safeParse(body.slice(1)).success).toBe(false);
});

test('a fresh picture is looked at as it seems to be seen; what a hand has marked stays, and so does its view', () => {
  const fresh = withFound(picture({ from: 'right' }), bodySeen('front'));
  expect(fresh).toMatchObject({ from: 'front', scale: 'trunk' });
  expect(fresh.found).toHaveLength(marksWanted('front').length);
  const mine = { x: 1, y: 2 };
  const half = withFound(picture({ from: 'behind', scale: 'trunk', marks: { 'knee left': mine } }), bodySeen('front'));
  expect(half.from).toBe('behind');
  expect(half.marks['knee left']).toEqual(mine);
  expect(half.found).not.toContain('knee left');
  // Found once more, what was only found is found anew.
  const again = withFound({ ...fresh, marks: { ...fresh.marks, head: mine } }, bodySeen('front'));
  expect(again).toEqual(fresh);
});

test('a mark that was only found is wide in what is read, until it is looked at', () => {
  const found = withFound(picture(), bodySeen('right'));
  const terms = stillTerms(found, newStudent('x', 'X', 'soft'), tree, softSchool);
  const errors = (still: Still) => readStill(still, terms).figures.map(({ error }) => error);
  const [wide, looked] = [errors(found), errors(lookedAt(found))];
  for (const [at, error] of looked.entries()) expect(wide[at]!).toBeGreaterThanOrEqual(error);
  const shin = (still: Still) => readStill(still, terms).figures.find(({ id }) => id === 'shin lean')!.error;
  // Four centimetres at either end of a shank of some forty: more than five degrees.
  expect(shin(found)).toBeGreaterThan(shin(lookedAt(found)) + 3);
  expect(shin(lookedAt(found, 'knee right'))).toBeLessThan(shin(found));
});

test('a foot that was only found tells less of how the body is turned', () => {
  // Its toe was found four centimetres short: some thirty degrees, were it looked at.
  const body = bodySeen('right', (points) => {
    const [heel, toe] = [points[30]!, points[32]!];
    points[32] = { ...toe, x: heel.x + (toe.x - heel.x) * 0.85 };
  });
  const found = withFound(picture(), body);
  const terms = stillTerms(found, { ...newStudent('x', 'X', 'soft'), statureCm: 170 }, tree, softSchool);
  expect(readStill(found, terms)).toMatchObject({ problems: [] });
  expect(readStill(found, terms).figures.length).toBeGreaterThan(5);
  expect(readStill(lookedAt(found), terms).problems).toEqual([expect.stringContaining('The foot is turned some')]);
});

test('marks are set, looked at and taken away; then comes what is missing, then what was only found', () => {
  const found = withFound(picture(), bodySeen('right'));
  expect(nextMark(found)).toBe('toe right');
  const set = withPoint(found, 'toe right', { x: 5, y: 6 });
  expect(set.marks['toe right']).toEqual({ x: 5, y: 6 });
  expect(set.found).toEqual(found.found.filter((name) => name !== 'toe right'));
  expect(pointAfter(set, 'toe right')).toBe('heel right');
  const gone = withoutPoint(set, 'knee right');
  expect(gone.marks['knee right']).toBeUndefined();
  expect(gone.found).not.toContain('knee right');
  expect(nextMark(gone)).toBe('knee right');
  expect(nextMark(lookedAt(found))).toBeNull();
});

test('a line has two ends: both come, one moves, both go', () => {
  const empty = picture();
  expect(isLineEnd('plumb from') && !isLineEnd('head')).toBe(true);
  expect([otherEnd('plumb from'), otherEnd('length to')]).toEqual(['plumb to', 'length from']);
  const [top, foot] = [
    { x: 1, y: 1 },
    { x: 2, y: 9 },
  ];
  expect(withPoint(empty, 'plumb from', top)).toBe(empty);
  expect(withLine(empty, 'plumb from', top, foot).plumb).toEqual({ from: top, to: foot });
  const tape = withLine(empty, 'length to', foot, top);
  expect(tape.length).toEqual({ from: top, to: foot, cm: 100 });
  expect(hasLine(tape, 'length from') && !hasLine(tape, 'plumb to')).toBe(true);
  expect(withPoint(tape, 'length to', { x: 3, y: 3 }).length).toEqual({ from: top, to: { x: 3, y: 3 }, cm: 100 });
  expect(withPoint(tape, 'length from', { x: 3, y: 3 }).length).toEqual({ from: { x: 3, y: 3 }, to: foot, cm: 100 });
  expect(withoutPoint(tape, 'length from').length).toBeNull();
  expect(pointAfter(tape, 'length from')).toBe('length to');
  expect(pointAfter(tape, 'length to')).toBe('toe right');
});
