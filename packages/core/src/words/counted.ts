const number = new Intl.NumberFormat('en', { maximumFractionDigits: 2 });
const plurals = new Intl.PluralRules('en');

/** A count with its noun, by the plural rules of the platform: `1 hold`, `3 holds`, `1,200 practices`. */
export const counted = (amount: number, singular: string, plural = `${singular}s`): string =>
  `${number.format(amount)} ${plurals.select(amount) === 'one' ? singular : plural}`;
