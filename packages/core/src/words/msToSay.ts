/** What a voice needs to say a line, ms: a breath, and some fourteen letters a second (from memory). */
export const msToSay = (text: string): number => (text === '' ? 0 : 400 + text.length * 70);
