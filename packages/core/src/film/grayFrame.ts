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
const bells = new Map<number, Float32Array>();
/** The weights along one side; those of the square are their products. */
function bellOf(reach: number): Float32Array {
  const known = bells.get(reach);
  if (known !== undefined) return known;
  const made = Float32Array.from({ length: 2 * reach + 1 }, (_, at) => 0.25 ** ((at - reach) ** 2 / (reach * reach)));
  const sum = made.reduce((total, weight) => total + weight, 0);
  const shared = made.map((weight) => weight / sum);
  bells.set(reach, shared);
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
  const bell = bellOf(reach);
  const side = 2 * reach + 1;
  const share = (at: number): number => bell[Math.floor(at / side)]! * bell[at % side]!;
  let mean = 0;
  let squares = 0;
  for (let at = 0; at < square.length; at += 1) {
    const part = share(at) * square[at]!;
    mean += part;
    squares += part * square[at]!;
  }
  const spread = squares - mean * mean;
  // A standard deviation of less than one step of grey is the camera's own noise.
  if (spread < 1) return null;
  const length = Math.sqrt(spread);
  return { reach, weighed: square.map((value, at) => (share(at) * (value - mean)) / length) };
}

/**
 * How alike a pattern is to what lies around a place, −1 to 1: the zero-mean normalised cross-correlation, weighed.
 * @param around a square of `2 (reach + apart) + 1` of the other frame
 * @returns `2 apart + 1` rows of as many
 */
export function likeness({ weighed, reach }: Pattern, around: Float32Array, apart: number): Float32Array {
  const bell = bellOf(reach);
  const [side, wide, ways] = [2 * reach + 1, 2 * (reach + apart) + 1, 2 * apart + 1];
  // The weights are products, so that means and squares are summed along the rows first, then down the columns.
  const means = new Float64Array(wide * ways);
  const squares = new Float64Array(wide * ways);
  for (let row = 0; row < wide; row += 1) {
    for (let right = 0; right < ways; right += 1) {
      let mean = 0;
      let square = 0;
      for (let at = 0, from = row * wide + right; at < side; at += 1, from += 1) {
        const value = around[from]!;
        const part = bell[at]! * value;
        mean += part;
        square += part * value;
      }
      means[row * ways + right] = mean;
      squares[row * ways + right] = square;
    }
  }
  const found = new Float32Array(ways * ways);
  for (let down = 0; down < ways; down += 1) {
    for (let right = 0; right < ways; right += 1) {
      let mean = 0;
      let square = 0;
      let a = 0;
      let b = 0;
      let c = 0;
      let d = 0;
      for (let row = 0; row < side; row += 1) {
        const along = (down + row) * ways + right;
        mean += bell[row]! * means[along]!;
        square += bell[row]! * squares[along]!;
        // Four sums side by side: none has to wait for the one before.
        let from = (down + row) * wide + right;
        let at = row * side;
        for (const end = at + side - 3; at < end; at += 4, from += 4) {
          a += weighed[at]! * around[from]!;
          b += weighed[at + 1]! * around[from + 1]!;
          c += weighed[at + 2]! * around[from + 2]!;
          d += weighed[at + 3]! * around[from + 3]!;
        }
        for (const end = (row + 1) * side; at < end; at += 1, from += 1) a += weighed[at]! * around[from]!;
      }
      const spread = square - mean * mean;
      found[down * ways + right] = spread < 1 ? 0 : (a + b + c + d) / Math.sqrt(spread);
    }
  }
  return found;
}
