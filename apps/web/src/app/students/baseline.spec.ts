import type { WritableSignal } from '@angular/core';
import {
  bodyOfStudent,
  builtInExercises,
  doorSeen,
  filmCamera,
  marksSeen,
  newStill,
  softSchool,
  stillPose,
  type Still,
} from '@pomek/core';
import { aStudent, aPerson } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Clock } from '../data/clock';
import { TestBed } from '@angular/core/testing';
import { Baseline } from './baseline';

const student = aStudent({ statureCm: 170 });
const tree = builtInExercises.find(({ id }) => id === 'tree-holding')!;
const camera = filmCamera({ width: 800, height: 1000, focal: 1100 });

const filmed = (day: string): Still =>
  newStill({
    id: `still-${day}`,
    studentId: student.id,
    day,
    name: 'Test hold',
    width: 800,
    height: 1000,
    bytes: 3,
    exerciseId: tree.id,
    marks: marksSeen(
      camera,
      stillPose(bodyOfStudent(student).body, { ...tree.posture, kneeBendDeg: 41 }, softSchool, 'right', true),
    ),
    plumb: doorSeen(camera),
    awayM: camera.away,
  });

test('the posture of a test hold is as a still of these days shows it, where the teacher says so', async () => {
  const view = await render(Baseline, () => ({
    person: aPerson(TestBed.inject(Clock).today(), { student }),
    stills: [],
  }));
  const today = TestBed.inject(Clock).today();
  view.fixture.componentRef.setInput('stills', [filmed(today), filmed('2020-01-01')]);
  await view.settle();
  const part = view.fixture.componentInstance as unknown as {
    stances(): { id: string; label: string }[];
    stanceFrom: WritableSignal<string>;
    seconds: WritableSignal<number>;
    ready(): { stance: { kneeBendDeg: number } } | null;
  };
  expect(part.stances().map(({ label }) => label)).toEqual([
    'as guided: knees 30°',
    expect.stringMatching(/^as seen on .+: knees 41°$/),
  ]);
  part.seconds.set(60);
  expect(part.ready()!.stance.kneeBendDeg).toBe(30);
  part.stanceFrom.set(`still-${today}`);
  expect(part.ready()!.stance.kneeBendDeg).toBe(41);
  expect(view.element.querySelector('[aria-label="Posture of the test hold"]')).not.toBeNull();
});
