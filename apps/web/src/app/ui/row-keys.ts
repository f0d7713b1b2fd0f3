import { InteractivityChecker } from '@angular/cdk/a11y';
import { Directive, ElementRef, inject } from '@angular/core';
import { stopsIn } from './stops';

/** What uses the arrow keys itself. */
const USES_ARROWS =
  'textarea, select, [role=combobox], [role=spinbutton], [role=slider], input:is([type=number], [type=range], [type=radio])';

/** Rows of which each has several things to press: the arrow keys lead to the same thing in the next row or the one before. */
@Directive({ selector: '[pkRowKeys]', host: { '(keydown)': 'press($event)' } })
export class RowKeys {
  private readonly checker = inject(InteractivityChecker);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected press(event: KeyboardEvent): void {
    const { key, target } = event;
    if ((key !== 'ArrowDown' && key !== 'ArrowUp') || event.defaultPrevented || !(target instanceof HTMLElement))
      return;
    if (event.altKey || event.ctrlKey || event.metaKey || event.shiftKey || target.closest(USES_ARROWS) !== null)
      return;
    const rows = [...this.element.children]
      .map((row) => stopsIn(row, this.checker))
      .filter((stops) => stops.length > 0);
    const at = rows.findIndex((stops) => stops.includes(target));
    const next = rows[at + (key === 'ArrowDown' ? 1 : -1)];
    if (at === -1 || next === undefined) return;
    event.preventDefault();
    const place = rows[at]!.indexOf(target);
    (next[place] ?? next.at(-1)!).focus();
  }
}
