import { strToU8, zipSync } from 'fflate';

/** A file of a folder. */
export interface FileOfFolder {
  /** With its ending. */
  readonly name: string;
  readonly content: string | Uint8Array;
}

/** `name.ending`, `name-2.ending`, …: two people may have one name. */
function ownNames(files: readonly FileOfFolder[]): string[] {
  const taken = new Map<string, number>();
  return files.map(({ name }) => {
    const times = (taken.get(name) ?? 0) + 1;
    taken.set(name, times);
    return times === 1 ? name : name.replace(/(?=\.[^.]*$)|$/, `-${times}`);
  });
}

/** Some files as one ZIP archive; names that are the same twice are told apart by a number. */
export function folder(files: readonly FileOfFolder[]): Uint8Array<ArrayBuffer> {
  const names = ownNames(files);
  const packed = zipSync(
    Object.fromEntries(
      files.map(({ content }, at) => [names[at]!, typeof content === 'string' ? strToU8(content) : content]),
    ),
  );
  return new Uint8Array(packed);
}
