/** Hands a text or a blob to the browser as a file to keep. */
export function download(name: string, content: string | Blob, type: string): void {
  const address = URL.createObjectURL(typeof content === 'string' ? new Blob([content], { type }) : content);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}

/** A name without what file systems dislike. */
export const fileName = (text: string): string =>
  text
    .trim()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase() || 'pomek';
