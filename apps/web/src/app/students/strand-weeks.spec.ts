import {
  bodyOf,
  builtInExercises,
  capacityOfStudent,
  newSegment,
  newStrand,
  settlePosture,
  softSchool,
  strandPlaces,
  strictSchool,
  takeRung,
  unturned,
  type Measure,
  type Plan,
  type StoredPerson,
  type StrandPlace,
} from '@pomek/core';
import { aPerson, aPlan, aRoutine, aStudent } from '../../../testing/records';
import { heard, render } from '../../../testing/render';
import { RungPanel } from './rung-panel';
import { StrandWeeks } from './strand-weeks';

const today = '2026-03-02';
const empty = builtInExercises.find((exercise) => exercise.id === 'empty-full')!;
const segment = newSegment('segment-1', empty, softSchool);
const strand = { ...newStrand('strand-1', segment, empty, 'time', 120, '2026-05-04', softSchool), level: 120 };
const student = aStudent();
const plan = aPlan([strand]);
const stood = {
  ...settlePosture(empty.posture, softSchool),
  kneeBendDeg: 30,
  weightShare: 0.7,
  shoulderRaiseDeg: 0,
  otherLifted: false,
};
const place: StrandPlace = {
  exercise: empty,
  posture: stood,
  base: stood,
  body: {
    body: bodyOf({ stature: 1.7, mass: 70 }),
    capacity: { kneeNm: 150, shoulderNm: 45, spread: { legs: 1, arms: 1 }, guessed: { legs: false, arms: false } },
    ankleRangeDeg: 38,
  },
  guessed: { legs: true, arms: false },
  limits: [],
  instead: null,
  most: { dose: 300, from: 'strength', reason: 'what the school’s budget allows', mend: '' },
};

const tested: Measure = {
  id: 'hold',
  studentId: 'student-1',
  day: today,
  kind: 'hold',
  seconds: 120,
  stoppedBy: 'legs',
  stance: {
    kneeBendDeg: 30,
    trunkPitchDeg: 0,
    shoulderRaiseDeg: 0,
    elbowBendDeg: 0,
    pressurePoint: 0.5,
    weightShare: 0.5,
  },
};

const personWith = (change: Partial<StoredPerson>) => aPerson(today, { student, ...change });

describe('where the strands of a plan stand on a body', () => {
  const places = (measures: Measure[] = [], of: Plan = plan) =>
    strandPlaces(of, personWith({ measures, routines: [aRoutine({ segments: [segment] })] }));

  test('each has its exercise, its posture and the longest hold', () => {
    const found = places().get('strand-1')!;
    expect(found.exercise.id).toBe('empty-full');
    expect(found.guessed).toEqual({ legs: true, arms: true });
    // Nothing was tested: the far end of the guess lies beyond the goal.
    expect(found.most).toBeNull();
    expect(places([tested]).get('strand-1')!.most!.dose).toBeGreaterThan(0);
    expect(found.body.capacity).toEqual(capacityOfStudent(student, [], today));
  });

  test('the posture is the one the plan has turned it to', () => {
    const turned = { ...unturned, kneeBendDeg: 62 };
    const lower = places([tested], { ...plan, postures: [{ segmentId: 'segment-1', turned }] }).get('strand-1')!;
    expect(lower.posture.kneeBendDeg).toBe(62);
    expect(lower.base).toEqual(places().get('strand-1')!.posture);
    expect(lower.most!.dose).toBeLessThan(places([tested]).get('strand-1')!.most!.dose);
  });

  test('a strand whose segment is gone has none', () => {
    expect(strandPlaces(plan, personWith({ routines: [aRoutine({ segments: [] })] })).size).toBe(0);
  });
});

describe('another rung', () => {
  const panel = async (change: Partial<StrandPlace> = {}, school = softSchool) => {
    const page = await render(RungPanel, { place: { ...place, ...change }, strand, school });
    return { page, taken: heard(page.fixture.componentInstance.taken) };
  };

  test('says what the hold becomes lower and where to begin, and is taken with one press', async () => {
    const { page, taken } = await panel();
    expect(page.text()).toContain('Change the bend, the arms or the weight');
    await page.fill('Bend', '45');
    expect(page.text()).toMatch(/2:00 min as it is now ≙ .* there \(.* to .*\); begin at/);
    expect(page.text()).toContain('a guess by age and habit');
    await page.press(/^Begin there at/);
    expect(taken).toHaveLength(1);
    expect(taken[0]).toMatchObject({ strandId: 'strand-1', turned: { kneeBendDeg: 45 } });
    expect(taken[0]!.exchange.begin).toBeLessThan(120);
    const made = takeRung(plan, 'strand-1', taken[0]!.turned, taken[0]!.exchange, 'd', new Date());
    expect(made.plan.postures[0]!.turned.kneeBendDeg).toBe(45);
    expect(page.text()).toContain('Change the bend, the arms or the weight');
  });

  test('proposes what the school takes next', async () => {
    const { page } = await panel();
    expect(page.text()).toContain('By the order of “Soft hall” next: bend 40°');
    await page.press('Look at it');
    expect(page.field('Bend').value).toBe('40');
    await page.press('Back to how it is');
    expect(page.field('Bend').value).toBe('30');
    const short = await render(RungPanel, { place, strand: { ...strand, level: 60 }, school: softSchool });
    expect(short.text()).toContain('the hold comes first: up to 2:00 min');
    const strict = await render(RungPanel, { place, strand: { ...strand, level: 60 }, school: strictSchool });
    expect(strict.text()).toContain('next: bend 40°');
  });

  test('goes back to the posture of the routine, which then is no longer the plan’s', async () => {
    const { page, taken } = await panel({ posture: { ...stood, kneeBendDeg: 45 } });
    await page.press('As the routine has it');
    expect(page.field('Bend').value).toBe('30');
    await page.press(/^Begin there at/);
    expect(taken[0]!.turned).toEqual({ kneeBendDeg: null, weightShare: null, shoulderRaiseDeg: null });
    expect((await panel()).page.text()).not.toContain('As the routine has it');
  });

  test('warns where the knees pass the toes or the heels lift', async () => {
    const { page } = await panel({ guessed: { legs: false, arms: false }, body: { ...place.body, ankleRangeDeg: 15 } });
    await page.fill('Bend', '60');
    expect(page.text()).toMatch(/past the toe line|beyond balance/);
    expect(page.text()).not.toContain('a guess by age');
    await page.fill('Bend', '500');
    expect(page.text()).toContain('Bend: from 0 to 120');
  });
});

describe('a strand', () => {
  const shown = async (of: Plan = plan, change: Record<string, unknown> = {}) => {
    const page = await render(StrandWeeks, {
      plan: of,
      strand: of.strands[0]!,
      wish: of.strands[0]!,
      place,
      locked: false,
      logs: [],
      school: softSchool,
      practiceDays: [1, 3, 5],
      today,
      ...change,
    });
    const { planChanged, typed } = page.fixture.componentInstance;
    return { page, changes: heard(planChanged), typed: heard(typed) };
  };

  test('what is done instead counts where that is ticked, and is not asked where nothing is', async () => {
    const squats = builtInExercises.find(({ id }) => id === 'squat-and-bounce')!;
    const drill = newSegment('segment-1', squats, softSchool);
    const goal = newStrand('strand-1', drill, squats, 'repetitions', 30, '2026-05-04', softSchool);
    const value = aPlan([goal]);
    const sore = personWith({
      student: { ...student, conditions: ['knee pain'] },
      routines: [aRoutine({ segments: [drill] })],
    });
    const found = strandPlaces(value, sore).get('strand-1')!;
    const { page, changes } = await shown(value, { place: found });
    const box = page.element.querySelector<HTMLInputElement>('#instead-strand-1')!;
    expect(box.checked).toBe(false);
    expect(page.text()).toMatch(/“.+” counts for this goal and may be raised; it is done instead \(knee pain\)/);
    box.click();
    await page.settle();
    const counted = changes.at(-1)!(value);
    expect(counted.strands[0]!.insteadCounts).toBe(true);
    // Then it has limits of its own, and no longer stays where it is.
    expect(found.most?.from).toBe('instead');
    expect(strandPlaces(counted, sore).get('strand-1')!.most?.from).not.toBe('instead');
    expect((await shown()).page.element.querySelector('[id^="instead-"]')).toBeNull();
  });

  test('is held by the checkpoints that are ticked', async () => {
    const { page, changes } = await shown();
    const count = empty.checkpoints.length;
    const held = strand.heldBy.length;
    expect(page.text()).toContain(`Waits for ${held} of ${count} checkpoints`);
    const free = empty.checkpoints.find((point) => !strand.heldBy.includes(point.id))!;
    page.element.querySelector<HTMLInputElement>(`[id="held-strand-1-${free.id}"]`)!.click();
    await page.settle();
    expect(changes.at(-1)!(plan).strands[0]!.heldBy).toEqual([...strand.heldBy, free.id]);
    const [first] = strand.heldBy;
    page.element.querySelector<HTMLInputElement>(`[id="held-strand-1-${first}"]`)!.click();
    await page.settle();
    expect(changes.at(-1)!(plan).strands[0]!.heldBy).not.toContain(first);
  });

  test('says that it waits for its weeks, and that it is locked', async () => {
    expect((await shown()).page.text()).toContain('Computing the weeks…');
    const forecast = {
      strandId: 'strand-1',
      weeks: [],
      days: [],
      earliestDay: null,
      aloneDay: null,
      inTime: false,
      doseOnTargetDay: 60,
      binding: null,
    };
    expect((await shown(plan, { forecast })).page.text()).toContain('Not within three years at 10 % a week.');
    expect((await shown(plan, { forecast, locked: true })).page.text()).toContain('Locked after a sign to stop.');
    // An older forecast says nothing of a goal that was changed since.
    const asking = await shown(plan, { forecast, answered: false });
    expect(asking.page.text()).toContain('Computing the weeks…');
    expect(asking.page.text()).not.toContain('Not within three years');
  });

  test('says where it stands, what is saved up, why it is not more, and what binds it', async () => {
    const saved = { ...strand, level: 64, start: 60, target: 120, step: 10 };
    const verdict = { kind: 'stay', reasons: ['Done in full once; 2 in a row are needed before a raise.'] };
    const forecast = {
      strandId: 'strand-1',
      weeks: [],
      days: [],
      earliestDay: '2026-06-01',
      aloneDay: '2026-05-04',
      inTime: true,
      doseOnTargetDay: 120,
      binding: 'family',
    };
    const { page } = await shown({ ...plan, strands: [saved] }, { standing: verdict, forecast });
    expect(page.text()).toMatch(/Stands at\s*1:00 min/);
    expect(page.text()).toMatch(/Saved up\s*1:04 min of the 1:10 min/);
    expect(page.text()).toContain('Done in full once');
    expect(page.text()).toMatch(/Meanwhile, if you like\s*bend 40°/);
    expect(page.text()).toContain('By itself it would be there on 4 May 2026.');
    expect(page.text()).toContain('Limited by: another goal of its family goes up this week.');
    const lost = await shown({ ...plan, strands: [{ ...saved, lost: [72] }] }, { standing: verdict });
    expect(lost.page.text()).toMatch(/To be found again\s*1:10 min/);
    const closed = { ...saved, level: 60, gate: { strandId: 'other', dose: 60 } };
    expect((await shown({ ...plan, strands: [closed] })).page.text()).toContain('not opened yet');
  });

  test('beside another plan it says which week was and which is', async () => {
    const forecast = {
      weeks: [],
      days: [],
      earliestDay: '2026-06-01',
      aloneDay: '2026-05-04',
      inTime: true,
      doseOnTargetDay: 120,
      binding: 'family',
    };
    expect((await shown(plan, { forecast, before: { weeks: [], earliestDay: '2026-06-01' } })).page.text()).toContain(
      'As before: 1 Jun 2026.',
    );
    expect((await shown(plan, { forecast, before: { weeks: [], earliestDay: null } })).page.text()).toContain(
      'Before: not within three years. Now: 1 Jun 2026.',
    );
    expect((await shown(plan, { forecast })).page.text()).not.toContain('Before');
    const week = (dose: number) => ({
      week: 0,
      day: today,
      dose,
      kind: 'now',
      rail: null,
      waitsFor: null,
      level: dose,
    });
    const both = await shown(plan, {
      forecast: { ...forecast, weeks: [week(120)] },
      before: { weeks: [week(90)], earliestDay: null },
    });
    expect(both.page.element.querySelector('.beside')).not.toBeNull();
    expect(both.page.element.querySelector('tbody tr')!.textContent).toContain('1:30 min');
  });

  test('can open after another one, but not in a ring', async () => {
    const other = { ...strand, id: 'strand-2', exerciseName: 'Squat', gate: null };
    const two: Plan = { ...plan, strands: [strand, other] };
    const { page, typed } = await shown(two);
    expect(page.text()).toContain('Opens');
    page.fixture.componentInstance['setGate']('strand-2');
    expect(typed.at(-1)).toMatchObject({ at: ['gate'], value: { strandId: 'strand-2', dose: 120 } });
    page.fixture.componentInstance['setGate'](null);
    expect(typed.at(-1)).toMatchObject({ at: ['gate'], value: null });
    const ring: Plan = { ...plan, strands: [strand, { ...other, gate: { strandId: 'strand-1', dose: 60 } }] };
    expect((await shown(ring)).page.text()).not.toContain('Opens');
  });

  test('a posture that the plan turned is said', async () => {
    const turned = { ...unturned, kneeBendDeg: 45 };
    const { page } = await shown({ ...plan, postures: [{ segmentId: 'segment-1', turned }] });
    expect(page.text()).toContain('Change the posture instead of the amount (now bend 45°)');
    const seated = await shown(plan, { place: { ...place, posture: { ...place.posture, seated: true } } });
    expect(seated.page.text()).not.toContain('Lower, higher');
  });
});

const shownStrand = (of: typeof strand) =>
  render(StrandWeeks, {
    plan: aPlan([of]),
    strand: of,
    wish: of,
    place,
    locked: false,
    logs: [],
    school: softSchool,
    practiceDays: [1, 3, 5],
    today,
  });

test('a goal between two steps is asked back with both; on a step it is not', async () => {
  const between = { ...strand, step: 10, start: 60, target: 125 };
  const page = await shownStrand(between);
  expect(page.text()).toContain('Steps here are of 10 s; this goal becomes a step of its own.');
  const typed = heard(page.fixture.componentInstance.typed);
  await page.press('Goal: 2:10 min');
  expect(typed).toEqual([{ at: ['target'], value: 130 }]);
  expect((await shownStrand({ ...between, target: 130 })).text()).not.toContain('a step of its own');
});
