/** Conditions a teacher may note, from a short list; what each rules out stands in `conditionLimits`. */
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

/** Those that one side of the body can have alone. */
export const sidedConditions: ReadonlySet<Condition> = new Set<Condition>([
  'knee pain',
  'shoulder pain',
  'hip or knee joint replaced',
]);
