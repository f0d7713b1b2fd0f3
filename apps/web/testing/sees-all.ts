/** Stands for the library’s look at what can have the focus: nothing has a size where nothing is laid out. */
export const seesAll = {
  isVisible: (): boolean => true,
  isTabbable: (element: HTMLElement): boolean => element.tabIndex >= 0,
  isFocusable: (element: HTMLElement): boolean => !(element as HTMLButtonElement).disabled,
};
