jest.mock('pdfmake/build/pdfmake', () => ({}));
jest.mock('pdfmake/build/vfs_fonts', () => ({}));
import { inRuns, withFonts } from './pdf';

test('letters that the application’s font has not are printed in one that has them', () => {
  expect(inRuns('Reaching up: 45°, “seven tenths” – 3 × 1:00 min')).toBe(
    'Reaching up: 45°, “seven tenths” – 3 × 1:00 min',
  );
  expect(inRuns('For Łucja Ørn.')).toEqual([{ text: 'For ' }, { text: 'Ł', font: 'Roboto' }, { text: 'ucja Ørn.' }]);
  expect(inRuns('Иве')).toEqual([{ text: 'Иве', font: 'Roboto' }]);
  expect(inRuns('')).toBe('');
});

test('what is drawn is laid out on a copy, so that the same content can be laid out again', () => {
  const box = { canvas: [{ type: 'rect', x: 0, y: 1, w: 10, h: 10 }] };
  const [made] = withFonts([{ columns: [box, { text: 'Иве' }] }]) as [{ columns: [typeof box, unknown] }];
  expect(made.columns).toEqual([box, { text: [{ text: 'Иве', font: 'Roboto' }] }]);
  made.columns[0].canvas[0]!.x += 40;
  expect(box.canvas[0]!.x).toBe(0);
});
