import { keysOf } from './keys';

const titles = (address: string): string[] => keysOf(address).map(({ title }) => title);

test.each([
  ['/today', ['Where something is to decide', 'Everywhere']],
  ['/students/ana?part=person', ['Where something is to decide', 'Everywhere']],
  ['/students/season', ['Everywhere']],
  ['/students/ana/film/still', ['On a picture', 'Everywhere']],
  ['/routines', ['Everywhere']],
  ['/routines/morning', ['In a routine', 'Everywhere']],
  ['/routines/lay-out', ['Everywhere']],
  ['/routines/chains/pond', ['Everywhere']],
  ['/practise', ['In the hall', 'Everywhere']],
  ['/practise/journal', ['In the hall', 'Everywhere']],
])('the keys of %s', (address, own) => {
  expect(titles(address)).toEqual(own);
});
