/**
 * A length of time for reading: `45 s`, `2:30 min`, `1:05:00 h`. Rounds to whole seconds.
 * @example durationWords(150) // '2:30 min'
 */
export function durationWords(seconds: number): string {
  const whole = Math.round(seconds);
  if (whole < 60) return `${whole} s`;
  return `${clock(whole)} ${whole < 3600 ? 'min' : 'h'}`;
}

/**
 * A length of time as a clock: `0:45`, `2:30`, `1:05:00`. Rounds to whole seconds.
 * @example clock(3900) // '1:05:00'
 */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  const hours = Math.floor(whole / 3600);
  const minutes = Math.floor((whole % 3600) / 60);
  const rest = String(whole % 60).padStart(2, '0');
  return hours > 0 ? `${hours}:${String(minutes).padStart(2, '0')}:${rest}` : `${minutes}:${rest}`;
}
