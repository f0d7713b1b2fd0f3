import * as z from 'zod';
import { cleanLine, cleanNote } from './cleanText';

/** One line of text from outside: cleaned, then at most `most` characters long. */
export const lineText = (most: number) => z.string().overwrite(cleanLine).max(most);

/** A name: a line that is not empty; `missing` is said when it is. */
export const nameText = (most: number, missing: string) => z.string().overwrite(cleanLine).min(1, missing).max(most);

/** Text of several lines from outside: cleaned, then at most `most` characters long. */
export const noteText = (most: number) => z.string().overwrite(cleanNote).max(most);
