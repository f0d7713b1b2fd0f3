import { TestBed } from '@angular/core/testing';
import { freshSpace } from '../../../testing/records';
import { readLight, setLight } from '../shell/light';
import { fileName } from '../ui/download';
import { Clock } from './clock';
import { DemoSpace } from './demo-space';
import { Opening } from './opening';
import { Notices, reasonOf } from './notices';
import { chooseSpaceFromAddress, readSpace, rememberSpace, SPACE } from './space';
import { WholeSpace } from './whole-space';

describe('the space of a tab', () => {
  beforeEach(() => {
    sessionStorage.clear();
    localStorage.clear();
    history.replaceState(null, '', '/');
  });

  test('is the own one at first, and the one last chosen after', () => {
    expect(readSpace()).toBe('own');
    rememberSpace('demo');
    expect(readSpace()).toBe('demo');
    sessionStorage.clear();
    expect(readSpace()).toBe('demo');
  });

  test('is chosen by its address, which leads to its first page', () => {
    history.replaceState(null, '', '/demo');
    expect(chooseSpaceFromAddress()).toBe('demo');
    expect(location.pathname).toBe('/today');
    history.replaceState(null, '', '/own');
    expect(chooseSpaceFromAddress()).toBe('own');
    history.replaceState(null, '', '/routines/abc');
    expect(chooseSpaceFromAddress()).toBe('own');
    expect(location.pathname).toBe('/routines/abc');
  });

  test('a spoiled choice in the storage is no trouble', () => {
    localStorage.setItem('pomek.space', 'somewhere else');
    expect(readSpace()).toBe('own');
  });
});

test('the light of the room is remembered and put on the page', () => {
  setLight('hall');
  expect(readLight()).toBe('hall');
  expect(document.documentElement.classList.contains('hall')).toBe(true);
  setLight('day');
  expect(document.documentElement.classList.contains('hall')).toBe(false);
});

test('the clock gives the day of a moment and ids that differ', () => {
  const clock = TestBed.inject(Clock);
  expect(clock.dayOf(new Date(2026, 2, 5, 23, 59))).toBe('2026-03-05');
  expect(clock.today()).toBe(clock.dayOf(clock.now()));
  expect(clock.newId()).not.toBe(clock.newId());
});

describe('notices', () => {
  const notices = () => TestBed.inject(Notices);

  test('three at most, each can be closed', () => {
    for (const title of ['one', 'two', 'three', 'four']) notices().done(title);
    expect(
      notices()
        .open()
        .map((notice) => notice.title),
    ).toEqual(['two', 'three', 'four']);
    notices().close(notices().open()[0]!.id);
    expect(notices().open()).toHaveLength(2);
  });

  test('errors of the browser are put in words that help', () => {
    const named = (name: string) => Object.assign(new Error('cryptic'), { name });
    expect(reasonOf(named('QuotaExceededError'))).toContain('no room left');
    expect(reasonOf(named('InvalidStateError'))).toContain('Reload the page');
    expect(reasonOf(new Error('as it is'))).toBe('as it is');
    expect(reasonOf('text')).toBe('text');
  });
});

describe('the demo space', () => {
  test('is filled when empty and left alone when not', async () => {
    const database = freshSpace([{ provide: SPACE, useValue: 'demo' }]);
    const demo = TestBed.inject(DemoSpace);
    await demo.fillWhenEmpty();
    expect(await database.of('students').count()).toBe(10);
    expect(TestBed.inject(Opening).busy()).toBe(false);
    await database.of('students').delete('demo-student-1');
    await demo.fillWhenEmpty();
    expect(await database.of('students').count()).toBe(9);
    await demo.fill();
    expect(await database.of('students').count()).toBe(10);
    await database.delete();
  });

  test('a page that was closed while it was made goes on with those who are missing', async () => {
    const database = freshSpace([{ provide: SPACE, useValue: 'demo' }]);
    const [demo, today] = [TestBed.inject(DemoSpace), TestBed.inject(Clock).today()];
    await demo.fillWhenEmpty();
    const whole = await TestBed.inject(WholeSpace).read();
    await database.of('students').bulkDelete(['demo-student-5', 'demo-student-8']);
    await database.of('students').update('demo-student-1', { note: 'There already' });
    localStorage.setItem('pomek.demo-making', today);
    await demo.fillWhenEmpty();
    const [first, ...others] = (await TestBed.inject(WholeSpace).read()).students;
    expect(others).toEqual(whole.students.slice(1));
    expect(first!.note).toBe('There already');
    expect(localStorage.getItem('pomek.demo-making')).toBeNull();
    // Begun on another day it is made anew: its dates end yesterday.
    localStorage.setItem('pomek.demo-making', '2020-01-01');
    await demo.fillWhenEmpty();
    expect(await TestBed.inject(WholeSpace).read()).toEqual(whole);
    await database.delete();
  });

  test('where the browser notes nothing it is made all at once', async () => {
    const database = freshSpace([{ provide: SPACE, useValue: 'demo' }]);
    const replaced = jest.spyOn(TestBed.inject(WholeSpace), 'replace');
    const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    await TestBed.inject(DemoSpace).fillWhenEmpty();
    full.mockRestore();
    expect(await database.of('students').count()).toBe(10);
    expect(replaced.mock.calls.map(([{ students }]) => students.length)).toEqual([10]);
    await database.delete();
  });

  test('never touches the own space', async () => {
    const database = freshSpace();
    const demo = TestBed.inject(DemoSpace);
    await demo.fillWhenEmpty();
    await expect(demo.fill()).rejects.toThrow('Only the demo');
    expect(await TestBed.inject(WholeSpace).isEmpty()).toBe(true);
    await database.delete();
  });
});

test('file names keep letters of any script and lose the rest', () => {
  expect(fileName('Evening / by the mill!')).toBe('evening-by-the-mill');
  expect(fileName('Ångström 2')).toBe('ångström-2');
  expect(fileName('///')).toBe('pomek');
});
