import type { FigureShape } from './figureBody';

/** What is painted at once: a shape, or all limbs of a side. */
export type LayerPart = Pick<FigureShape, 'part' | 'side' | 'path'>;
export interface FigureLayer {
  readonly body: readonly LayerPart[];
  /** Those parts that have the texture of a side. */
  readonly sided: readonly LayerPart[];
}

/** The shapes of a figure layer by layer, from behind to the front, so that each has one outline around all its parts. */
export const figureLayers = (all: readonly FigureShape[]): FigureLayer[] =>
  [0, 1, 2].map((layer) => {
    const shapes = all.filter((shape) => shape.layer === layer);
    // All limbs of a side are one path: a texture is dear to draw, and limbs are outlined the same way round.
    const limbs = (['left', 'right'] as const).map((side): LayerPart => {
      const own = shapes.filter((shape) => shape.part === 'limb' && shape.side === side);
      return { part: 'limb', side, path: own.map((shape) => shape.path).join('') };
    });
    const body = [...shapes.filter((shape) => shape.part !== 'limb'), ...limbs.filter((limb) => limb.path !== '')];
    return { body, sided: body.filter((part) => part.side !== 'none') };
  });
