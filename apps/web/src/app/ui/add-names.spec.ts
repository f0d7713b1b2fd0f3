import { heard, render } from '../../../testing/render';
import { AddNames } from './add-names';

const type = (element: HTMLElement, text: string): void => {
  const field = element.querySelector('textarea')!;
  field.value = text;
  field.dispatchEvent(new Event('input', { bubbles: true }));
  field.dispatchEvent(new FocusEvent('blur'));
  field.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
};

test('who is new is told before, who is here already is named', async () => {
  const page = await render(AddNames, { place: 'here', taken: ['Nela Brisk'] });
  const added = heard(page.fixture.componentInstance.added);
  expect(page.button('Add').disabled).toBe(true);
  type(page.element, '1. Odo Brand\n2. nela brisk\n3. Pia Long');
  await page.settle();
  expect(page.text()).toContain('Already here: Nela Brisk.');
  await page.press('Add 2 students');
  expect(added).toEqual([{ fresh: ['Odo Brand', 'Pia Long'], here: ['Nela Brisk'] }]);
  expect(page.element.querySelector('textarea')!.value).toBe('');
});
