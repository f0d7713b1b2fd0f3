import { ChangeDetectionStrategy, Component } from '@angular/core';
import { render } from '../../../testing/render';
import { Hint } from './hint';
import { HintPicture } from './hint-picture';

@Component({
  selector: 'pk-tested-hint',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Hint],
  template: '<pk-hint about="the weather"><p>It rains.</p></pk-hint>',
})
class TestedHint {}

test('a hint is opened by its button, and closed by it, by Escape and by a press elsewhere', async () => {
  const page = await render(TestedHint);
  const button = page.element.querySelector('button')!;
  expect(button.getAttribute('aria-label')).toBe('What is this: the weather');
  const press = async (): Promise<void> => {
    button.click();
    await page.settle();
  };
  const isOpen = (): boolean => page.text().includes('It rains.');
  expect(isOpen()).toBe(false);
  await press();
  expect(isOpen()).toBe(true);
  expect(button.getAttribute('aria-expanded')).toBe('true');
  await press();
  expect(isOpen()).toBe(false);
  await press();
  document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
  await page.settle();
  expect(isOpen()).toBe(false);
  expect(document.activeElement).toBe(button);
  await press();
  page.element.querySelector('p')!.dispatchEvent(new Event('pointerdown', { bubbles: true }));
  await page.settle();
  expect(isOpen()).toBe(true);
  document.body.dispatchEvent(new Event('pointerdown', { bubbles: true }));
  await page.settle();
  expect(isOpen()).toBe(false);
});

test('what a hint is about is drawn, for eyes only; of ten seasons seven reach the goal', async () => {
  for (const of of ['strength left', 'the terraces', 'how many would reach it'] as const) {
    const page = await render(HintPicture, { of });
    const drawing = page.element.querySelector('svg')!;
    expect(drawing.getAttribute('aria-hidden')).toBe('true');
    expect(drawing.querySelectorAll('path, rect').length).toBeGreaterThan(3);
    if (of !== 'how many would reach it') continue;
    expect(drawing.querySelectorAll('.played')).toHaveLength(10);
    expect(drawing.querySelectorAll('.played:not(.short)')).toHaveLength(7);
  }
});
