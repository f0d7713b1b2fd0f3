import { cleanLine, cleanNote, nameText } from '.';

test('a line loses breaks, controls, marks that turn writing round, and spaces at its ends', () => {
  expect(cleanLine(' Nela\r\n\tBrisk\u0000 ')).toBe('Nela Brisk');
  expect(cleanLine('abc\u202Edef\u2066')).toBe('abcdef');
  expect(cleanLine('a\u2028b\u0085c')).toBe('a b c');
  expect(cleanLine('half \ud83e, whole 🪷')).toBe('half \ufffd, whole 🪷');
});

test('what is a letter stays: accents, other scripts, joiners of emoji', () => {
  for (const name of ['Åsa Đorđe', '站樁', 'नेला', '👩\u200d🏫']) expect(cleanLine(name)).toBe(name);
});

test('a note keeps its lines, whatever broke them, and its tabs', () => {
  expect(cleanNote('a\r\nb\rc\u2028d\te\u0007')).toBe('a\nb\nc\nd\te');
});

test('a name of nothing but spaces and controls is missing', () => {
  expect(nameText(80, 'a name, please').safeParse(' \r\n\u0000').error?.issues[0]?.message).toBe('a name, please');
  expect(nameText(3, 'x').safeParse('\r\nabc ').data).toBe('abc');
});
