import { InteractivityChecker } from '@angular/cdk/a11y';
import { inject, Injectable } from '@angular/core';
import { stopsIn } from '../ui/stops';

/** What begins a section of a page. */
const SECTIONS =
  'section, aside, article, form, nav, figure, fieldset, legend, h1, h2, h3, [role=region], [role=group]:is([aria-label], [aria-labelledby]):not(p-selectbutton)';

/** Goes from section to section of a page, so that nothing is far by keys. */
@Injectable({ providedIn: 'root' })
export class SectionKeys {
  private readonly checker = inject(InteractivityChecker);

  /**
   * The first thing that can have the focus in each section, in their order; a heading stands for what follows it.
   * @param page what holds the sections
   */
  starts(page: HTMLElement): HTMLElement[] {
    const stops = stopsIn(page, this.checker);
    const starts = new Set<HTMLElement>();
    for (const section of page.querySelectorAll(SECTIONS)) {
      if (!this.checker.isVisible(section as HTMLElement)) continue;
      const isHeading = /^(H\d|LEGEND)$/.test(section.tagName);
      const first = stops.find((stop) => section.contains(stop) || (isHeading && follows(stop, section)));
      if (first !== undefined) starts.add(first);
    }
    return stops.filter((stop) => starts.has(stop));
  }

  /** Where the next section begins, or the one before; from the last one it goes on at the first. */
  next(page: HTMLElement, from: Element | null, back: boolean): HTMLElement | null {
    const starts = this.starts(page);
    const isIn = from !== null && page !== from && page.contains(from);
    if (!isIn) return (back ? starts.at(-1) : starts[0]) ?? null;
    const next = back ? starts.findLast((start) => follows(from, start)) : starts.find((start) => follows(start, from));
    return next ?? (back ? starts.at(-1) : starts[0]) ?? null;
  }
}

/** Whether something comes after something else on the page, and not in it. */
const follows = (one: Node, other: Node): boolean =>
  (other.compareDocumentPosition(one) & (Node.DOCUMENT_POSITION_FOLLOWING | Node.DOCUMENT_POSITION_CONTAINED_BY)) ===
  Node.DOCUMENT_POSITION_FOLLOWING;
