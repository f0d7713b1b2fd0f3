import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { builtInExercises, type Dose } from '@pomek/core';
import { freshSpace } from '../../../testing/records';
import { patched } from '../data/patch';
import { DoseEditor } from './dose-editor';
import { DurationField } from './duration-field';
import { NumberField } from './number-field';
import { dayWords, daysAgo, fullDay, readDay, shortDay } from './day-words';

const dose = builtInExercises.find((exercise) => exercise.id === 'one-hand-reeling')!.defaultDose;

@Component({
  selector: 'pk-host',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, DurationField, DoseEditor],
  template: `
    <pk-number label="Weeks" [value]="weeks()" [min]="1" [max]="9" (valueChange)="weeks.set($event)" />
    <pk-duration label="Time" [value]="time()" [min]="1" (valueChange)="time.set($event)" />
    <pk-dose [dose]="dose()" (typed)="dose.set(put(dose(), $event))" />
  `,
})
class Host {
  readonly weeks = signal<number | null>(3);
  readonly time = signal(90);
  readonly dose = signal<Dose>(dose);
  readonly put = patched;
}

beforeEach(() => void freshSpace());

async function host() {
  const fixture = TestBed.createComponent(Host);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const type = async (field: HTMLInputElement, text: string) => {
    field.value = text;
    field.dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  const labelled = (text: string) => {
    const label = [...element.querySelectorAll('label')].find((entry) => entry.textContent.trim() === text)!;
    return element.querySelector<HTMLInputElement>(`#${label.htmlFor}`)!;
  };
  return { fixture, element, type, labelled, state: fixture.componentInstance };
}

test('a number gives out what is within its bounds and says what is wrong with the rest', async () => {
  const { element, type, labelled, state } = await host();
  await type(labelled('Weeks'), '5');
  expect(state.weeks()).toBe(5);
  for (const [text, says] of [
    ['10', 'from 1 to 9'],
    ['2.5', 'whole number'],
    ['', 'give a number'],
  ] as const) {
    await type(labelled('Weeks'), text);
    expect(state.weeks()).toBe(5);
    expect(element.textContent).toContain(says);
    expect(labelled('Weeks').getAttribute('aria-invalid')).toBe('true');
  }
});

test('a time is read as typed, moved by the arrow keys, and refused in words', async () => {
  const { element, type, labelled, state, fixture } = await host();
  await type(labelled('Time'), '2 min');
  expect(state.time()).toBe(120);
  labelled('Time').dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp' }));
  await fixture.whenStable();
  expect(state.time()).toBe(125);
  await type(labelled('Time'), 'soon');
  expect(state.time()).toBe(125);
  expect(element.textContent).toContain('a time like 90');
});

test('a dose changes one row and leaves the others', async () => {
  const { type, labelled, state } = await host();
  await type(labelled('Repetitions right reversed'), '16');
  expect(state.dose().amounts.map((row) => row.amount)).toEqual([8, 8, 8, 16]);
  await type(labelled('Seconds a repetition'), '9.5');
  expect(state.dose()).toMatchObject({ cycleSeconds: 9.5 });
});

test('a hold is typed in seconds or in breaths, and can wait for the cue', async () => {
  const { type, labelled, state, fixture } = await host();
  const tree = builtInExercises.find((exercise) => exercise.id === 'tree-holding')!.defaultDose;
  state.dose.set(tree);
  await fixture.whenStable();
  // 14 breaths a minute where none were counted: 10 breaths are 43 s.
  await type(labelled('In breaths, about'), '10');
  expect(state.dose()).toMatchObject({ kind: 'hold', holdSeconds: 43, byCue: false });
  labelled('until my cue').click();
  await fixture.whenStable();
  expect(state.dose()).toMatchObject({ holdSeconds: 43, byCue: true });
});

test('days in words', () => {
  expect([readDay, shortDay, fullDay].map((words) => words('2026-03-12'))).toEqual([
    '12 Mar 2026',
    'Thu 12 Mar',
    'Thursday 12 March',
  ]);
  expect(dayWords([5, 1])).toBe('Mon, Fri');
  expect(dayWords([1, 2, 3, 4, 5, 6, 7])).toBe('every day');
  expect(['2026-03-10', '2026-03-09', '2026-03-01', '2026-03-12'].map((day) => daysAgo(day, '2026-03-10'))).toEqual([
    'today',
    'yesterday',
    '9 days ago',
    'in 2 days',
  ]);
});
