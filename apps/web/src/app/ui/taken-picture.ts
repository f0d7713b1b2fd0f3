import { LONGEST_PICTURE, PICTURE_EDGE } from '@pomek/core';

/** A picture as it is kept. */
export interface TakenPicture {
  readonly data: string;
  /** Px. */
  readonly width: number;
  readonly height: number;
  /** Where in a film it was taken, s; null of a picture. */
  readonly atSeconds: number | null;
}

/** The best quality comes first; what is still too large is kept a little coarser. */
const qualities = [0.88, 0.75, 0.6];

/**
 * What a camera, a film or a file shows, as a picture to keep: its longer edge 1600 px at most, as a JPEG.
 * @throws Error in words where the browser cannot make one
 */
export function takenPicture(
  source: CanvasImageSource,
  width: number,
  height: number,
  atSeconds: number | null = null,
): TakenPicture {
  const scale = Math.min(1, PICTURE_EDGE / Math.max(width, height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(width * scale));
  canvas.height = Math.max(1, Math.round(height * scale));
  const context = canvas.getContext('2d');
  if (context === null) throw new Error('This browser cannot draw pictures.');
  context.drawImage(source, 0, 0, canvas.width, canvas.height);
  for (const quality of qualities) {
    const data = canvas.toDataURL('image/jpeg', quality);
    if (data.length <= LONGEST_PICTURE) return { data, width: canvas.width, height: canvas.height, atSeconds };
  }
  throw new Error('The picture is too large to be saved.');
}

/** A file longer than this is no picture, bytes. */
const LARGEST = 80 * 1024 * 1024;

/**
 * The picture in a file.
 * @throws Error in words for what is none, is damaged or too large
 */
export async function pictureInFile(file: File): Promise<TakenPicture> {
  if (file.size === 0) throw new Error(`${file.name} is empty.`);
  if (file.size > LARGEST) throw new Error(`${file.name} is too large to be a picture.`);
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new Error(`${file.name} is damaged, or no picture that this browser can open.`);
  }
  try {
    return takenPicture(bitmap, bitmap.width, bitmap.height);
  } finally {
    bitmap.close();
  }
}
