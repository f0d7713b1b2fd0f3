import { checkRange } from '../words/checkRange';

/** Target readings of two bathroom scales, kg, for a share of the weight on the first. */
export function scaleTargets(mass: number, share: number): { first: number; second: number } {
  checkRange('mass', mass, 20, 300);
  checkRange('share', share, 0, 1);
  return { first: share * mass, second: (1 - share) * mass };
}

/** The share on the first scale from both readings, kg, and how far it is from the wanted one. */
export function shareFromScales(first: number, second: number, wanted: number): { share: number; error: number } {
  checkRange('first', first, 0, 400);
  checkRange('second', second, 0, 400);
  checkRange('first + second', first + second, 1, 400);
  const share = first / (first + second);
  return { share, error: share - wanted };
}
