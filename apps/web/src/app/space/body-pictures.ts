import type { FarDrawing, FigurePose, FigureView, FilmFrom, FormPart } from '@pomek/core';
import { firstValueFrom, type Observable } from 'rxjs';
import { aslant, day, paper, type Extent } from '@pomek/space';

/** Draws a body from one side; a data address of a JPEG. */
export type DrawBody = (pose: FigurePose, view: FigureView, extent: Extent) => string;

/** Drawn so many times finer and made smaller, so that no edge is jagged. */
const FINER = 1.5;
/** What is left around it on paper, m. */
const PAPER_MARGIN = 0.02;
/** How little of it is lost, 0–1. */
const FINE = 0.93;

/**
 * A place beside the page where bodies are drawn for paper.
 * @param form the surface of the body, as it is made
 * @param size of a picture, px
 * @returns null where nothing can be drawn in space: then outlines do
 */
export async function bodyPictures(
  form: Observable<readonly FormPart[]>,
  size: { readonly width: number; readonly height: number },
): Promise<{ readonly draw: DrawBody; readonly end: () => void } | null> {
  const parts = await firstValueFrom(form).catch(() => null);
  if (parts === null) return null;
  const { BodyScene } = await import('@pomek/space/scene');
  const [canvas, small] = [document.createElement('canvas'), document.createElement('canvas')];
  const flat = small.getContext('2d');
  if (flat === null) return null;
  small.width = size.width;
  small.height = size.height;
  let scene: InstanceType<typeof BodyScene>;
  try {
    scene = new BodyScene(canvas);
  } catch {
    return null;
  }
  const finer = FINER / Math.min(devicePixelRatio, 2);
  scene.resize(Math.round(size.width * finer), Math.round(size.height * finer));
  scene.dress(paper);
  let worn = false;
  return {
    draw: (pose, view, extent) => {
      if (!worn) scene.wear(parts, pose);
      worn = true;
      scene.stand(pose);
      scene.draw(aslant[view], { ...extent, margin: PAPER_MARGIN }, true);
      flat.fillStyle = '#ffffff';
      flat.fillRect(0, 0, size.width, size.height);
      flat.imageSmoothingQuality = 'high';
      flat.drawImage(canvas, 0, 0, size.width, size.height);
      return small.toDataURL('image/jpeg', FINE);
    },
    end: () => {
      scene.dispose();
    },
  };
}

/** What is seen of the body to either side and from the floor up, m, and how many px a metre is. */
const ALONE = { wide: 2.6, high: 2.5, below: 0.15, pxPerMetre: 320 } as const;
const rounds: Readonly<Record<FilmFrom, number>> = { front: 0, right: 90, behind: 180, left: -90 };

/** A body alone on nothing, as it is seen from far away: a data address of a PNG; null where nothing can be drawn in space. */
export async function bodyAlone(
  parts: readonly FormPart[],
  pose: FigurePose,
  from: FilmFrom,
): Promise<(FarDrawing & { readonly image: string }) | null> {
  const { BodyScene } = await import('@pomek/space/scene');
  const canvas = document.createElement('canvas');
  const { wide, high, below, pxPerMetre } = ALONE;
  const [width, height] = [Math.round(wide * pxPerMetre), Math.round((high + below) * pxPerMetre)];
  let scene: InstanceType<typeof BodyScene>;
  try {
    scene = new BodyScene(canvas);
  } catch {
    return null;
  }
  const finer = 1 / Math.min(devicePixelRatio, 2);
  scene.resize(Math.round(width * finer), Math.round(height * finer));
  scene.dress(day);
  scene.wear(parts, pose);
  scene.stand(pose);
  scene.drawAlone(rounds[from], (high + below) / 2, (high - below) / 2);
  const image = canvas.toDataURL('image/png');
  scene.dispose();
  return { image, width, height, pxPerMetre, middleM: (high - below) / 2 };
}
