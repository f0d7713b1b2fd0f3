import { drawnLines, type Still } from '@pomek/core';

/** The longer edge of a printed picture, px. */
const EDGE = 900;

/**
 * A picture with the lines that are marked on it, as a JPEG.
 * @param data address of the picture
 * @throws Error in words where the browser cannot draw it
 */
export async function stillImage(data: string, still: Still): Promise<string> {
  const image = new Image();
  image.src = data;
  await image.decode();
  const scale = Math.min(1, EDGE / Math.max(still.width, still.height));
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [Math.round(still.width * scale), Math.round(still.height * scale)];
  const pen = canvas.getContext('2d');
  if (pen === null) throw new Error('This browser cannot draw pictures.');
  pen.drawImage(image, 0, 0, canvas.width, canvas.height);
  pen.lineCap = 'round';
  const page = getComputedStyle(document.documentElement);
  const colourOf = (side: 'left' | 'right' | 'both'): string =>
    side === 'both' ? '#fff' : page.getPropertyValue(`--pk-on-film-${side}`);
  const thick = Math.max(canvas.width, canvas.height) / 180;
  for (const { side, from, to } of drawnLines(still.from, still.marks)) {
    const line = (width: number, colour: string, dash: readonly number[]): void => {
      pen.lineWidth = width;
      pen.strokeStyle = colour;
      pen.setLineDash([...dash]);
      pen.beginPath();
      pen.moveTo(from.x * scale, from.y * scale);
      pen.lineTo(to.x * scale, to.y * scale);
      pen.stroke();
    };
    line(2.2 * thick, 'rgb(0 0 0 / 55%)', []);
    line(thick, colourOf(side), side === 'left' ? [4 * thick, 2 * thick] : []);
  }
  return canvas.toDataURL('image/jpeg', 0.85);
}
