/** A text that goes on inside a sentence. */
export const lowerFirst = (text: string): string => text.slice(0, 1).toLowerCase() + text.slice(1);

/** A text that begins a sentence. */
export const upperFirst = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1);
