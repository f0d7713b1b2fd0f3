import {
  LONGEST_LINE,
  VOICE_RATE,
  builtInExercises,
  cuePlan,
  hallCalls,
  insertSegment,
  newRoutine,
  newSegment,
  recordingOf,
  recordingsBy,
  softSchool,
  timeline,
  usualCalls,
  type Recording,
} from '@pomek/core';
import { TestBed } from '@angular/core/testing';
import { render } from '../../../testing/render';
import { Notices } from '../data/notices';
import { Microphone, NoMicrophone } from './microphone';
import { SaidList } from './said-list';

const shelf = new Map(builtInExercises.map((exercise) => [exercise.id, exercise]));
const routine = insertSegment(
  newRoutine('r', 'Evening', softSchool),
  newSegment('a', shelf.get('heel-lifts')!, softSchool),
);
const line = timeline(routine);
const plan = cuePlan(routine, line, shelf, softSchool);
const callsWith = (all: readonly Recording[]) =>
  hallCalls(routine, line, usualCalls, { cues: false, parts: 'new' }, shelf, softSchool, plan, recordingsBy(all));
const tone = (seconds: number) =>
  Float32Array.from({ length: seconds * VOICE_RATE }, (_, at) => 0.2 * Math.sin(at / 8));

/** The list with some lines recorded, and a microphone that hears what it is told to. */
async function list(recorded: readonly Recording[] = [], heard = tone(1)) {
  const microphone = { taken: 0, off: 0, fails: null as Error | null, heard };
  const take = {
    level: () => 0.5,
    end: () => Promise.resolve(microphone.heard),
    giveUp: () => (microphone.off += 1),
  };
  const record = () => {
    microphone.taken += 1;
    return microphone.fails === null ? Promise.resolve(take) : Promise.reject(microphone.fails);
  };
  const inputs = { open: true, calls: callsWith(recorded), plain: callsWith([]), line };
  const page = await render(SaidList, inputs, { recordings: [...recorded] }, [
    { provide: Microphone, useValue: { record } },
  ]);
  await page.settle();
  const button = (name: RegExp) =>
    [...document.body.querySelectorAll('button')].find((each) =>
      name.test(each.getAttribute('aria-label') ?? each.textContent.trim()),
    );
  const press = async (name: RegExp) => {
    button(name)!.click();
    await page.settle();
  };
  const text = () => document.body.textContent.replace(/\s+/g, ' ');
  const stored = () => page.database.of('recordings').toArray();
  const storedAre = async (count: number) => {
    for (let round = 0; round < 40 && (await stored()).length !== count; round += 1) await page.settle();
    expect(await stored()).toHaveLength(count);
    await page.settle();
  };
  return { page, microphone, button, press, text, stored, storedAre };
}

afterEach(() => {
  document.body.innerHTML = '';
});

test('the list tells what is said and when, as the hall says it', async () => {
  const { text, page } = await list();
  expect(text()).toContain('The voice is off now.');
  expect(text()).toMatch(/0:00 ?Get ready: Slow heel lifts ?0:10 ?Rise and hover ?0:13 ?Down/);
  expect(text()).toContain('Done');
  page.fixture.destroy();
});

test('a line is recorded, kept by its words, counted, heard, and taken out and put back', async () => {
  const { page, press, text, stored, storedAre, button } = await list();
  await press(/^Record “Down”/);
  expect(text()).toContain('Stop');
  expect(button(/^Record “Done”/)!.disabled).toBe(true);
  await press(/Stop$/);
  await storedAre(1);
  const [line] = await stored();
  expect(line!.id).toBe('Down');
  await page.settle();
  expect(text()).toContain('1 of 6 lines in your own voice, 16 kB');
  expect(text()).toContain('1.0 s');
  await press(/^Hear “Down”/);
  await press(/^Take out “Down”/);
  await storedAre(0);
  TestBed.inject(Notices)
    .open()
    .find(({ takeBack }) => takeBack !== null)!.takeBack!();
  await storedAre(1);
  expect(await stored()).toEqual([line]);
  page.fixture.destroy();
});

test('silence is not kept; a microphone that is not there, and a browser without room, say so, and what was said is kept later', async () => {
  const { page, press, text, stored, storedAre, microphone } = await list();
  microphone.heard = new Float32Array(VOICE_RATE);
  await press(/^Record “Down”/);
  await press(/Stop$/);
  expect(text()).toContain('Nothing was heard.');
  microphone.fails = new NoMicrophone('There is no microphone at this machine.');
  await press(/^Record “Down”/);
  expect(text()).toContain('There is no microphone at this machine.');
  microphone.fails = null;
  microphone.heard = tone(1);
  let free = 1000;
  const estimate = () => Promise.resolve({ quota: free, usage: 0 });
  Object.defineProperty(navigator, 'storage', { value: { estimate }, configurable: true });
  await press(/^Record “Down”/);
  await press(/Stop$/);
  expect(text()).toContain('It is not saved yet. There is no room for it in this browser');
  expect(await stored()).toEqual([]);
  free = 1e9;
  await press(/^Try again/);
  await storedAre(1);
  await page.settle();
  expect(text()).not.toContain('It is not saved yet');
  Reflect.deleteProperty(navigator, 'storage');
  page.fixture.destroy();
});

test('what is spoken longer than there is room for says so and stays in the list; of other drills it stands below', async () => {
  const recorded = [recordingOf('Down', tone(LONGEST_LINE)), recordingOf('Of another drill', tone(1))];
  const { page, text, press } = await list(recorded);
  expect(text()).toMatch(/Down ?20\.0 s ?There is room for \d\.\d s, so it is not said\. Record it shorter\./);
  expect(text()).toContain('One more line is recorded that this practice does not say');
  await press(/^Turn it on/);
  expect(text()).not.toContain('The voice is off now.');
  page.fixture.destroy();
});

test('closed or gone on with, nothing goes on being recorded', async () => {
  const { page, press, microphone, text } = await list();
  await press(/^Record “Down”/);
  page.fixture.componentRef.setInput('running', true);
  await page.settle();
  expect(microphone.off).toBe(1);
  expect(text()).toContain('Pause the practice to record.');
  page.fixture.componentRef.setInput('running', false);
  await page.settle();
  await press(/^Record “Down”/);
  page.fixture.componentRef.setInput('open', false);
  await page.settle();
  expect(microphone.off).toBe(2);
  page.fixture.destroy();
});
