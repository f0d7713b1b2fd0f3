import type { InteractivityChecker } from '@angular/cdk/a11y';

const STOPS = 'a[href], button, input, select, textarea, summary, [tabindex]';

/** What the Tab key comes to within an element, in its order. */
export const stopsIn = (within: Element, checker: InteractivityChecker): HTMLElement[] =>
  [...within.querySelectorAll<HTMLElement>(STOPS)].filter((stop) => {
    // The checker does not know that the heading of a fold takes the focus.
    const takesFocus = stop.matches('summary') ? checker.isVisible(stop) : checker.isFocusable(stop);
    return takesFocus && checker.isTabbable(stop) && stop.closest('[inert]') === null;
  });
