/** A frame of a film in grey: one byte a pixel, row by row from the left upper corner. */
export interface GrayFrame {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/**
 * A frame in grey, by the luma of Rec. ITU-R BT.601.
 * @param rgba four bytes a pixel, as a canvas gives them
 */
export function grayFrame(rgba: ArrayLike<number>, width: number, height: number): GrayFrame {
  const data = new Uint8Array(width * height);
  for (let at = 0, from = 0; at < data.length; at += 1, from += 4) {
    data[at] = (77 * rgba[from]! + 150 * rgba[from + 1]! + 29 * rgba[from + 2]!) >> 8;
  }
  return { width, height, data };
}

/** Half as wide and half as high, each pixel the mean of four. */
function halved({ width, height, data }: GrayFrame): GrayFrame {
  const [w, h] = [width >> 1, height >> 1];
  const half = new Uint8Array(w * h);
  for (let y = 0; y < h; y += 1) {
    let from = 2 * y * width;
    for (let x = 0; x < w; x += 1, from += 2) {
      half[y * w + x] = (data[from]! + data[from + 1]! + data[from + width]! + data[from + width + 1]! + 2) >> 2;
    }
  }
  return { width: w, height: h, data: half };
}

/** A frame and the same again and again half as large, the largest first. */
export type Pyramid = readonly GrayFrame[];

/**
 * The three sizes in which points are sought.
 * @param first how often the frame is halved before the largest
 */
export function pyramidOf(frame: GrayFrame, first: number): Pyramid {
  let level = frame;
  for (let time = 0; time < first; time += 1) level = halved(level);
  const next = halved(level);
  return [level, next, halved(next)];
}

/**
 * A square of a frame about a point, between its pixels by their distances; beyond the frame its edge goes on.
 * @param reach px to each side, so that the square is `2 reach + 1` wide
 */
export function squareOf({ width, height, data }: GrayFrame, x: number, y: number, reach: number): Float32Array {
  const side = 2 * reach + 1;
  const square = new Float32Array(side * side);
  const [left, top] = [Math.floor(x) - reach, Math.floor(y) - reach];
  const [fx, fy] = [x - Math.floor(x), y - Math.floor(y)];
  const [a, b, c, d] = [(1 - fx) * (1 - fy), fx * (1 - fy), (1 - fx) * fy, fx * fy];
  const inside = left >= 0 && top >= 0 && left + side < width && top + side < height;
  for (let row = 0; row < side; row += 1) {
    if (inside) {
      let from = (top + row) * width + left;
      for (let column = 0; column < side; column += 1, from += 1) {
        square[row * side + column] =
          a * data[from]! + b * data[from + 1]! + c * data[from + width]! + d * data[from + width + 1]!;
      }
      continue;
    }
    const upper = Math.max(0, Math.min(height - 1, top + row)) * width;
    const lower = Math.max(0, Math.min(height - 1, top + row + 1)) * width;
    for (let column = 0; column < side; column += 1) {
      const here = Math.max(0, Math.min(width - 1, left + column));
      const next = Math.max(0, Math.min(width - 1, left + column + 1));
      square[row * side + column] =
        a * data[upper + here]! + b * data[upper + next]! + c * data[lower + here]! + d * data[lower + next]!;
    }
  }
  return square;
}

/** The middle of a square counts most: a bell that has fallen to a quarter at its edge, its sum one. House value. */
const weights = new Map<number, Float32Array>();
function weightsOf(reach: number): Float32Array {
  const known = weights.get(reach);
  if (known !== undefined) return known;
  const side = 2 * reach + 1;
  const made = Float32Array.from({ length: side * side }, (_, at) => {
    const [down, right] = [Math.floor(at / side) - reach, (at % side) - reach];
    return 0.25 ** ((down * down + right * right) / (reach * reach));
  });
  const sum = made.reduce((total, weight) => total + weight, 0);
  const shared = made.map((weight) => weight / sum);
  weights.set(reach, shared);
  return shared;
}

/** What is to be found again: a square that {@link likeness} looks for. */
export interface Pattern {
  readonly reach: number;
  /** The square brought to a mean of nought and a length of one, each pixel by its weight. */
  readonly weighed: Float32Array;
}

/** The pattern of a square; null where it is of one grey, which is found everywhere. */
export function patternOf(square: Float32Array, reach: number): Pattern | null {
  const share = weightsOf(reach);
  let mean = 0;
  let squares = 0;
  for (let at = 0; at < square.length; at += 1) {
    mean += share[at]! * square[at]!;
    squares += share[at]! * square[at]! * square[at]!;
  }
  const spread = squares - mean * mean;
  // A standard deviation of less than one step of grey is the camera's own noise.
  if (spread < 1) return null;
  const length = Math.sqrt(spread);
  return { reach, weighed: square.map((value, at) => (share[at]! * (value - mean)) / length) };
}

/**
 * How alike a pattern is to what lies around a place, −1 to 1: the zero-mean normalised cross-correlation, weighed.
 * @param around a square of `2 (reach + apart) + 1` of the other frame
 * @returns `2 apart + 1` rows of as many
 */
export function likeness({ weighed, reach }: Pattern, around: Float32Array, apart: number): Float32Array {
  const share = weightsOf(reach);
  const [side, wide, ways] = [2 * reach + 1, 2 * (reach + apart) + 1, 2 * apart + 1];
  const found = new Float32Array(ways * ways);
  for (let down = 0; down < ways; down += 1) {
    for (let right = 0; right < ways; right += 1) {
      let mean = 0;
      let squares = 0;
      let cross = 0;
      for (let row = 0; row < side; row += 1) {
        let from = (down + row) * wide + right;
        for (let at = row * side, end = at + side; at < end; at += 1, from += 1) {
          const value = around[from]!;
          const part = share[at]! * value;
          mean += part;
          squares += part * value;
          cross += weighed[at]! * value;
        }
      }
      const spread = squares - mean * mean;
      found[down * ways + right] = spread < 1 ? 0 : cross / Math.sqrt(spread);
    }
  }
  return found;
}
