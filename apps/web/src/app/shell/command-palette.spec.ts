import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { aRoutine, aStudent } from '../../../testing/records';
import { heard, render } from '../../../testing/render';
import { CommandPalette } from './command-palette';

const palette = async () => {
  const page = await render(
    CommandPalette,
    { open: true },
    { students: [aStudent({ name: 'Ama Tull' })], routines: [aRoutine({ name: 'Evening by the mill' })] },
  );
  const it = page.fixture.componentInstance;
  const names = () => it['found']().map((command) => command.name);
  const type = async (text: string) => {
    it['text'].set(text);
    await page.settle();
  };
  return { page, it, names, type, went: jest.spyOn(TestBed.inject(Router), 'navigateByUrl') };
};

test('every place, person, routine and exercise is found by a few letters of name and kind', async () => {
  const { names, type } = await palette();
  expect(names().slice(0, 7)).toEqual(['Today', 'Exercises', 'Routines', 'Students', 'Classes', 'Practise', 'Files']);
  await type('ama');
  expect(names()).toContain('Ama Tull');
  await type('mill rou');
  expect(names()).toEqual(['Evening by the mill']);
  await type('tree stand');
  expect(names()).toEqual(['Holding the tree']);
  await type('nothing like it');
  expect(names()).toEqual([]);
});

test('the arrows stay within the list, and Enter goes there and closes', async () => {
  const { it, page, type, went } = await palette();
  const key = new KeyboardEvent('keydown', { cancelable: true });
  it['move'](key, -1);
  expect(it['at']()).toBe(0);
  for (let press = 0; press < 20; press += 1) it['move'](key, 1);
  expect(it['at']()).toBe(it['found']().length - 1);
  expect(key.defaultPrevented).toBe(true);
  await type('ama');
  it['at'].set(0);
  it['go'](it['found']()[0]);
  await page.settle();
  expect(went).toHaveBeenCalledWith('/students/student-1');
  expect(it.open()).toBe(false);
  expect(it['text']()).toBe('');
});

test('what is no place is done: the schools, the light; nothing found does nothing', async () => {
  const { it, type, went } = await palette();
  const schools = heard(it.schools);
  const light = heard(it.light);
  await type('schools');
  it['go'](it['found']()[0]);
  await type('light and dark');
  it['go'](it['found']()[0]);
  it['go'](undefined);
  expect([schools.length, light.length]).toEqual([1, 1]);
  expect(went).not.toHaveBeenCalled();
});
