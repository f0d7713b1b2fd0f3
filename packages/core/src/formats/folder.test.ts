import { strFromU8, unzipSync } from 'fflate';
import { folder } from './folder';

test('files go into one archive, whole, and two of one name are told apart', () => {
  const bytes = new Uint8Array([0, 255, 7]);
  const files = unzipSync(
    folder([
      { name: 'ada.html', content: '<p>ü</p>' },
      { name: 'ada.html', content: 'second' },
      { name: 'a.b.ics', content: bytes },
      { name: 'plain', content: '' },
      { name: 'plain', content: 'x' },
    ]),
  );
  expect(Object.keys(files)).toEqual(['ada.html', 'ada-2.html', 'a.b.ics', 'plain', 'plain-2']);
  expect(strFromU8(files['ada.html']!)).toBe('<p>ü</p>');
  expect(strFromU8(files['ada-2.html']!)).toBe('second');
  expect([...files['a.b.ics']!]).toEqual([0, 255, 7]);
});
