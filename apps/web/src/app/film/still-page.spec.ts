import type { WritableSignal } from '@angular/core';
import {
  doorSeen,
  filmCamera,
  jointOf,
  marksSeen,
  markNames,
  seenBy,
  newStill,
  stillPose,
  softSchool,
  bodyOfStudent,
  builtInExercises,
  type MarkName,
  type Posture,
  type Still,
} from '@pomek/core';
import { aStudent } from '../../../testing/records';
import { render, type Rendered } from '../../../testing/render';
import { finding } from '../../../testing/worker.client';
import { StillPage } from './still-page';

const student = aStudent({ statureCm: 170 });
const tree = builtInExercises.find(({ id }) => id === 'tree-holding')!;
const camera = filmCamera({ width: 800, height: 1000, focal: 1100 });

function filmed(change: Partial<Posture> = {}): Still {
  const pose = stillPose(bodyOfStudent(student).body, { ...tree.posture, ...change }, softSchool, 'right', true);
  return newStill({
    id: 'still-1',
    studentId: student.id,
    day: '2026-03-12',
    name: 'Tree from the side',
    width: 800,
    height: 1000,
    bytes: 3,
    exerciseId: tree.id,
    marks: marksSeen(camera, pose),
    plumb: doorSeen(camera),
  });
}
const picture = { id: 'still-1', studentId: student.id, data: 'data:image/png;base64,AAAA' };
const shown = (still: Still): Promise<Rendered<StillPage>> =>
  render(
    StillPage,
    { id: student.id, stillId: still.id },
    { students: [student], stills: [still], pictures: [picture] },
  );

const surface = (view: Rendered<StillPage>): SVGElement => {
  const found = view.element.querySelector<SVGElement>('svg.surface')!;
  // The picture is shown at half its size; this environment lays nothing out.
  found.getBoundingClientRect = () => ({ left: 0, top: 0, width: 400, height: 500 }) as DOMRect;
  found.setPointerCapture = () => undefined;
  return found;
};
const point = (type: string, x: number, y: number): Event =>
  Object.assign(new Event(type, { bubbles: true, cancelable: true }), {
    button: 0,
    clientX: x,
    clientY: y,
    pointerId: 1,
  });
const marksOf = async (view: Rendered<StillPage>): Promise<Still['marks']> =>
  (await view.database.of('stills').get('still-1'))!.marks;

test('a knee past the toes is outside, by how much, and goes into the corrections with its still, once', async () => {
  const view = await shown(filmed({ kneeBendDeg: 75, pressurePoint: 0.9 }));
  await view.until(/knees outside by \d+ cm/);
  expect(view.text()).toMatch(/right knee \d+ ± \d+ cm past the toe line/i);
  await view.press(/Note as a correction: knees/);
  const [kept] = await view.database.of('corrections').toArray();
  expect(kept).toMatchObject({
    checkpointId: 'knees-track',
    stillId: 'still-1',
    day: '2026-03-12',
    studentId: student.id,
  });
  expect(view.button(/Noted: knees/).disabled).toBe(true);
});

test('marks are set one after the other with the pointer, from the ground up', async () => {
  const view = await shown({ ...filmed(), marks: {} });
  await view.until(/Right toe: press where it is/i);
  const truth = filmed().marks;
  for (const name of ['toe right', 'heel right', 'ankle right', 'knee right', 'hip right'] as MarkName[]) {
    const { x, y } = truth[name]!;
    surface(view).dispatchEvent(point('pointerdown', x / 2, y / 2));
    surface(view).dispatchEvent(point('pointerup', x / 2, y / 2));
    await view.settle();
  }
  const marks = await marksOf(view);
  expect(Object.keys(marks)).toHaveLength(5);
  expect(marks['knee right']!.x).toBeCloseTo(truth['knee right']!.x, 0);
  expect(view.text()).toMatch(/Right wrist: press where it is/i);
  expect(view.text()).toMatch(/Right knee bent ?(29|30|31) ± \d+°/i);
});

test('a mark is taken up where it is and dragged; what is beside all marks moves none', async () => {
  const view = await shown(filmed());
  await view.until(/All is marked/);
  const before = await marksOf(view);
  const { x, y } = before['knee right']!;
  surface(view).dispatchEvent(point('pointerdown', x / 2 + 3, y / 2));
  surface(view).dispatchEvent(point('pointermove', x / 2 + 30, y / 2));
  surface(view).dispatchEvent(point('pointerup', x / 2 + 30, y / 2));
  await view.settle();
  const after = await marksOf(view);
  expect(after['knee right']!.x).toBeCloseTo(x + 60, 0);
  expect({ ...after, 'knee right': null }).toEqual({ ...before, 'knee right': null });
  surface(view).dispatchEvent(point('pointerdown', 10, 10));
  surface(view).dispatchEvent(point('pointerup', 10, 10));
  await view.settle();
  expect(await marksOf(view)).toEqual(after);
});

test('with keys alone: set, moved by one and by ten, taken away, on to the next', async () => {
  const view = await shown({ ...filmed(), marks: {} });
  await view.until(/Right toe: press where it is/i);
  const key = async (name: string, more: KeyboardEventInit = {}): Promise<void> => {
    surface(view).dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true, ...more }));
    await view.settle();
  };
  await key('ArrowRight');
  expect((await marksOf(view))['toe right']).toEqual({ x: 400, y: 500 });
  await key('ArrowRight');
  await key('ArrowDown', { shiftKey: true });
  expect((await marksOf(view))['toe right']).toEqual({ x: 401, y: 510 });
  await key('Enter');
  expect(view.text()).toMatch(/Right heel: press where it is/i);
  await view.press(/right toe, marked/);
  await key('Delete');
  expect(await marksOf(view)).toEqual({});
});

test('seen from elsewhere keeps what fits; a known length becomes the scale', async () => {
  const view = await shown(filmed());
  await view.until(/All is marked/);
  const page = view.fixture.componentInstance as unknown as {
    look(from: string): void;
    measureBy(scale: string): void;
    setLength(cm: number): void;
  };
  page.measureBy('length');
  await view.until(/Known length, one end: press where it is/i);
  for (const [x, y] of [
    [20, 100],
    [20, 400],
  ] as const) {
    surface(view).dispatchEvent(point('pointerdown', x, y));
    surface(view).dispatchEvent(point('pointerup', x, y));
    await view.settle();
    // Of one end alone nothing is read, and nothing kept.
    if (y === 100) {
      expect((await view.database.of('stills').get('still-1'))!.length).toBeNull();
      expect(view.text()).toContain('The size is not known');
    }
  }
  expect(view.text()).toMatch(/All is marked/);
  page.setLength(180);
  await view.settle();
  expect(await view.database.of('stills').get('still-1')).toMatchObject({
    scale: 'length',
    length: { from: { x: 40, y: 200 }, to: { x: 40, y: 800 }, cm: 180 },
  });
  page.look('front');
  await view.until(/Left second toe: press where it is/i);
  expect(Object.keys(await marksOf(view)).every((name) => name === 'head' || name.endsWith(' right'))).toBe(true);
});

test('another still stands beside it, with what differs clearly', async () => {
  const before = { ...filmed({ kneeBendDeg: 60 }), id: 'still-0', day: '2026-02-26' };
  const view = await render(
    StillPage,
    { id: student.id, stillId: 'still-1' },
    { students: [student], stills: [filmed(), before], pictures: [picture] },
  );
  await view.until(/Beside it/);
  const page = view.fixture.componentInstance as unknown as { beside: { id: WritableSignal<string | null> } };
  page.beside.id.set('still-0');
  await view.until(/26 Feb 2026/);
  expect(view.text()).toMatch(/60 ± \d° ?clearly 30° less/);
  expect(view.text()).toContain('no clear difference');
});

test('a still whose picture is not here, and one that is not here at all, say so', async () => {
  const view = await render(
    StillPage,
    { id: student.id, stillId: 'still-1' },
    { students: [student], stills: [filmed()] },
  );
  await view.until(/The picture itself is not on this machine/);
  const none = await render(StillPage, { id: student.id, stillId: 'gone' }, { students: [student] });
  await none.until(/This picture is not here/);
});

describe('finding the body', () => {
  const before = { bitmap: globalThis.createImageBitmap, decode: HTMLImageElement.prototype.decode };
  beforeAll(() => {
    globalThis.createImageBitmap = () => Promise.resolve({ width: 800, height: 1000 } as ImageBitmap);
    HTMLImageElement.prototype.decode = () => Promise.resolve();
  });
  afterAll(() => {
    globalThis.createImageBitmap = before.bitmap;
    HTMLImageElement.prototype.decode = before.decode;
  });

  /** What a finder says of the stance from the right: 33 points where they truly are. */
  const body = () => {
    const pose = stillPose(bodyOfStudent(student).body, tree.posture, softSchool, 'right', true);
    const point = (name: MarkName) => {
      const { x, y, away } = seenBy(camera, jointOf(pose, name));
      return { x: x / 800, y: y / 1000, z: away - camera.away, visibility: 0.9 };
    };
    const points = Array.from({ length: 33 }, () => point('head'));
    // The shoulder on the left is 11, on the right 12, and so on; between the wrists and the hips lie the hands.
    for (const [at, name] of markNames.slice(1).entries()) points[at + 11 + (at >= 6 ? 6 : 0)] = point(name);
    return points;
  };
  const wanted = ['toe', 'heel', 'ankle', 'knee', 'hip', 'wrist', 'elbow', 'shoulder'].length + 1;

  test('sets every point, wide until each is looked at; keys and pointer keep or mend it', async () => {
    finding.replies = [{ kind: 'looking' }, { kind: 'found', body: body() }];
    const view = await shown({ ...filmed(), marks: {} });
    await view.press('Find the body');
    await view.until(new RegExp(`${wanted} found, each ± 4 cm`));
    expect(Object.keys(await marksOf(view))).toHaveLength(wanted);
    await view.until(/Right toe: found here; press it or Enter/i);
    expect(view.element.querySelectorAll('.dot.doubted')).toHaveLength(wanted);
    expect(view.button(/right knee, found, not looked at/)).toBeTruthy();
    surface(view).dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await view.until(/Right heel: found here/i);
    await view.until(new RegExp(`${wanted - 1} found, each ± 4 cm`));
    // Dragged a little to the right, it is where the hand put it.
    const heel = (await marksOf(view))['heel right']!;
    const field = surface(view);
    field.dispatchEvent(point('pointerdown', heel.x / 2, heel.y / 2));
    field.dispatchEvent(point('pointermove', heel.x / 2 + 5, heel.y / 2));
    field.dispatchEvent(point('pointerup', heel.x / 2 + 5, heel.y / 2));
    await view.until(new RegExp(`${wanted - 2} found, each ± 4 cm`));
    expect((await marksOf(view))['heel right']!.x).toBeCloseTo(heel.x + 10, 0);
    await view.press('All are right');
    await view.until(/All is marked/);
    expect((await view.database.of('stills').get('still-1'))!.found).toEqual([]);
    expect(view.element.querySelectorAll('.dot.doubted')).toHaveLength(0);
  });

  test('nobody there, a finder that did not come or cannot: it says so, and what is marked stays', async () => {
    const view = await shown(filmed());
    const marks = await marksOf(view);
    const says = async (replies: readonly object[], words: RegExp): Promise<void> => {
      finding.replies = replies;
      await view.press('Find the body');
      await view.until(words);
    };
    await says([{ kind: 'looking' }, { kind: 'found', body: null }], /Nobody was found on this picture/);
    await says([], /not on this machine yet and cannot be fetched now/);
    await says([{ kind: 'error', message: 'This browser has no WebGL' }], /This browser has no WebGL/);
    await says([{ kind: 'found', body: [1, 2] }], /cannot be read/);
    expect(await marksOf(view)).toEqual(marks);
  });

  test('what is looked for can be stopped', async () => {
    finding.replies = [{ kind: 'looking' }];
    const view = await shown(filmed());
    await view.press('Find the body');
    await view.until(/Looking at the picture/);
    await view.press('Stop');
    await view.until(/The machine marks what it sees/);
  });

  test('what is sought on one picture is not set on another', async () => {
    finding.replies = [{ kind: 'looking' }];
    const view = await shown(filmed());
    await view.press('Find the body');
    await view.until(/Looking at the picture/);
    await view.database.of('pictures').put({ ...picture, data: 'data:image/png;base64,BBBB' });
    await view.until(/The machine marks what it sees/);
  });
});
