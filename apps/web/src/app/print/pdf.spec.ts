jest.mock('pdfmake/build/pdfmake', () => ({}));
jest.mock('pdfmake/build/vfs_fonts', () => ({}));
import { inRuns } from './pdf';

test('letters that the application’s font has not are printed in one that has them', () => {
  expect(inRuns('Reaching up: 45°, “seven tenths” – 3 × 1:00 min')).toBe(
    'Reaching up: 45°, “seven tenths” – 3 × 1:00 min',
  );
  expect(inRuns('For Łucja Ørn.')).toEqual([{ text: 'For ' }, { text: 'Ł', font: 'Roboto' }, { text: 'ucja Ørn.' }]);
  expect(inRuns('Иве')).toEqual([{ text: 'Иве', font: 'Roboto' }]);
  expect(inRuns('')).toBe('');
});
