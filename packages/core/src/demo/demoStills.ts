import { formatISO, subDays } from 'date-fns';
import { bodyPicture } from '../film/bodyPicture';
import { doorSeen, filmCamera, marksSeen } from '../film/filmCamera';
import { pictureBytes, type Picture } from '../film/picture';
import { newStill, type Still } from '../film/still';
import { stillPose } from '../figure/figurePose';
import { builtInExercises } from '../library/builtInExercises';
import type { Posture } from '../library/exercise';
import { softSchool } from '../schools/builtInSchools';
import { bodyOfStudent } from '../students/studentBody';
import type { Student } from '../students/student';

const drill = builtInExercises.find(({ id }) => id === 'shift-and-turn')!;
const camera = filmCamera({ from: 'right', width: 720, height: 960, focal: 1500, roll: 2, away: 3.6, high: 0.85 });

/** What the demo's teacher filmed of one who is told to stay high: deep over the toes, and two weeks later mended. */
const taken: readonly { readonly daysAgo: number; readonly note: string; readonly change: Partial<Posture> }[] = [
  { daysAgo: 30, note: 'Too deep again', change: { kneeBendDeg: 58, trunkPitchDeg: 9, pressurePoint: 0.85 } },
  { daysAgo: 16, note: 'After the cue', change: { kneeBendDeg: 34, trunkPitchDeg: 2 } },
];

/** Pictures of a made-up person with their marks, and what belongs to each. */
export function demoStills(student: Student, today: Date): { stills: Still[]; pictures: Picture[] } {
  const { body } = bodyOfStudent(student);
  const made = taken.map(({ daysAgo, note, change }) => {
    const posture: Posture = { ...drill.posture, weightShare: 0.5, ...change };
    const pose = stillPose(body, posture, softSchool, 'right', true);
    const id = `${student.id}-still-${daysAgo}`;
    const picture: Picture = { id, studentId: student.id, data: bodyPicture(pose, camera) };
    const still = newStill({
      id,
      studentId: student.id,
      day: formatISO(subDays(today, daysAgo), { representation: 'date' }),
      name: `${drill.name}, from the side`,
      width: camera.width,
      height: camera.height,
      bytes: pictureBytes(picture),
      exerciseId: drill.id,
      marks: marksSeen(camera, pose),
      plumb: doorSeen(camera),
      awayM: camera.away,
      note,
    });
    return { still, picture };
  });
  return { stills: made.map(({ still }) => still), pictures: made.map(({ picture }) => picture) };
}
