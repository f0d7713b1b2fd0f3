import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { freshSpace } from '../../../testing/records';
import { TimeField } from './time-field';

@Component({
  selector: 'pk-host',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [TimeField],
  template: `<pk-time label="Begins at" [value]="time()" (valueChange)="time.set($event)" />`,
})
class Host {
  readonly time = signal('18:30');
}

test('a time is typed, moved by arrow keys over midnight, and what is none stays with what is wrong about it', async () => {
  freshSpace();
  const fixture = TestBed.createComponent(Host);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const field = element.querySelector('input')!;
  const { time } = fixture.componentInstance;
  const after = async (event: Event) => {
    field.dispatchEvent(event);
    await fixture.whenStable();
  };
  const type = (text: string) => {
    field.value = text;
    return after(new Event('input'));
  };
  expect(field.value).toBe('18:30');
  await type('7 pm');
  expect([field.value, time()]).toEqual(['7 pm', '19:00']);
  await after(new FocusEvent('blur'));
  expect(field.value).toBe('19:00');

  await type('late');
  await after(new FocusEvent('blur'));
  expect([field.value, time()]).toEqual(['late', '19:00']);
  expect(element.textContent).toContain('Begins at: a time like 19:00 or 7 pm.');
  expect(field.getAttribute('aria-invalid')).toBe('true');

  await type('23:55');
  await after(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
  expect([field.value, time()]).toEqual(['00:00', '00:00']);
  field.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown' }));
  await after(new KeyboardEvent('keydown', { key: 'ArrowDown' }));
  expect([field.value, time()]).toEqual(['23:50', '23:50']);
});
