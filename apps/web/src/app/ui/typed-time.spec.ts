import { typedTime } from './typed-time';

test.each([
  ['19:00', '19:00'],
  ['9:05', '09:05'],
  ['9.05', '09:05'],
  ['1930', '19:30'],
  [' 7:15  pm ', '19:15'],
  ['7 PM', '19:00'],
  ['7am', '07:00'],
  ['12 am', '00:00'],
  ['12:30pm', '12:30'],
])('a time is read as it is typed: %s', (text, time) => {
  expect(typedTime(text)).toBe(time);
});

test.each(['', '7', '25:00', '19:60', '13 pm', 'noon', '19:00:30', '123'])('no time: “%s”', (text) => {
  expect(typedTime(text)).toBeNull();
});
