import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  builtInExercises,
  chainPath,
  newChain,
  personRecord,
  softSchool,
  type Chain,
  type PersonRecord,
} from '@pomek/core';
import { aPlan, aRoutine, aStudent, until } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Everybody } from '../data/everybody';
import { chainFloorContent } from '../print/chain-floor-print';
import { hindrance, type Gift, type Practised } from './gift';
import { GiveBoard } from './give-board';
import { Giver } from './giver';
import { lessonsOf } from './lessons';

const routine = aRoutine();
const practised: Practised = { id: routine.id, name: routine.name, routine };
const other: Practised = {
  id: 'other',
  name: 'Something else',
  routine: { ...routine, id: 'other', name: 'Something else' },
};
const students = [
  aStudent({ practiceDays: [1, 3] }),
  aStudent({ id: 'student-2', name: 'Odo Brand', practiceDays: [] }),
  aStudent({ id: 'student-3', name: 'Pia Long', practiceDays: [2] }),
];
const plan = aPlan();
const recordOf = (at: number): PersonRecord =>
  personRecord(
    {
      student: students[at]!,
      school: softSchool,
      plans: at === 0 ? [plan] : [],
      decisions: [],
      logs: [],
      corrections: [],
      measures: [],
      routines: [routine],
      exercises: builtInExercises,
    },
    '2026-03-11',
  );

test('what cannot be given says why, by name; papers and tracks can always be', () => {
  for (const kind of ['pin-up', 'pages', 'track', 'teacher'] as const)
    for (const person of [null, recordOf(0), recordOf(1)]) expect(hindrance(kind, practised, person)).toBe('');
  for (const kind of ['sheet', 'week-card', 'calendar'] as const) {
    expect(hindrance(kind, practised, null)).toContain('choose who it is for');
    expect(hindrance(kind, practised, recordOf(1))).toContain('Odo Brand has no days for practice yet');
    expect(hindrance(kind, practised, recordOf(0))).toBe('');
  }
  expect(hindrance('sheet', other, recordOf(2))).toBe('');
  expect(hindrance('calendar', other, recordOf(0))).toContain('no plan for “Something else”');
  expect(hindrance('week-card', practised, recordOf(2))).toContain('Pia Long has no plan');
});

const chain: Chain = {
  ...newChain('chain-1', 'Pond'),
  pieces: [
    { id: 'a', name: 'Reeds', seconds: 30, side: 'left', exerciseId: null, travel: null },
    { id: 'b', name: 'Heron', seconds: 40, side: 'right', exerciseId: null, travel: null },
  ],
};

test('a lesson goes home as what one can do of it alone: the one that was held first, then the next one', () => {
  const shelf = new Map(builtInExercises.map((exercise) => [exercise.id, exercise]));
  expect(lessonsOf({ ...chain, pieces: [] }, softSchool, shelf)).toEqual([]);
  expect(lessonsOf(chain, softSchool, shelf).map(({ name }) => name)).toEqual(['The next one, lesson 1: Reeds']);
  const [held, next] = lessonsOf({ ...chain, nextLesson: 2 }, softSchool, shelf);
  expect(held!.name).toBe('Just held, lesson 1: Reeds');
  expect(next!.name).toBe('The next one, lesson 2: Heron');
  const told = next!.routine.segments.map((segment) => ('label' in segment ? segment.label : ''));
  expect(told.join('; ')).not.toMatch(/Explain|facing|Warm up|Close/);
  expect(told.filter((words) => words.includes('Heron')).length).toBe(5);
  expect(next!.routine.note).toBe('New in it: Heron.');
  const whole = lessonsOf({ ...chain, nextLesson: 4, taught: 2 }, softSchool, shelf, {
    chainId: 'chain-1',
    number: 3,
    mode: 'each',
    teaches: null,
  });
  expect(whole[0]!.routine.note).toBe('Nothing new: play what is learned.');
});

test('a lesson takes its way over the floor home: how it ends in its note, the drawing on paper', () => {
  const shelf = new Map(builtInExercises.map((exercise) => [exercise.id, exercise]));
  const ways: Chain = {
    ...chain,
    nextLesson: 2,
    pieces: chain.pieces.map((piece) => ({ ...piece, travel: { ahead: 2, right: 0, turnDeg: -90 } })),
  };
  const next = lessonsOf(ways, softSchool, shelf).at(-1)!;
  expect(next.routine.note).toBe(
    'New in it: Heron. It ends turned: twice through, and it is back where it first began.',
  );
  expect(next.floor!.path).toEqual(chainPath(ways, shelf));
  const told = next.routine.segments.map((segment) => ('label' in segment ? segment.label : ''));
  expect(told).toContain('Legs: Heron, right, 1 of 3; two steps ahead, a quarter turn left');
  // Of a lesson of one piece only that piece is walked.
  const [first] = lessonsOf({ ...ways, nextLesson: 1 }, softSchool, shelf);
  expect(first!.floor!.path.places).toHaveLength(2);
  const [content] = chainFloorContent({ ...next.floor!, front: 'the front' });
  expect(JSON.stringify(content)).toContain('One person needs');
  expect(chainFloorContent({ ...lessonsOf(chain, softSchool, shelf)[0]!.floor!, front: 'north' })).toEqual([]);
});

/** A class on the board. */
@Component({
  selector: 'pk-tested-board',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [GiveBoard],
  template: '<pk-give-board [practised]="practised" [people]="people()" [several]="true" />',
})
class TestedBoard {
  protected readonly practised = [practised, other];
  readonly ids = input(students.map(({ id }) => id));
  private readonly members = inject(Everybody).firstOf(this.ids);
  protected readonly people = computed(() => this.members()?.map(({ person }) => person) ?? null);
}

test('a class is given what each can be given, and says who cannot', async () => {
  const looked: Gift[] = [];
  const made: (readonly Gift[])[] = [];
  const giver = {
    look: (gift: Gift) => {
      looked.push(gift);
      return Promise.resolve({ kind: 'days', days: [] });
    },
    make: (gifts: readonly Gift[]) => {
      made.push(gifts);
      return Promise.reject(new Error('No paper left.'));
    },
  };
  const it = await render(
    TestedBoard,
    {},
    { students, routines: [routine], plans: [plan], exercises: [...builtInExercises], schools: [softSchool] },
    [{ provide: Giver, useValue: giver }],
  );
  await it.until(/Download for 3/);
  const choose = (name: string): void =>
    [...it.element.querySelectorAll<HTMLElement>('label.kind')]
      .find((label) => label.textContent.includes(name))!
      .click();
  choose('A week card');
  await it.until(/Pia Long has no plan/);
  expect(it.text()).toContain('Odo Brand has no days for practice yet');
  await it.until(/Download for 1/);
  // It is looked at for whom it can be made.
  await until(() => looked.some(({ kind, person }) => kind === 'week-card' && person?.student.id === 'student-1'));
  it.element.querySelector<HTMLInputElement>('#give-student-1')!.click();
  await it.until(/Nobody who is chosen can be given this yet/);
  expect(it.text()).toContain('Download for 0');
  it.element.querySelector<HTMLInputElement>('#give-student-1')!.click();
  await it.until(/Download for 1/);
  // The pages for the teacher are one for the class.
  choose('Pages for the teacher');
  await it.until(/Stages, every checkpoint/);
  expect(it.element.querySelectorAll('fieldset')).toHaveLength(0);
  choose('A page to pin up');
  await it.until(/Download for 3/);
  await it.press('Download for 3');
  await until(() => made.length === 1);
  expect(made[0]!.map(({ person }) => person!.student.name)).toEqual(students.map(({ name }) => name));
});

test('a class without people is given papers for nobody in particular, and no sheet', async () => {
  const looked: Gift[] = [];
  const giver = {
    look: (gift: Gift) => {
      looked.push(gift);
      return Promise.resolve({ kind: 'days', days: [] });
    },
  };
  const it = await render(
    TestedBoard,
    { ids: [] },
    { students, routines: [routine], exercises: [...builtInExercises], schools: [softSchool] },
    [{ provide: Giver, useValue: giver }],
  );
  await until(() => looked.length > 0);
  expect(looked[0]).toMatchObject({ kind: 'pin-up', person: null });
  expect(it.button('Download').disabled).toBe(false);
  [...it.element.querySelectorAll<HTMLElement>('label.kind')]
    .find((label) => label.textContent.includes('A sheet for the phone'))!
    .click();
  await it.until(/choose who it is for/);
  expect(it.button('Download').disabled).toBe(true);
});

test('a paper is made once, to look at and to give; one that nobody waits for is given up, one that failed is tried again', async () => {
  const looked: { gift: Gift; stop: AbortSignal; done: (look: unknown) => void; fail: (why: Error) => void }[] = [];
  const giver = {
    look: (gift: Gift, stop: AbortSignal) =>
      new Promise((done, fail) => {
        looked.push({ gift, stop, done, fail });
      }),
  };
  const it = await render(
    TestedBoard,
    { ids: [] },
    { students, routines: [routine], exercises: [...builtInExercises], schools: [softSchool] },
    [{ provide: Giver, useValue: giver }],
  );
  const choose = (name: string): void =>
    [...it.element.querySelectorAll<HTMLElement>('label.kind')]
      .find((label) => label.textContent.includes(name))!
      .click();
  await until(() => looked.length === 1);
  // Nobody waits for the page to pin up once something else is chosen, and pressed before it was looked at.
  choose('Pages to learn from');
  await it.until(/Pages to learn from/);
  await it.press('Download');
  await until(() => looked.length === 2);
  expect(looked[0]!.stop.aborted).toBe(true);
  // It is being given: looking at something else does not end it.
  choose('Pages for the teacher');
  await until(() => looked.length === 3);
  expect(looked.map(({ gift }) => gift.kind)).toEqual(['pin-up', 'pages', 'teacher']);
  expect(looked[1]!.stop.aborted).toBe(false);
  looked[1]!.done({ kind: 'pdf', made: { name: 'pages.pdf', file: new Blob(['x']), writes: [] } });
  await it.until(/Download/);
  looked[2]!.fail(new Error('No paper left.'));
  await it.until(/No paper left/);
  await it.press('Download');
  await until(() => looked.length === 4);
  expect(looked[3]!.gift.kind).toBe('teacher');
});
