import type { FigureView } from './figureBody';
import type { FigureLayout } from './figureLayout';

/** A round on the figure, px. */
export interface BellyShape {
  readonly x: number;
  readonly y: number;
  readonly rx: number;
  readonly ry: number;
}

/**
 * The breath in the body: a soft round in the lower belly that widens; from the side it swells forward, from elsewhere to both
 * sides.
 * @param wide how wide the belly is with the breath, 0–1
 * @param size how tall the body stands in the drawing, px
 */
export function bellyShape(
  { pins }: Pick<FigureLayout, 'pins'>,
  view: FigureView,
  wide: number,
  size: number,
): BellyShape {
  const at = pins.find(({ region }) => region === 'breath')!;
  const aside = view === 'side';
  const [deep, high] = aside ? [0.055, 0.035] : [0.05, 0.05];
  return {
    x: at.x - (aside ? 0.028 * size : 0),
    y: at.y,
    rx: size * (0.022 + deep * wide),
    ry: size * (0.03 + high * wide),
  };
}
