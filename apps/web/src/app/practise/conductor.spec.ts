import { TestBed } from '@angular/core/testing';
import { insertSegment, newSegment, builtInExercises, softSchool, strictSchool, type Journal } from '@pomek/core';
import { aLog, aRoutine, aStudent } from '../../../testing/records';
import { heard, render } from '../../../testing/render';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { Conductor } from './conductor';
import { EndForm } from './end-form';
import { PractiseStart } from './practise-start';

const squats = builtInExercises.find((exercise) => exercise.id === 'squat-and-bounce')!;
const routine = { ...insertSegment(aRoutine(), newSegment('segment-2', squats, softSchool)), settleSeconds: 0 };
const start = Date.now();
const journal = (change: Partial<Journal> = {}): Journal => ({
  id: 'journal-1',
  studentId: 'student-1',
  routine,
  cares: [],
  group: null,
  events: [],
  seenAt: start,
  ...change,
});
const hall = async (of: Journal, student = aStudent()) => {
  const page = await render(Conductor, { journalId: 'journal-1' }, { journals: [of], students: [student] });
  const key = async (name: string) => {
    document.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
    await page.settle();
  };
  const kept = () => page.database.of('journals').get('journal-1');
  return { page, key, kept };
};

test('waits for the beginning, then keeps everything that is pressed', async () => {
  const { page, key, kept } = await hall(journal());
  expect(page.text()).toContain('Press Begin, or Space.');
  await key('ArrowRight');
  expect((await kept())!.events).toEqual([]);
  await key(' ');
  await key('l');
  await key(' ');
  expect(page.text()).toContain('Paused. Space goes on.');
  await key('ArrowRight');
  expect((await kept())!.events.map((event) => event.action)).toEqual(['start', 'lost', 'pause', 'next']);
  expect(page.text()).toContain('Squat and bounce');
  expect(page.text()).toContain('Alignment lost noted 1 time.');
});

test('a practice that was running when the page went stands still at the last moment it was seen', async () => {
  const begun = start - 60_000;
  const { page, kept } = await hall(journal({ events: [{ at: begun, action: 'start' }], seenAt: begun + 20_000 }));
  expect(page.text()).toContain('Paused. Space goes on.');
  expect(page.element.querySelector('.big')!.textContent).toBe('0:40');
  expect((await kept())!.events.at(-1)).toEqual({ at: begun + 20_000, action: 'pause' });
});

test('after counting by hand the clock counts again, at a press', async () => {
  const reeling = builtInExercises.find(({ id }) => id === 'one-hand-reeling')!;
  const reels = insertSegment(aRoutine({ segments: [], settleSeconds: 0 }), newSegment('s', reeling, softSchool));
  const { page, key, kept } = await hall(journal({ routine: reels }));
  await key(' ');
  expect(page.text()).not.toContain('Back to the clock');
  await key('t');
  expect(page.text()).toContain('You count: tap at each repetition. The clock is stopped.');
  await page.press('Back to the clock');
  expect((await kept())!.events.map((event) => event.action)).toEqual(['start', 'tap', 'pace']);
  expect(page.text()).not.toContain('You count: tap at each repetition. The clock is stopped.');
});

test('a machine that slept has not practised: it stands still at the last moment it was seen', async () => {
  const { page, key, kept } = await hall(journal());
  await key(' ');
  await new Promise((resolve) => setTimeout(resolve, 250));
  const before = (await kept())!.events[0]!.at;
  const real = Date.now();
  // Ten minutes go by without a tick.
  jest.spyOn(TestBed.inject(Clock), 'now').mockImplementation(() => new Date(Date.now() - real + real + 600_000));
  await new Promise((resolve) => setTimeout(resolve, 250));
  await page.settle();
  expect(page.text()).toContain('Paused. Space goes on.');
  const pause = (await kept())!.events.at(-1)!;
  expect(pause.action).toBe('pause');
  expect(pause.at - before).toBeLessThan(60_000);
});

test('the log begins when the practice began, not when it was written', async () => {
  const begun = start - 3_600_000;
  const events = [
    { at: begun, action: 'start' },
    { at: begun + 61_000, action: 'end' },
  ] as const;
  const { page } = await hall(journal({ events: [...events], seenAt: begun + 61_000 }));
  await page.press('Save to the log');
  const [log] = await page.database.of('logs').toArray();
  expect(log).toMatchObject({ startedAt: new Date(begun).toISOString(), practisedSeconds: 61 });
});

test('the figure does it: standing in a hold, moving in a drill, turned round by one key, none in a rest', async () => {
  const reeling = builtInExercises.find((exercise) => exercise.id === 'one-hand-reeling')!;
  const reel = { ...newSegment('segment-3', reeling, softSchool), sideOrder: 'whole' as const };
  const rest = { type: 'rest' as const, id: 'rest', seconds: 30, label: 'Shake', roundId: null };
  const shown = insertSegment(insertSegment(routine, reel), rest);
  const begun = start - 60_000;
  const paused = [
    { at: begun, action: 'start' as const },
    { at: begun + 5000, action: 'pause' as const },
  ];
  const { page, key } = await hall(journal({ routine: shown, events: paused, seenAt: begun + 5000 }));
  const figure = () => page.element.querySelector('pk-hall-figure svg');
  const drawn = () => figure()!.innerHTML.replace(/figure-\d+/g, '');
  expect(figure()!.getAttribute('aria-label')).toBe('The figure does it: Holding the tree.');
  // The checkpoint that is up is lit where it is.
  expect(page.element.querySelectorAll('pk-hall-figure [aria-label^=Checkpoint]')).toHaveLength(1);
  await key('ArrowRight');
  await key('ArrowRight');
  expect(figure()!.getAttribute('aria-label')).toContain('One-hand silk-reeling');
  const mirrored = drawn();
  await key('v');
  expect(drawn()).not.toBe(mirrored);
  expect(localStorage.getItem('pomek.hall-figure')).toBe('facing');
  const facing = drawn();
  await key('v');
  expect(drawn()).not.toBe(facing);
  expect(localStorage.getItem('pomek.hall-figure')).toBe('behind');
  await key('v');
  expect(drawn()).toBe(mirrored);
  for (let step = 0; step < 12 && !page.text().includes('Shake'); step += 1) await key('ArrowRight');
  for (let step = 0; step < 12 && page.element.querySelector('h1')!.textContent !== 'Shake'; step += 1)
    await key('ArrowRight');
  expect(figure()).toBeNull();
});

test('in a rest the figure stands as the next drill begins, and is not to be done yet', async () => {
  const rest = { type: 'rest' as const, id: 'rest', seconds: 30, label: 'Shake', roundId: null };
  const { page, key } = await hall(journal({ routine: { ...routine, segments: [rest, ...routine.segments] } }));
  await key(' ');
  expect(page.element.querySelector('h1')!.textContent).toBe('Shake');
  const label = () => page.element.querySelector('pk-hall-figure svg')!.getAttribute('aria-label');
  expect(label()).toBe('The figure does it: Holding the tree.');
  expect(page.element.querySelector('.doing.comes')).not.toBeNull();
  await key('ArrowRight');
  expect(label()).toBe('The figure does it: Holding the tree.');
  expect(page.element.querySelector('.doing.comes')).toBeNull();
});

test('loosening belongs to an easing school; an enduring one says to stay and breathe', async () => {
  const easing = await hall(journal());
  await easing.key(' ');
  await easing.key('o');
  expect(easing.page.text()).toContain('Loosen. Press Go on; the time held still counts.');
  const enduring = await hall(journal(), aStudent({ schoolId: strictSchool.id }));
  await enduring.key(' ');
  await enduring.key('o');
  expect((await enduring.kept())!.events.map((event) => event.action)).toEqual(['start']);
  expect(enduring.page.text()).toContain('Pain always stops.');
});

test('ended early, the log has what was really done and the journal is gone', async () => {
  const begun = start - 100_000;
  const events = [
    { at: begun, action: 'start' as const },
    { at: begun + 30_000, action: 'pause' as const },
  ];
  const { page, key, kept } = await hall(journal({ events, seenAt: begun + 30_000 }));
  await key('Escape');
  await page.press('End and log what was done');
  expect(page.text()).toContain('Done: Evening');
  page.element.querySelector<HTMLInputElement>('input[aria-label^="Effort 6,"]')!.click();
  // A hold that was broken off is asked about.
  page.field('the legs').click();
  await page.fill('Note', ' tired ');
  await page.press(/Save to the log/);
  const [log] = await page.database.of('logs').toArray();
  expect(log).toMatchObject({
    studentId: 'student-1',
    effort: 6,
    pain: null,
    note: 'tired',
    practisedSeconds: 30,
    source: 'conducted',
    classId: null,
  });
  expect(log!.lines.map((line) => line.done.seconds)).toEqual([30, 0]);
  expect(log!.lines[0]!.gaveOut).toBe('legs');
  expect(await kept()).toBeUndefined();
});

test('discarded, nothing is logged, and it can be taken back; one that is over says so', async () => {
  const { page, key, kept } = await hall(journal());
  await key('Escape');
  const before = (await kept())!;
  await page.press('Discard');
  expect(await page.database.of('logs').count()).toBe(0);
  expect(await page.database.of('journals').count()).toBe(0);
  const notice = TestBed.inject(Notices).open().at(-1)!;
  expect(notice.title).toBe('Evening discarded');
  notice.takeBack!();
  await page.settle();
  expect(await kept()).toEqual(before);
  expect((await render(Conductor, { journalId: 'nothing' })).text()).toContain('This practice is over');
});

describe('the end of a practice', () => {
  test('a serious sign refers at once, and is kept', async () => {
    const page = await render(EndForm, { practiceId: 'p', logged: true, routineName: 'Evening' });
    const saved = heard(page.fixture.componentInstance.save);
    expect(page.text()).not.toContain('licensed practitioner');
    page.field('chest pain').click();
    page.element.querySelector<HTMLInputElement>('input[aria-label^="Pain 3,"]')!.click();
    await page.settle();
    expect(page.text()).toContain('see a licensed practitioner');
    page.field('knee').click();
    await page.fill('Just where, if you like', 'left knee');
    await page.press(/Save to the log/);
    expect(saved).toEqual([
      {
        effort: null,
        pain: 3,
        painWhere: 'left knee',
        painPlace: 'knee',
        symptoms: ['chest pain'],
        shook: [],
        hands: [],
        note: '',
        apart: null,
        gaveOut: [],
        felt: [],
      },
    ]);
  });

  test('where it hurt and what shook is one tap on the body, by pointer or by key', async () => {
    const page = await render(EndForm, { practiceId: 'tapped', logged: true, routineName: 'Evening' });
    const saved = heard(page.fixture.componentInstance.save);
    const spot = (name: string) => page.element.querySelector<SVGElement>(`[role=button][aria-label='${name}']`)!;
    const click = () => new MouseEvent('click', { bubbles: true });
    spot('thighs').dispatchEvent(click());
    await page.settle();
    spot('arms').dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await page.settle();
    expect(spot('thighs').getAttribute('aria-pressed')).toBe('true');
    page.element.querySelector<HTMLInputElement>('input[aria-label^="Pain 2,"]')!.click();
    await page.settle();
    spot('left knee').dispatchEvent(click());
    await page.settle();
    spot('thighs').dispatchEvent(click());
    await page.settle();
    await page.press(/Save to the log/);
    expect(saved[0]).toMatchObject({ pain: 2, painPlace: 'knee', painWhere: 'left knee', shook: ['arms'] });
    // What is chosen from the list takes the tapped side away; what was written stays.
    page.field('hip').click();
    await page.settle();
    await page.press(/Save to the log/);
    expect(saved[1]).toMatchObject({ painPlace: 'hip', painWhere: '' });
  });

  test('what gave out in a hold that fell short is asked, and may be left open', async () => {
    const short = [{ segmentId: 'a', name: 'Holding the tree' }];
    const page = await render(EndForm, { practiceId: 'short', logged: true, routineName: 'Evening', short });
    const saved = heard(page.fixture.componentInstance.save);
    expect(page.text()).toContain('Holding the tree fell short. What gave out?');
    page.field('the arms').click();
    await page.settle();
    await page.press(/Save to the log/);
    expect(saved[0]).toMatchObject({ gaveOut: [{ segmentId: 'a', by: 'arms' }] });
    page.field('something else').click();
    await page.settle();
    await page.press(/Save to the log/);
    expect(saved[1]).toMatchObject({ gaveOut: [] });
  });

  test('what hands found of the stand is noted in the exercise in which they tested it, and taken back', async () => {
    const stands = [
      { exerciseId: 'tree-holding', name: 'Holding the tree' },
      { exerciseId: 'bow-stance', name: 'Bow stance' },
    ];
    const page = await render(EndForm, { practiceId: 'hands', logged: true, routineName: 'Evening', stands });
    const saved = heard(page.fixture.componentInstance.save);
    const details = () => page.element.querySelector<HTMLDetailsElement>('pk-hands-answers details')!;
    expect(details().open).toBe(false);
    expect(details().textContent).toContain('Ask first. Lean, never shove');
    page.field('it goes into the floor').click();
    await page.settle();
    page.field('the arm stays up').click();
    await page.settle();
    expect(details().open).toBe(true);
    await page.press(/Save to the log/);
    expect(saved[0]).toMatchObject({
      hands: [
        { test: 'push', outcome: 'good', exerciseId: 'tree-holding' },
        { test: 'let fall', outcome: 'not yet', exerciseId: 'tree-holding' },
      ],
    });
    page.field('not tested').click();
    await page.settle();
    await page.press(/Save to the log/);
    expect(saved[1]!.hands).toEqual([{ test: 'let fall', outcome: 'not yet', exerciseId: 'tree-holding' }]);
  });

  test('how firm it felt is asked where it was asked for', async () => {
    const firm = [{ segmentId: 'a', name: 'Slow walk', firmness: { of: 'steps' as const, from: 1, to: 5 } }];
    const page = await render(EndForm, { practiceId: 'firm', logged: true, routineName: 'Evening', firm });
    const saved = heard(page.fixture.componentInstance.save);
    page.element.querySelector<HTMLInputElement>('input[aria-label^="How firm the steps felt: Slow walk 6,"]')!.click();
    await page.settle();
    page.element.querySelector<HTMLInputElement>('input[aria-label^="How firm the steps felt: Slow walk 3,"]')!.click();
    await page.settle();
    await page.press(/Save to the log/);
    expect(saved[0]).toMatchObject({ felt: [{ segmentId: 'a', level: 3 }] });
    const plain = await render(EndForm, { practiceId: 'plain', logged: true, routineName: 'Evening' });
    expect(plain.text()).not.toContain('How firm');
  });

  test('the effort of one exercise is set apart', async () => {
    const parts = [
      { segmentId: 'a', name: 'Standing' },
      { segmentId: 'b', name: 'Squats' },
    ];
    const page = await render(EndForm, { practiceId: 'apart', logged: true, routineName: 'Evening', parts });
    const saved = heard(page.fixture.componentInstance.save);
    page.fixture.componentInstance['setApart']('b');
    await page.settle();
    page.element.querySelector<HTMLInputElement>('input[aria-label^="Its effort 8,"]')!.click();
    await page.settle();
    await page.press(/Save to the log/);
    expect(saved[0]).toMatchObject({ effort: null, apart: { segmentId: 'b', effort: 8 } });
  });

  test('without a student nothing is asked', async () => {
    const page = await render(EndForm, { practiceId: 'p', logged: false, routineName: 'Evening' });
    expect(page.text()).toContain('Nothing is logged');
    expect(page.element.querySelectorAll('input')).toHaveLength(0);
  });
});

describe('before a practice', () => {
  test('the doses of the day, the cautions, and what was not finished', async () => {
    const page = await render(
      PractiseStart,
      { student: 'student-1', routine: 'routine-1' },
      { students: [aStudent({ cautions: ['Left knee'] })], routines: [routine], journals: [journal({ id: 'old' })] },
    );
    expect(page.text()).toContain('Left knee');
    expect(page.text()).toContain('1 hold × 1:00 min');
    expect(page.text()).toContain('An unfinished practice: Evening with Nela Brisk');
    await page.press(/Go to the hall/);
    const fresh = (await page.database.of('journals').toArray()).find((entry) => entry.id !== 'old')!;
    expect(fresh).toMatchObject({ studentId: 'student-1', events: [], routine: { id: 'routine-1' } });
    await page.press('Discard');
    expect(await page.database.of('journals').count()).toBe(1);
  });

  test('what hands found not good the last time is to be tested again', async () => {
    const hands = [
      { test: 'push' as const, outcome: 'not yet' as const, exerciseId: 'tree-holding' },
      { test: 'lift' as const, outcome: 'good' as const, exerciseId: 'tree-holding' },
    ];
    const page = await render(
      PractiseStart,
      { student: 'student-1', routine: 'routine-1' },
      { students: [aStudent()], routines: [routine], logs: [aLog({ hands })] },
    );
    await page.until(/To test again by hand/);
    expect(page.text()).toContain('A slow push: the body stiffens, leans or steps (Holding the tree)');
    expect(page.text()).not.toContain('An arm is lifted');
  });

  test('what was tried out with nobody and came to its end leaves nothing behind', async () => {
    const events = [
      { at: start, action: 'start' as const },
      { at: start + 1000, action: 'end' as const },
    ];
    const over = journal({ id: 'over', studentId: null, seenAt: start + 1000, events });
    const open = journal({ id: 'open', studentId: null, events: events.slice(0, 1), seenAt: start + 1000 });
    const page = await render(PractiseStart, {}, { routines: [routine], journals: [over, open] });
    await page.settle();
    expect((await page.database.of('journals').toArray()).map(({ id }) => id)).toEqual(['open']);
    expect(page.text().match(/An unfinished practice/g)).toHaveLength(1);
  });

  test('what is noted of the student changes what is practised, and says so on the way in and in the hall', async () => {
    const low = { ...routine, segments: routine.segments.filter((entry) => entry.id === 'segment-2') };
    const page = await render(
      PractiseStart,
      { student: 'student-1', routine: 'routine-1' },
      { students: [aStudent({ conditions: ['knee pain'] })], routines: [low] },
    );
    expect(page.text()).toContain('“Slow heel lifts” instead of a bend of 55° (knee pain).');
    expect(page.text()).toContain('Noted: knee pain.');
    await page.press(/Go to the hall/);
    const [made] = await page.database.of('journals').toArray();
    expect(made!.routine.segments[0]).toMatchObject({ id: 'segment-2-instead' });
    expect(made!.cares[0]!.words).toContain('knee pain');
    const conducted = await hall({ ...made!, id: 'journal-1' });
    await conducted.key(' ');
    expect(conducted.page.text()).toContain('(knee pain)');
  });

  test('without a routine it says what to do first', async () => {
    expect((await render(PractiseStart)).text()).toContain('Nothing to practise yet');
  });
});

test('a paced breath is seen in the figure, the other way round where the school reverses it; else nothing breathes', async () => {
  const breathing = builtInExercises.find((exercise) => exercise.id === 'belly-breathing')!;
  const shown = {
    ...aRoutine({ segments: [newSegment('breath', breathing, softSchool)] }),
    settleSeconds: 0,
  };
  const begun = start - 60_000;
  // Three seconds into the first breath it stands.
  const events = [
    { at: begun, action: 'start' as const },
    { at: begun + 3000, action: 'pause' as const },
  ];
  const wide = async (school: typeof softSchool) => {
    const page = await render(
      Conductor,
      { journalId: 'journal-1' },
      {
        journals: [journal({ routine: shown, events, seenAt: begun + 3000 })],
        students: [aStudent()],
        schools: [school],
      },
    );
    return Number(page.element.querySelector('pk-hall-figure .breath')!.getAttribute('rx'));
  };
  const natural = await wide({ ...softSchool, belly: 'expands' });
  const reversed = await wide({ ...softSchool, belly: 'reversed' });
  expect(natural).toBeGreaterThan(reversed);
  const { page } = await hall(journal());
  expect(page.element.querySelector('pk-hall-figure .breath')).toBeNull();
});
