/** Marks that turn the direction of what follows them: what is read would not be what is there. */
const TURNING = /[\u202a-\u202e\u2066-\u2069]/g;

const CONTROLS = /[\u0000-\u001f\u007f-\u009f\u2028\u2029]+/g;

const CONTROLS_OF_NOTES = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f]+/g;
const LONE_SURROGATES = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

/**
 * A name or a label as one line: line breaks and other control characters become a space, marks that
 * turn the direction of writing go, and so do spaces at both ends.
 * @example cleanLine(' Nela\r\nBrisk ') // 'Nela Brisk'
 */
export const cleanLine = (text: string): string =>
  text.replace(CONTROLS, ' ').replace(TURNING, '').replace(LONE_SURROGATES, '\ufffd').trim();

/**
 * A note of several lines: line breaks of any kind become `\n`, tabs stay, all other control
 * characters go.
 * @example cleanNote('a\r\nb\u0007') // 'a\nb'
 */
export const cleanNote = (text: string): string =>
  text
    .replace(/\r\n?|\u2028|\u2029/g, '\n')
    .replace(CONTROLS_OF_NOTES, '')
    .replace(TURNING, '')
    .replace(LONE_SURROGATES, '\ufffd');
