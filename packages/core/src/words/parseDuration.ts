/**
 * Reads a length of time as a teacher types it: `90`, `90 s`, `1:30`, `1:05:00`, `2 min`, `1.5 min`,
 * `1 h`. A plain number is seconds. Null when it is none of these.
 * @example parseDuration('1.5 min') // 90
 */
export function parseDuration(text: string): number | null {
  const trimmed = text.trim().toLowerCase().replace(',', '.');
  const clock = /^(?:(\d+):)?(\d{1,3}):([0-5]\d)(?: *(?:min|h))?$/.exec(trimmed);
  if (clock !== null) {
    const [, hours = '0', minutes = '0', seconds = '0'] = clock;
    return Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds);
  }
  const plain = /^(\d+(?:\.\d+)?) *(s|sec|seconds?|m|min|minutes?|h|hours?)?$/.exec(trimmed);
  if (plain === null) return null;
  const unit = plain[2]?.[0] ?? 's';
  return Number(plain[1]) * ({ s: 1, m: 60, h: 3600 }[unit] ?? 1);
}
