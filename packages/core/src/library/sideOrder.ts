import * as z from 'zod';
import type { Dose } from './dose';

/** In which order the sides of a drill are done. */
export const sideOrders = ['whole', 'alternating', 'each'] as const;
export const SideOrderSchema = z.enum(sideOrders);
export type SideOrder = z.infer<typeof SideOrderSchema>;

/** How an order is said. */
export const sideOrderWords: Readonly<Record<SideOrder, string>> = {
  whole: 'one side whole',
  alternating: 'sides alternating',
  each: 'one each in turn',
};

/** Whether left and right take turns by repetition: where both are asked for, of what is counted and not held. */
export const takesTurns = (dose: Dose, order: SideOrder): boolean =>
  order === 'each' &&
  dose.kind !== 'hold' &&
  (['left', 'right'] as const).every((side) => dose.amounts.some((row) => row.side === side && row.amount > 0));
