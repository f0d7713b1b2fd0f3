import { standardBody, type Body } from '../body/body';
import { cycleMoment } from '../figure/cycleMoment';
import { figurePose } from '../figure/figurePose';
import type { FigurePose } from '../figure/pose';
import { bodyPalette, bodyPixels, emptyHall } from '../film/bodyPixels';
import { filmCamera, marksSeen, type FilmCamera } from '../film/filmCamera';
import type { GrayFrame } from '../film/grayFrame';
import { isSideView, type FilmSpot, type MarkName } from '../film/still';
import { seededRandom } from '../random';
import { softSchool } from '../schools/builtInSchools';
import { settlePosture } from '../schools/conventions';
import type { Exercise } from '../library/exercise';
import { shelf } from './samples';

/** A camera that sees a whole body in few pixels. */
export const smallCamera = (change: Partial<FilmCamera> = {}): FilmCamera =>
  filmCamera({ width: 480, height: 640, focal: 1000, away: 3.5, high: 0.95, ...change });

export interface BodyFilm {
  readonly frames: number;
  readonly pose: (frame: number) => FigurePose;
  readonly truth: (frame: number) => Partial<Record<MarkName, FilmSpot>>;
  readonly gray: (frame: number) => GrayFrame;
}

interface Filmed {
  readonly camera: FilmCamera;
  readonly frames: number;
  readonly pose: (frame: number) => FigurePose;
  /** Steps of grey that each pixel is off by, at most. */
  readonly noise?: number;
  /** Tape on the joints, or not. */
  readonly taped?: boolean;
  readonly turnDeg?: number;
  /** How deep the cloth is folded, a share of its light. */
  readonly folds?: number;
}

/** A body that moves, filmed with known truth. */
export function bodyFilm({
  camera,
  frames,
  pose,
  noise = 4,
  taped = false,
  turnDeg = 0,
  folds = 0.35,
}: Filmed): BodyFilm {
  const hall = emptyHall(camera);
  const colours = bodyPalette();
  const luma = Array.from({ length: colours.length / 3 }, (_, at) =>
    Math.round(0.3 * colours[3 * at]! + 0.59 * colours[3 * at + 1]! + 0.11 * colours[3 * at + 2]!),
  );
  const truth = (frame: number) => marksSeen(camera, pose(frame), turnDeg);
  // One field of noise, begun elsewhere in each frame.
  const random = seededRandom(1);
  const field = Float32Array.from({ length: 1 << 16 }, () => (random() * 2 - 1) * noise);
  const gray = (frame: number): GrayFrame => {
    const pixels = bodyPixels(pose(frame), camera, turnDeg, hall, folds);
    const data = new Uint8ClampedArray(pixels.length);
    for (let at = 0; at < data.length; at += 1) {
      data[at] = luma[pixels[at]!]! + field[(at * 7 + frame * 7919) & 0xffff]!;
    }
    if (taped) {
      for (const { x, y } of Object.values(truth(frame))) {
        for (let dy = -4; dy <= 4; dy += 1) {
          for (let dx = -4; dx <= 4; dx += 1) {
            const at = Math.round(y + dy) * camera.width + Math.round(x + dx);
            const far = Math.hypot(Math.round(x + dx) - x, Math.round(y + dy) - y);
            if (far < 4 && at >= 0 && at < data.length) data[at] = far < 2 ? 20 : 245;
          }
        }
      }
    }
    return { width: camera.width, height: camera.height, data: new Uint8Array(data.buffer) };
  };
  return { frames, pose, truth, gray };
}

/** An exercise, of the shelf where only its id is given, at so many cycles, so many frames to each. */
export function drillFilm(
  of: string | Exercise,
  {
    camera,
    cycles,
    perCycle,
    body = standardBody,
    ...rest
  }: Omit<Filmed, 'frames' | 'pose'> & {
    readonly cycles: number;
    readonly perCycle: number;
    readonly body?: Body;
  },
): BodyFilm {
  const drill = typeof of === 'string' ? shelf.get(of)! : of;
  const square = isSideView(camera.from);
  const working = camera.from === 'left' ? 'left' : 'right';
  const pose = (frame: number): FigurePose => {
    const moment = cycleMoment(drill, softSchool, (frame / perCycle) % 1)!;
    return figurePose(body, settlePosture(drill.posture, softSchool), moment, working, square);
  };
  return bodyFilm({ camera, frames: Math.round(cycles * perCycle) + 1, pose, ...rest });
}
