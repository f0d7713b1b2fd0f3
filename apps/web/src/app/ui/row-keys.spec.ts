import { InteractivityChecker } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { seesAll } from '../../../testing/sees-all';
import { RowKeys } from './row-keys';

@Component({
  selector: 'pk-rows',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RowKeys],
  template: `
    <ul pkRowKeys>
      <li><a href="#a">A</a><button id="a">Remove A</button></li>
      <li>nothing to press</li>
      <li><a href="#b">B</a><button id="b" disabled>Remove B</button></li>
      <li><a href="#c">C</a><button id="c">Remove C</button><textarea id="note"></textarea></li>
    </ul>
  `,
})
class Rows {}

/** Presses a key where the focus is. @returns what has the focus then */
function press(key: string, held: KeyboardEventInit = {}): string {
  const at = document.activeElement!;
  at.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...held }));
  return document.activeElement!.id || document.activeElement!.textContent;
}

test('arrow keys lead to the same thing in the next row, past rows in which there is nothing, and no further than the ends', () => {
  TestBed.configureTestingModule({ providers: [{ provide: InteractivityChecker, useValue: seesAll }] });
  const { nativeElement } = TestBed.createComponent(Rows);
  document.body.append(nativeElement as HTMLElement);
  (nativeElement as HTMLElement).querySelector<HTMLElement>('#a')!.focus();
  // There is only one thing in the row of B that can have the focus.
  expect(press('ArrowDown')).toBe('B');
  expect(press('ArrowDown')).toBe('C');
  expect(press('ArrowDown')).toBe('C');
  expect(press('ArrowUp', { altKey: true })).toBe('C');
  expect(press('ArrowUp')).toBe('B');
  expect(press('ArrowUp')).toBe('A');
  expect(press('ArrowUp')).toBe('A');
  (nativeElement as HTMLElement).querySelector<HTMLElement>('#note')!.focus();
  expect(press('ArrowUp')).toBe('note');
});
