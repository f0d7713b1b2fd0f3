/** Writes days in one way, free of everything that the first page would have to wait for. */
export const written = (options: Intl.DateTimeFormatOptions): ((day: string) => string) => {
  const format = new Intl.DateTimeFormat('en-GB', options);
  return (day) => {
    const [year, month, date] = day.split('-').map(Number);
    return format
      .formatToParts(new Date(year!, month! - 1, date))
      .filter((part) => part.type !== 'literal')
      .map((part) => part.value)
      .join(' ');
  };
};

/** A day in full: `Thursday 12 March`. */
export const fullDay = written({ weekday: 'long', day: 'numeric', month: 'long' });
