import type { PointSeen } from '../film/judged';
import { newStill, type Still } from '../film/still';
import type { Checkpoint } from '../alignment/checkpoint';
import { checkpoints } from '../alignment/checkpoints';
import { newCorrection, pointsInWork, type Correction } from './correction';
import { seenInWork } from './seenInWork';

const [knees, torso] = checkpoints('knees-track', 'torso-upright') as [Checkpoint, Checkpoint];
const today = '2026-03-20';
const still = (id: string, day: string, exerciseId: string | null = 'tree-holding'): Still =>
  newStill({ id, studentId: 'u', day, name: id, width: 9, height: 9, bytes: 1, exerciseId });
const noted = (
  point: Checkpoint,
  stillId: string | null,
  day: string,
  change: Partial<Correction> = {},
): Correction => ({
  ...newCorrection(`${point.id}-${stillId ?? 'none'}-${day}`, 'u', point, day, stillId),
  ...change,
});
const read = (): PointSeen[] => [
  {
    checkpoint: knees,
    verdict: 'outside',
    said: 'outside by 5.0 cm',
    why: 'Right knee 5.0 ± 1.0 cm past the toe line.',
    shown: true,
    figure: { id: 'knee past toes', side: 'right', unit: 'cm', value: 5, error: 1, asked: null },
    beyond: 5,
  },
  {
    checkpoint: torso,
    verdict: 'cannot be judged',
    said: 'not judged yet',
    why: 'Mark the hip.',
    shown: true,
    figure: null,
    beyond: null,
  },
];
const seen = (corrections: readonly Correction[], stills: readonly Still[], pointsOf: () => PointSeen[] = read) =>
  seenInWork(
    corrections,
    pointsInWork(
      corrections,
      corrections.map(({ checkpointId }) => checkpointId),
      today,
    ),
    stills,
    pointsOf,
  );

test('what was seen and cued, on the newest picture of each exercise', () => {
  const [old, newer, plain] = [
    still('old', '2026-03-01'),
    still('newer', '2026-03-10'),
    still('plain', '2026-03-02', null),
  ];
  const corrections = [
    noted(knees, 'old', old.day),
    noted(knees, 'newer', newer.day),
    noted(torso, 'newer', newer.day),
    noted(torso, 'plain', plain.day),
    noted(knees, null, '2026-03-11'),
  ];
  const found = seen(corrections, [old, newer, plain]);
  expect(found.map((one) => one.still.id)).toEqual(['newer', 'plain']);
  expect(found[0]!.lines).toEqual([
    { seen: 'Knees outside by 5.0 cm: Right knee 5.0 ± 1.0 cm past the toe line.', cue: knees.cue },
    // What the picture does not show is named, and only that.
    { seen: 'Torso', cue: torso.cue },
  ]);
});

test('what has helped, was long ago or seen otherwise is not among it; the order makes no difference', () => {
  const picture = still('s', '2026-03-10');
  expect(seen([noted(knees, 's', picture.day, { helped: true })], [picture])).toEqual([]);
  expect(seen([noted(knees, 's', '2025-11-10')], [picture])).toEqual([]);
  expect(seen([noted(knees, null, picture.day)], [picture])).toEqual([]);
  expect(seen([noted(knees, 'gone', picture.day)], [picture])).toEqual([]);
  // A point that the picture was never asked for is named all the same.
  expect(seen([noted(knees, 's', picture.day)], [picture], () => [])[0]!.lines).toEqual([
    { seen: 'Knees', cue: knees.cue },
  ]);
  const both = [noted(knees, 's', picture.day), noted(torso, 's', picture.day)];
  const order = ({ lines }: { lines: readonly { cue: string }[] }) => lines.map(({ cue }) => cue).toSorted();
  expect(order(seen(both.toReversed(), [picture])[0]!)).toEqual(order(seen(both, [picture])[0]!));
});
