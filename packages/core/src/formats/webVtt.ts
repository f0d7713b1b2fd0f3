/** Words that stand for some time. */
export interface TimedWords {
  readonly fromMs: number;
  readonly toMs: number;
  readonly lines: readonly string[];
}

const two = (value: number): string => String(value).padStart(2, '0');

function time(ms: number): string {
  const seconds = Math.floor(ms / 1000);
  const [hours, minutes] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60];
  return `${two(hours)}:${two(minutes)}:${two(seconds % 60)}.${String(Math.round(ms % 1000)).padStart(3, '0')}`;
}

const escaped = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/\s+/g, ' ').trim();

/** Words with their times as a WebVTT text (W3C, “WebVTT: The Web Video Text Tracks Format”); what stands for no time is left out. */
export function webVtt(words: readonly TimedWords[]): string {
  const cues = words
    .map(({ fromMs, toMs, lines }) => ({ fromMs, toMs, text: lines.map(escaped).filter((line) => line !== '') }))
    .filter(({ fromMs, toMs, text }) => toMs > fromMs && text.length > 0)
    .map(({ fromMs, toMs, text }) => `${time(fromMs)} --> ${time(toMs)}\n${text.join('\n')}\n`);
  return ['WEBVTT\n', ...cues].join('\n');
}
