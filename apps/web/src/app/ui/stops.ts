import type { InteractivityChecker } from '@angular/cdk/a11y';

const STOPS = 'a[href], button, input, select, textarea, summary, [tabindex]';

/** What the Tab key comes to within an element, in its order. */
export const stopsIn = (within: Element, checker: InteractivityChecker): HTMLElement[] =>
  [...within.querySelectorAll<HTMLElement>(STOPS)].filter(
    (stop) => checker.isTabbable(stop) && checker.isFocusable(stop) && stop.closest('[inert]') === null,
  );
