import type { PersonRecord, Routine } from '@pomek/core';
import type { FloorPrinted } from '../print/chain-floor-print';

/** Everything that can be given, in the order in which it is offered. */
export const giftKinds = ['pin-up', 'pages', 'sheet', 'week-card', 'calendar', 'track', 'teacher'] as const;
export type GiftKind = (typeof giftKinds)[number];

/** What it is called, what it is good for, and how its file is. */
export const gifts: Readonly<
  Record<GiftKind, { readonly label: string; readonly about: string; readonly icon: string; readonly file: string }>
> = {
  'pin-up': {
    label: 'A page to pin up',
    about: 'One page: each exercise with its figure, its dose and one thing to mind.',
    icon: 'pi pi-image',
    file: 'PDF',
  },
  pages: {
    label: 'Pages to learn from',
    about: 'The way in, every part, what to mind, when it is right and when to stop.',
    icon: 'pi pi-book',
    file: 'PDF',
  },
  sheet: {
    label: 'A sheet for the phone',
    about:
      'One file that conducts the practice of each day, with figure, bells and voice, and brings back how it went.',
    icon: 'pi pi-mobile',
    file: 'HTML',
  },
  'week-card': {
    label: 'A week card',
    about: 'What each practice day asks for, with boxes to tick.',
    icon: 'pi pi-check-square',
    file: 'PDF',
  },
  calendar: {
    label: 'A calendar',
    about: 'The practice days with their doses, for any calendar. A newer one replaces it.',
    icon: 'pi pi-calendar',
    file: 'ICS',
  },
  track: {
    label: 'A cue track',
    about: 'Bells, counts and what is recorded in your own voice as sound, with the words beside it, for any player.',
    icon: 'pi pi-volume-up',
    file: 'WAV and WebVTT',
  },
  teacher: {
    label: 'Pages for the teacher',
    about: 'Stages, every checkpoint with its test and faults, and the findings.',
    icon: 'pi pi-eye',
    file: 'PDF',
  },
};

/** What is practised: a routine, or a lesson of a chain. */
export interface Practised {
  readonly id: string;
  readonly name: string;
  readonly routine: Routine;
  /** The way over the floor, of a lesson. */
  readonly floor?: Omit<FloorPrinted, 'front'>;
}

/** Weeks that are told, unless another number is given: until about the next few lessons. */
export const USUAL_WEEKS = 6;
/** What tells weeks, and how many at most: a card as many as go on a few sheets of paper. */
export const mostWeeks: Readonly<Partial<Record<GiftKind, number>>> = { sheet: 26, 'week-card': 12, calendar: 156 };

/** What is set beside the choice of what is given. */
export interface GiftOptions {
  readonly weeks: number;
  /** When the practice begins in a calendar, HH:MM. */
  readonly startTime: string;
  /** Whether pictures of the student, seen on film, go on paper too. */
  readonly pictures: boolean;
  /** Whether what is recorded in the teacher’s own voice goes along on a sheet. */
  readonly voice: boolean;
}

/** One thing for one person; null where it is for nobody in particular. */
export interface Gift {
  readonly kind: GiftKind;
  readonly practised: Practised;
  readonly person: PersonRecord | null;
  readonly options: GiftOptions;
}

const ownPlan = ({ plans }: PersonRecord, { routine }: Practised): boolean =>
  plans.some(({ routineId }) => routineId === routine.id);

/** Why something cannot be given to somebody; empty where it can. */
export function hindrance(kind: GiftKind, practised: Practised, person: PersonRecord | null): string {
  if (kind === 'pin-up' || kind === 'pages' || kind === 'track' || kind === 'teacher') return '';
  if (person === null) return 'It is made for one student: choose who it is for.';
  const { name } = person.student;
  if (person.student.practiceDays.length === 0)
    return `${name} has no days for practice yet: choose them in the file, under Person.`;
  if (kind === 'sheet' || ownPlan(person, practised)) return '';
  return `${name} has no plan for “${practised.name}”: it would have no doses to show.`;
}
