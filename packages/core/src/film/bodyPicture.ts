import { zlibSync } from 'fflate';
import { fromUint8Array } from 'js-base64';
import type { FigurePose } from '../figure/pose';
import { crc32 } from '../text/crc32';
import { bodyPalette, bodyPixels } from './bodyPixels';
import type { FilmCamera } from './filmCamera';

function chunk(name: string, data: Uint8Array): Uint8Array {
  const made = new Uint8Array(12 + data.length);
  const view = new DataView(made.buffer);
  view.setUint32(0, data.length);
  for (let at = 0; at < 4; at += 1) made[4 + at] = name.charCodeAt(at);
  made.set(data, 8);
  view.setUint32(8 + data.length, crc32(made.subarray(4, 8 + data.length)));
  return made;
}

/** A picture of one byte a pixel as a PNG (ISO/IEC 15948), its colours in a palette. */
export function palettePng(pixels: Uint8Array, width: number, height: number, colours: Uint8Array): Uint8Array {
  const head = new Uint8Array(13);
  const view = new DataView(head.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  head.set([8, 3, 0, 0, 0], 8);
  const rows = new Uint8Array(height * (width + 1));
  for (let y = 0; y < height; y += 1) rows.set(pixels.subarray(y * width, (y + 1) * width), y * (width + 1) + 1);
  const parts = [
    new Uint8Array([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk('IHDR', head),
    chunk('PLTE', colours),
    chunk('IDAT', zlibSync(rows, { level: 4 })),
    chunk('IEND', new Uint8Array(0)),
  ];
  const made = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    made.set(part, at);
    at += part.length;
  }
  return made;
}

/** A computed figure as a shaded body, filmed by a camera, as a data address of a PNG: made-up people for the demo and the tests. */
export function bodyPicture(pose: FigurePose, camera: FilmCamera, turnDeg = 0): string {
  const png = palettePng(bodyPixels(pose, camera, turnDeg), camera.width, camera.height, bodyPalette());
  return `data:image/png;base64,${fromUint8Array(png)}`;
}
