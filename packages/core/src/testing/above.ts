import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** The path of a file of the project, however deep below its root the tests lie. */
export const above = (folder: string, file: string): string =>
  existsSync(join(folder, file)) || folder === dirname(folder) ? join(folder, file) : above(dirname(folder), file);
