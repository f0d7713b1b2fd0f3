import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { freshSpace } from '../../../testing/records';
import { DayField } from './day-field';

@Component({
  selector: 'pk-host',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayField],
  template: `<pk-day
    label="Goal day"
    [value]="day()"
    [min]="min"
    [optional]="optional()"
    (valueChange)="day.set($event)"
  />`,
})
class Host {
  readonly day = signal('2026-03-12');
  readonly min = '2026-03-01';
  readonly optional = signal(false);
}

beforeEach(() => void freshSpace());

async function host() {
  const fixture = TestBed.createComponent(Host);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const field = element.querySelector('input')!;
  const after = async (event: Event) => {
    field.dispatchEvent(event);
    await fixture.whenStable();
  };
  const type = (text: string) => {
    field.value = text;
    return after(new Event('input'));
  };
  return { fixture, element, field, after, type, day: fixture.componentInstance.day, state: fixture.componentInstance };
}

test('a day stands as days are written, is taken over letter by letter, and is written out when it is left', async () => {
  const { field, after, type, day } = await host();
  expect(field.value).toBe('12 Mar 2026');
  await type('2 apr');
  expect([field.value, day()]).toEqual(['2 apr', '2026-04-02']);
  await after(new FocusEvent('blur'));
  expect(field.value).toBe('2 Apr 2026');
  // What comes from elsewhere is shown.
  day.set('2026-05-01');
  await after(new Event('noop'));
  expect(field.value).toBe('1 May 2026');
});

test('what is no day, or too early, stays with what is wrong about it, and nothing is given out', async () => {
  const { element, field, after, type, day, state } = await host();
  for (const [text, says] of [
    ['3/4/2026', /Goal day: a day like \d+ \w+ \d{4}\./],
    ['28 Feb 2026', /Goal day: not before 1 Mar 2026\./],
    ['', /Goal day: a day like/],
  ] as const) {
    await type(text);
    await after(new FocusEvent('blur'));
    expect(field.value).toBe(text);
    expect(element.textContent).toMatch(says);
    expect(field.getAttribute('aria-invalid')).toBe('true');
    expect(day()).toBe('2026-03-12');
  }
  state.optional.set(true);
  await after(new Event('noop'));
  await type('');
  expect(day()).toBe('');
  expect(element.querySelector('.wrong')).toBeNull();
});

test('arrow keys move it by a day, quick ones too, and not before the first', async () => {
  const { field, after, type, day } = await host();
  const press = (key: string) => after(new KeyboardEvent('keydown', { key }));
  field.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
  await press('ArrowUp');
  expect([field.value, day()]).toEqual(['14 Mar 2026', '2026-03-14']);
  await type('20.3.2026');
  await press('ArrowUp');
  expect([field.value, day()]).toEqual(['21 Mar 2026', '2026-03-21']);
  day.set('2026-03-01');
  await after(new FocusEvent('blur'));
  await press('ArrowDown');
  expect([field.value, day()]).toEqual(['1 Mar 2026', '2026-03-01']);
});

test('a calendar opens beside it; the day chosen there is taken over and the field has the focus again', async () => {
  const { fixture, element, field, day } = await host();
  document.body.append(element);
  element.querySelector('button')!.click();
  await fixture.whenStable();
  const wanted = [...document.querySelectorAll<HTMLElement>('.p-datepicker-day')].find(
    (cell) => cell.textContent.trim() === '20',
  )!;
  wanted.click();
  await fixture.whenStable();
  expect(day()).toBe('2026-03-20');
  expect(field.value).toBe('20 Mar 2026');
  expect(document.activeElement).toBe(field);
});
