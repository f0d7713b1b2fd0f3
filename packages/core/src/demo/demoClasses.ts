import { parseISO } from 'date-fns';
import { chainLessons, lessonHeld } from '../chain/lessons';
import { meetingsOf, type Meeting } from '../classes/meeting';
import { newClass, type TaughtClass } from '../classes/taughtClass';
import { dayNumber, dayOfNumber, weekdayOf } from '../days/dayNumber';
import { demoChain } from './demoChain';
import { longStandRoutine } from './demoRoutines';
import { demoParts } from './demoStudents';

const idOf = (name: string): string => `demo-student-${demoParts.findIndex((part) => part.name === name) + 1}`;

const standing: TaughtClass = {
  ...newClass('demo-class-stand', 'The Thursday stand', 4),
  startsAt: '19:00',
  minutes: 35,
  place: 'The long room',
  note: 'Mixed levels. Chairs along the window side.',
  roster: [
    'Orsolya Venn',
    'Tamsin Okello',
    'Bertil Anquist',
    'Ilse Marrowby',
    'Caspian Roe',
    'Dagny Pellew',
    'Pim Halloran',
    'Joaquim Tarr',
  ].map(idOf),
  routineId: longStandRoutine.id,
};

/** Lessons that the beginners have had. */
const LESSONS = demoChain.nextLesson - 1;

const beginners: TaughtClass = {
  ...newClass('demo-class-pond', 'Tuesday beginners', 2),
  startsAt: '17:30',
  minutes: 30,
  place: 'The room by the pond',
  note: 'One piece a week, until the review says otherwise.',
  roster: ['Pim Halloran', 'Mireille Sand', 'Joaquim Tarr', 'Wilhelmina Frost', 'Orsolya Venn'].map(idOf),
  chainId: demoChain.id,
};

export const demoClasses: readonly TaughtClass[] = [standing, beginners];

/** The last days on which a class met, the latest first. */
function daysBefore(of: TaughtClass, today: string, count: number): string[] {
  const now = dayNumber(today);
  const ago = (weekdayOf(now) - of.weekday + 7) % 7 || 7;
  return Array.from({ length: count }, (_, index) => dayOfNumber(now - ago - 7 * index));
}

/** Of a roster all but one or two, in turn. */
const there = (roster: readonly string[], week: number): string[] =>
  roster.filter((_, index) => (index * 3 + week * 2) % 7 !== 0);

function meeting(of: TaughtClass, day: string, week: number, reached: number): Meeting {
  // Wilhelmina Frost has not been seen for a while.
  const present = there(of.roster, week).filter((id) => id !== idOf('Wilhelmina Frost'));
  // The round begins each week where it ended.
  const from = (week * 3) % present.length;
  const round = [...present.slice(from), ...present.slice(0, from)];
  return {
    id: `${of.id}-${day}`,
    classId: of.id,
    day,
    startedAt: parseISO(`${day}T${of.startsAt}:00`).toISOString(),
    practisedSeconds: (of.minutes - 2) * 60,
    routineName: of.routineId === null ? demoChain.name : longStandRoutine.name,
    lesson: null,
    present,
    corrected: round.slice(0, reached),
    waiting: round.slice(reached),
    note: '',
  };
}

/** What was held of both classes before today: six stands, and the lessons of the chain that the beginners have had. */
export function demoMeetings(today: string): Meeting[] {
  const stands = daysBefore(standing, today, 6).map((day, week) => meeting(standing, day, week, 5));
  let chain = { ...demoChain, nextLesson: 1 };
  const lessons = daysBefore(beginners, today, LESSONS)
    .toReversed()
    .map((day, week): Meeting => {
      const [lesson] = chainLessons(chain, 1);
      chain = lessonHeld(chain, lesson!);
      const { number, mode, teaches } = lesson!;
      const taught = { chainId: chain.id, number, mode, teaches: teaches?.name ?? null };
      return { ...meeting(beginners, day, week, 0), corrected: [], waiting: [], lesson: taught };
    });
  return [...meetingsOf(stands, standing.id), ...meetingsOf(lessons, beginners.id)];
}
