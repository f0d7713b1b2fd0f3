import { rad, type Place, type RoomPath, type Spot } from '@pomek/core';

export interface RoomWay {
  readonly path: string;
  /** A small arrow at each place, pointing where one faces. */
  readonly steps: readonly string[];
  readonly outside: boolean;
  readonly label: Spot;
}
export interface RoomLayout {
  readonly width: number;
  readonly height: number;
  readonly margin: number;
  readonly start: Spot;
  readonly ways: readonly RoomWay[];
}

/** Ways that lie on one another are drawn this far apart, px. */
const APART = 3;
const round = (value: number): string => (Math.round(value * 10) / 10).toString();

/** The hall from above, its front at the top, as wide as asked; px. */
export function layoutRoom({ room, pieces }: RoomPath, widthPx: number): RoomLayout {
  const scale = widthPx / room.width;
  const height = room.depth * scale;
  const at = ({ x, y }: Place, shift: number): Spot => ({ x: x * scale + shift, y: height - y * scale + shift });
  const arrow = (place: Place, shift: number): string => {
    const { x, y } = at(place, shift);
    const angle = rad(place.facingDeg);
    const tip = (turn: number, length: number): string =>
      `${round(x + length * Math.sin(angle + turn))} ${round(y - length * Math.cos(angle + turn))}`;
    return `M${tip(0, 6)}L${tip(2.5, 4)}L${tip(-2.5, 4)}Z`;
  };
  return {
    width: widthPx,
    height,
    margin: room.margin * scale,
    start: at({ x: room.width / 2, y: room.depth / 2, facingDeg: 0 }, 0),
    ways: pieces.map((piece, index) => {
      const shift = index * APART;
      const spots = piece.places.map((place) => at(place, shift));
      return {
        path: `M${spots.map(({ x, y }) => `${round(x)} ${round(y)}`).join('L')}`,
        steps: piece.places.slice(1).map((place) => arrow(place, shift)),
        outside: piece.runsOutAt !== null,
        label: { x: spots.at(-1)!.x + 8, y: spots.at(-1)!.y - 6 },
      };
    }),
  };
}
