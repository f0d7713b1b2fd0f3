/**
 * Stands for the library’s look at what can have the focus: nothing has a size where nothing is laid out.
 * Like the library it does not take the heading of a fold for something that can have the focus.
 */
export const seesAll = {
  isVisible: (): boolean => true,
  isTabbable: (element: HTMLElement): boolean => element.matches('summary') || element.tabIndex >= 0,
  isFocusable: (element: HTMLElement): boolean =>
    !(element as HTMLButtonElement).disabled && !element.matches('summary'),
};
