import type { Direction } from './dose';
import type { Exercise, Phase } from './exercise';

const turned = { in: 'out', out: 'in', free: 'free' } as const;

/**
 * The parts of a cycle in the order in which they are done, with the words of that direction. A reversed circle is the same
 * run backwards: its parts come from the last to the first, what was breathed in is breathed out.
 */
export function cycleParts({ phases }: Pick<Exercise, 'phases'>, direction: Direction): readonly Phase[] {
  if (direction !== 'reversed') return phases;
  return phases.toReversed().map((phase) => ({
    ...phase,
    name: phase.reversed === '' ? phase.name : phase.reversed,
    call: phase.callReversed === '' ? phase.call : phase.callReversed,
    breath: turned[phase.breath],
  }));
}
