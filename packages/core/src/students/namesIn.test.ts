import { MOST_NAMES, namesIn } from './namesIn';

test.each([
  ['Nela Brisk\nOdo Brand', ['Nela Brisk', 'Odo Brand']],
  ['Nela Brisk, Odo Brand; Pia Long', ['Nela Brisk', 'Odo Brand', 'Pia Long']],
  ['Brisk, Nela\r\nBrand, Odo', ['Brisk, Nela', 'Brand, Odo']],
  ['1. Nela\n2) Odo\n- Pia\n• Jón', ['Nela', 'Odo', 'Pia', 'Jón']],
  ['Nela\t12 May\tknee\nOdo\t3 June', ['Nela', 'Odo']],
  ['  Nela \n\n nela \nNELA', ['Nela']],
  ['', []],
  [' \n\t\n ', []],
  ['Ana-Luisa\n3D Pim', ['Ana-Luisa', '3D Pim']],
])('%j', (text, names) => expect(namesIn(text)).toEqual(names));

test('a name is no longer than a student’s may be, and a list has an end', () => {
  expect(namesIn('x'.repeat(200))).toEqual(['x'.repeat(80)]);
  const many = Array.from({ length: 500 }, (_, at) => `Person ${at}`).join('\n');
  expect(namesIn(many)).toHaveLength(MOST_NAMES);
});
