import { newChain, type Chain, type Piece } from '../chain/chain';

/** @param way steps ahead, steps to the right, and the turn at its end, degrees to the right */
const piece = (
  id: string,
  name: string,
  seconds: number,
  side: Piece['side'] = 'both',
  way: readonly [ahead: number, right: number, turnDeg: number] | null = null,
): Piece => ({
  id,
  name,
  seconds,
  side,
  exerciseId: null,
  travel: way === null ? null : { ahead: way[0], right: way[1], turnDeg: way[2] },
});

/** The term's sequence of the demo hall: made up, as are its names. It ends where it began. */
export const demoChain: Chain = {
  ...newChain('demo-chain', 'The pond sequence'),
  note: 'Tuesday beginners. One piece a week, until the review says otherwise.',
  nextLesson: 5,
  pieces: [
    piece('p1', 'Opening at the pond', 20),
    piece('p2', 'Part the reeds', 35, 'left', [2, 0, -90]),
    piece('p3', 'The heron lifts', 25, 'right'),
    piece('p4', 'Brush the water', 40, 'left', [2, 0, -90]),
    piece('p5', 'Carry the bowl', 30, 'right', [1, 0, 0]),
    piece('p6', 'Cloud over the hill', 45, 'left', [0, -3, 0]),
    piece('p7', 'Look into the well', 25),
    piece('p8', 'Step round the stone', 40, 'right', [2, 0, -90]),
    piece('p9', 'Gather the mist', 30, 'left', [-1, -1, 0]),
    piece('p10', 'Lower the lantern', 20),
    piece('p11', 'Turn to the moon', 35, 'left', [0, 0, -90]),
    piece('p12', 'Close the gate', 20),
  ],
};
