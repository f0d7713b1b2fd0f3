/** Conditions a teacher may note, from a short list; what each rules out or replaces. */
export const conditions = [
  'pregnancy',
  'high blood pressure',
  'heart condition',
  'raised eye pressure',
  'breathing condition',
  'knee pain',
  'low back pain',
  'shoulder pain',
  'poor balance',
  'dizziness or vertigo',
  'osteoporosis',
  'hip or knee joint replaced',
] as const;
export type Condition = (typeof conditions)[number];

const noHeldBreath: ReadonlySet<Condition> = new Set([
  'pregnancy',
  'high blood pressure',
  'heart condition',
  'raised eye pressure',
  'breathing condition',
]);

/** The first condition that forbids a held breath without medical advice; null when none does. */
export const forbidsHeldBreath = (noted: readonly Condition[]): Condition | null =>
  noted.find((condition) => noHeldBreath.has(condition)) ?? null;
