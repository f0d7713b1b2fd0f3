import { bodyOf, builtInExercises, figurePose, settlePosture, softSchool, stillMoment } from '@pomek/core';
import { heard, render } from '../../../testing/render';
import { Figure, type Pin } from './figure';

const tree = builtInExercises.find((exercise) => exercise.id === 'tree-holding')!;
const pose = (kneeBendDeg = 30) => {
  const posture = { ...tree.posture, kneeBendDeg };
  const settled = settlePosture(posture, softSchool);
  return figurePose(bodyOf({ stature: 1.7, mass: 70 }), settled, stillMoment({ posture }), 'right', true);
};
const pins: Pin[] = [
  { id: 'knees-track', region: 'knees', safety: true, label: 'Checkpoint knees' },
  { id: 'feet-flat', region: 'feet', safety: false, label: 'Checkpoint feet', count: 3 },
  { id: 'knees-still', region: 'knees', safety: true, label: 'Checkpoint knees, still' },
];
const figure = (inputs: Record<string, unknown> = {}) =>
  render(Figure, { pose: pose(), view: 'side', text: 'A standing figure', pins, ...inputs });

test('left and right each have their own texture, never colour alone', async () => {
  const page = await figure({ view: 'front' });
  const fills = [...page.element.querySelectorAll('.texture')].map((path) => path.getAttribute('fill')!);
  expect(fills.some((fill) => fill.includes('-left'))).toBe(true);
  expect(fills.some((fill) => fill.includes('-right'))).toBe(true);
  const words = [...page.element.querySelectorAll('.share')].map((entry) =>
    entry.textContent.trim().replace(/\s+/g, ' '),
  );
  expect(words.toSorted()).toEqual(['L 50 %', 'R 50 %']);
});

test('all limbs of a side are one path, as many outlines as there were', async () => {
  const page = await figure({ view: 'front' });
  const limbs = [...page.element.querySelectorAll('.flesh.limb')].map((path) => path.getAttribute('d')!);
  // Two bones a leg in one layer, three an arm in another; left and right.
  expect(limbs.map((path) => path.match(/Z/g)!.length).toSorted()).toEqual([2, 2, 3, 3]);
});

test('the words stand for the picture; without words the view is named', async () => {
  const labelled = (page: Awaited<ReturnType<typeof figure>>) =>
    page.element.querySelector('svg')!.getAttribute('aria-label');
  expect(labelled(await figure())).toBe('A standing figure');
  expect(labelled(await figure({ text: '', view: 'above' }))).toBe('above view');
});

test('checkpoints are buttons by pointer and by key, safety points drawn as diamonds, counts written in', async () => {
  const page = await figure({ selected: 'feet-flat' });
  const pressed = heard(page.fixture.componentInstance.pinPressed);
  const pin = (label: string) => page.element.querySelector(`[aria-label="${label}"]`)!;
  expect(pin('Checkpoint knees').querySelector('rect.pin-mark')).not.toBeNull();
  expect(pin('Checkpoint feet').querySelector('circle.pin-mark')).not.toBeNull();
  expect(pin('Checkpoint feet').getAttribute('aria-pressed')).toBe('true');
  expect(pin('Checkpoint feet').textContent).toContain('3×');
  pin('Checkpoint knees').dispatchEvent(new MouseEvent('click', { bubbles: true }));
  const space = new KeyboardEvent('keydown', { key: ' ', bubbles: true, cancelable: true });
  pin('Checkpoint feet').dispatchEvent(space);
  pin('Checkpoint feet').dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
  expect(pressed).toEqual(['knees-track', 'feet-flat', 'feet-flat']);
  expect(space.defaultPrevented).toBe(true);
});

test('pins of one region stand side by side', async () => {
  const page = await figure();
  const x = (label: string) =>
    Number(page.element.querySelector(`[aria-label="${label}"] .pin-reach`)!.getAttribute('cx'));
  expect(x('Checkpoint knees, still') - x('Checkpoint knees')).toBeCloseTo(20, 6);
});

test('the figure follows its pose at once', async () => {
  const page = await figure();
  const head = () => page.element.querySelector('.head-now')!.getAttribute('y1');
  const before = Number(head());
  page.fixture.componentRef.setInput('pose', pose(70));
  await page.fixture.whenStable();
  expect(Number(head())).toBeGreaterThan(before);
});

test('where a breath is shown the belly widens with it, forward from the side, to both sides from the front', async () => {
  expect((await figure()).element.querySelector('.breath')).toBeNull();
  const round = async (belly: number, view: 'side' | 'front') => {
    const ellipse = (await figure({ belly, view })).element.querySelector('.breath')!;
    return ['rx', 'ry'].map((name) => Number(ellipse.getAttribute(name)));
  };
  const [empty, full] = [await round(0, 'side'), await round(1, 'side')];
  expect(full[0]! / empty[0]!).toBeGreaterThan(2);
  const front = await round(1, 'front');
  expect(front[1]!).toBeGreaterThan(full[1]!);
});
