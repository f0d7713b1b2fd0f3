import { rad, type ChainPath, type Place, type Spot } from '@pomek/core';

export interface FloorStop {
  readonly at: Spot;
  /** Numbers of the pieces that end here: `2–3`, `5, 9`. */
  readonly words: string;
  /** Where the numbers stand. */
  readonly label: Spot;
}
export interface ChainFloor {
  readonly width: number;
  readonly height: number;
  /** The way, and the one to the other side; empty where there is none. */
  readonly way: string;
  readonly other: string;
  /** Which way one faces where a piece ends, as a small arrow. */
  readonly arrows: readonly string[];
  readonly stops: readonly FloorStop[];
  readonly start: Spot;
}

/** No wider than this, so that a way of one step is not drawn as large as a hall, px for a metre. */
const MOST_PER_METRE = 60;
const round = (value: number): string => (Math.round(value * 10) / 10).toString();

/** Numbers in a row as `2–4`, others with commas. */
function numberWords(numbers: readonly number[]): string {
  const runs: number[][] = [];
  for (const number of numbers) {
    const run = runs.at(-1);
    if (run?.at(-1) === number - 1) run.push(number);
    else runs.push([number]);
  }
  return runs.map((run) => (run.length > 1 ? `${run[0]}–${run.at(-1)}` : String(run[0]))).join(', ');
}

const alike = (a: Spot, b: Spot): boolean => Math.hypot(a.x - b.x, a.y - b.y) < 6;

/**
 * The floor of a chain from above, its front at the top, no larger than asked; px.
 * @param most how wide and how high at most
 */
export function layoutChainFloor(
  path: ChainPath,
  most: { readonly width: number; readonly height: number },
): ChainFloor {
  const scale = Math.min(most.width / path.width, most.height / path.depth, MOST_PER_METRE);
  const height = path.depth * scale;
  const at = ({ x, y }: Place): Spot => ({ x: x * scale, y: height - y * scale });
  const arrow = (place: Place): string => {
    const { x, y } = at(place);
    const angle = rad(place.facingDeg);
    const tip = (turn: number, length: number): string =>
      `${round(x + length * Math.sin(angle + turn))} ${round(y - length * Math.cos(angle + turn))}`;
    return `M${tip(0, 13)}L${tip(0.45, 7)}L${tip(-0.45, 7)}Z`;
  };
  const drawn = (places: readonly Place[]): string =>
    places.length < 2 ? '' : `M${places.map((place) => `${round(at(place).x)} ${round(at(place).y)}`).join('L')}`;
  const stops: { at: Spot; numbers: number[] }[] = [];
  path.places.slice(1).forEach((place, index) => {
    const here = at(place);
    const there = stops.find((stop) => alike(stop.at, here));
    if (there === undefined) stops.push({ at: here, numbers: [index + 1] });
    else there.numbers.push(index + 1);
  });
  return {
    width: path.width * scale,
    height,
    way: drawn(path.places),
    other: drawn(path.mirrored),
    arrows: path.places.map(arrow),
    stops: stops.map(({ at: here, numbers }) => ({
      at: here,
      words: numberWords(numbers),
      label: { x: here.x + 9, y: here.y + 15 },
    })),
    start: at(path.places[0]!),
  };
}
