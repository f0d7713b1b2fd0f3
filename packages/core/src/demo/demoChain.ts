import { newChain, type Chain, type Piece } from '../chain/chain';

const piece = (id: string, name: string, seconds: number, side: Piece['side'] = 'both'): Piece => ({
  id,
  name,
  seconds,
  side,
  exerciseId: null,
});

/** The term's sequence of the demo hall: made up, as are its names. */
export const demoChain: Chain = {
  ...newChain('demo-chain', 'The pond sequence'),
  note: 'Tuesday beginners. One piece a week, until the review says otherwise.',
  nextLesson: 5,
  pieces: [
    piece('p1', 'Opening at the pond', 20),
    piece('p2', 'Part the reeds', 35, 'left'),
    piece('p3', 'The heron lifts', 25, 'right'),
    piece('p4', 'Brush the water', 40, 'left'),
    piece('p5', 'Carry the bowl', 30, 'right'),
    piece('p6', 'Cloud over the hill', 45, 'left'),
    piece('p7', 'Look into the well', 25),
    piece('p8', 'Step round the stone', 40, 'right'),
    piece('p9', 'Gather the mist', 30, 'left'),
    piece('p10', 'Lower the lantern', 20),
    piece('p11', 'Turn to the moon', 35, 'left'),
    piece('p12', 'Close the gate', 20),
  ],
};
