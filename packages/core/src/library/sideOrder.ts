import * as z from 'zod';

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
