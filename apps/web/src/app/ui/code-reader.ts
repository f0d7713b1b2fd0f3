/** A picture wider or higher than this is read smaller, px. */
const LARGEST = 1600;

/** The text of the code in a picture; null where there is none to be read. The reader is loaded only when it is needed. */
export async function codeIn(picture: CanvasImageSource, width: number, height: number): Promise<string | null> {
  const { default: read } = await import('jsqr');
  const scale = Math.min(1, LARGEST / Math.max(width, height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(width * scale));
  canvas.height = Math.max(1, Math.round(height * scale));
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(picture, 0, 0, canvas.width, canvas.height);
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  return read(data, canvas.width, canvas.height)?.data ?? null;
}

/** The text of the code in a file of a picture; null where there is none to be read. */
export async function codeInFile(file: Blob): Promise<string | null> {
  const picture = await createImageBitmap(file);
  try {
    return await codeIn(picture, picture.width, picture.height);
  } finally {
    picture.close();
  }
}
