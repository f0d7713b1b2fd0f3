import { TestBed } from '@angular/core/testing';
import { usualCalls, type Journal } from '@pomek/core';
import { aRoutine, aStudent } from '../../../testing/records';
import { render } from '../../../testing/render';
import { Conductor } from './conductor';
import { Speaker } from './speaker';
import { VoicePanel } from './voice-panel';

interface Said {
  readonly text: string;
  readonly volume: number;
}
const world = globalThis as { speechSynthesis?: unknown; SpeechSynthesisUtterance?: unknown };

/** A browser with such voices; gives what was said. */
function withVoices(voices: readonly { lang: string; localService: boolean }[]): Said[] {
  const said: Said[] = [];
  world.SpeechSynthesisUtterance = class {
    volume = 1;
    voice: unknown = null;
    constructor(readonly text: string) {}
  };
  world.speechSynthesis = {
    getVoices: () => voices,
    addEventListener: () => undefined,
    cancel: () => undefined,
    speak: ({ text, volume }: Said) => said.push({ text, volume }),
  };
  return said;
}
const own = { lang: 'en-GB', localService: true };

afterEach(() => {
  delete world.speechSynthesis;
  delete world.SpeechSynthesisUtterance;
});

test('without a voice nothing is spoken, and it is said so; a voice of another machine is none', async () => {
  const page = await render(VoicePanel);
  expect(page.text()).toContain('This browser has no voice');
  withVoices([{ ...own, localService: false }]);
  expect((await render(VoicePanel)).text()).toContain('This browser has no voice');
});

test('it speaks when it is turned on, as loud as was set, in the teacher’s words; all of it is remembered', async () => {
  const said = withVoices([own]);
  const page = await render(VoicePanel);
  const speaker = TestBed.inject(Speaker);
  speaker.say('Too soon');
  expect(said).toEqual([]);
  page.element.querySelector<HTMLInputElement>('#voice-on')!.click();
  await page.settle();
  speaker.change({ volume: 0.3 });
  await page.fill('When the side changes', 'The other way');
  await page.press('Hear it');
  expect(said).toEqual([{ text: 'The other way', volume: 0.3 }]);
  expect(JSON.parse(localStorage.getItem('pomek.voice')!)).toMatchObject({
    on: true,
    volume: 0.3,
    words: { ...usualCalls, change: 'The other way' },
  });
  await page.press('The usual words again');
  expect(speaker.settings().words).toEqual(usualCalls);
  localStorage.setItem('pomek.voice', '{"on": "perhaps"}');
  expect((await render(VoicePanel)).text()).toContain('Call aloud what comes');
});

test('the hall calls what is taken up and what comes, once, and is silenced by a key', async () => {
  const said = withVoices([own]);
  const journal: Journal = {
    id: 'journal-1',
    studentId: 'student-1',
    routine: aRoutine(),
    cares: [],
    group: null,
    events: [],
    seenAt: Date.now(),
  };
  const page = await render(Conductor, { journalId: 'journal-1' }, { journals: [journal], students: [aStudent()] });
  TestBed.inject(Speaker).change({ on: true });
  const key = async (name: string) => {
    document.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true }));
    await page.settle();
  };
  await key(' ');
  expect(said.map(({ text }) => text)).toEqual(['Get ready: Holding the tree']);
  await key('ArrowRight');
  // The first cue of the stand.
  expect(said).toHaveLength(2);
  expect(said[1]!.text).not.toBe('');
  await key('s');
  await key('ArrowRight');
  expect(said).toHaveLength(2);
});
