import type { Strand } from '../../goals/plan';

/** Since a plateau a goal grows by half as much. */
export const growthShare = ({ halfSteps }: Pick<Strand, 'halfSteps'>): number => (halfSteps === null ? 1 : 0.5);

/** A strand whose raises are whole again, as they were before its plateau; the same one where they are. */
export const withWholeSteps = (strand: Strand): Strand =>
  strand.halfSteps === null ? strand : { ...strand, step: strand.halfSteps.step, halfSteps: null };
