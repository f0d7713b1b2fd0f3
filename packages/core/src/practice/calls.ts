import * as z from 'zod';
import { repetitionsTotal } from '../library/repetitions';
import { wayWords } from '../library/wayWords';
import { lineText } from '../text/textSchema';
import { upperFirst } from '../words/firstLetter';
import { msToSay } from '../words/msToSay';
import type { Routine } from '../routine/routine';
import type { Span, Timeline } from '../routine/timeline';

const words = lineText(120);
/** What is said aloud while a practice is conducted; `{name}` and `{side}` stand for the exercise and its side and direction. */
export const CallWordsSchema = z.object({
  takeUp: words,
  change: words,
  three: words,
  last: words,
  rest: words,
  end: words,
});
export type CallWords = z.infer<typeof CallWordsSchema>;

/** As they are until the teacher changes them. */
export const usualCalls: CallWords = {
  takeUp: 'Get ready: {name}. {side}',
  change: 'Change. {side}',
  three: 'Three more',
  last: 'The last one',
  rest: 'Rest',
  end: 'Done',
};

/** Something to be said at a moment of a practice. */
export interface Call {
  readonly spanIndex: number;
  /** From the beginning of the span, ms. */
  readonly offsetMs: number;
  readonly text: string;
}

/** The last ones are called where there are at least so many. House value. */
const WORTH_CALLING = 6;
const THREE = 3;

const sideOf = ({ side, direction }: Pick<Span, 'side' | 'direction'>): string =>
  // Forward is what one expects.
  wayWords({ side, direction: direction === 'forward' ? 'none' : direction }, ', ');

function filled(template: string, name: string, side: string): string {
  // After a full stop the side begins a sentence.
  const sentence = template.replaceAll('. {side}', `. ${upperFirst(side)}`);
  const text = sentence.replaceAll('{name}', name).replaceAll('{side}', side);
  // Where there is no side, nothing is left of its place.
  return text
    .replace(/[\s.,:;]+$/, '')
    .replace(/\s{2,}/g, ' ')
    .trim();
}

/** When so many repetitions of a span are done, ms from its beginning. */
export const msOfDone = ({ durationMs, slowing, amount }: Span, wanted: number): number =>
  Math.round((durationMs * repetitionsTotal(1, slowing, wanted)) / repetitionsTotal(1, slowing, amount));

/** The calls of the last repetitions of a span; where sides take turns, of the last turns. */
function lastOnes(span: Span, { three, last }: CallWords): { offsetMs: number; template: string }[] {
  if (span.byCue || (span.kind !== 'cycle' && span.kind !== 'breath')) return [];
  const inTurns = span.turns > 1;
  const all = inTurns ? span.turns : span.amount;
  if (all < WORTH_CALLING) return [];
  if (inTurns) {
    if (span.turn === all) return [{ offsetMs: 0, template: last }];
    return span.turn === all - THREE + 1 ? [{ offsetMs: 0, template: three }] : [];
  }
  return [
    { offsetMs: msOfDone(span, all - THREE), template: three },
    { offsetMs: msOfDone(span, all - 1), template: last },
  ];
}

type Said = Omit<Call, 'spanIndex'>;
/** The call of a part of a repetition. */
interface PartCall extends Said {
  /** It is said before anything else is said in its part, and cues wait for it. */
  readonly leads: boolean;
}

/** How long it takes to say a line, ms. */
type SaidFor = (text: string) => number;

/** Whether something can be said without talking into anything else. */
const hasRoom = ({ offsetMs, text }: Said, others: readonly Said[], saidFor: SaidFor): boolean =>
  others.every(
    (other) => other.offsetMs + saidFor(other.text) <= offsetMs || other.offsetMs >= offsetMs + saidFor(text),
  );

/** Something to be said while another thing is: it waits for its end. */
const afterOthers = (said: Said, others: readonly Said[], saidFor: SaidFor): Said => {
  const on = others.find(({ offsetMs, text }) => offsetMs <= said.offsetMs && said.offsetMs < offsetMs + saidFor(text));
  return on === undefined ? said : { ...said, offsetMs: on.offsetMs + saidFor(on.text) };
};

/** Something that would be said into other things, one after the other: it waits until there is room. */
export const betweenOthers = (said: Said, others: readonly Said[], saidFor: SaidFor): Said =>
  others.reduce((at, other) => {
    const end = other.offsetMs + saidFor(other.text);
    return other.offsetMs < at.offsetMs + saidFor(at.text) && at.offsetMs < end ? { ...at, offsetMs: end } : at;
  }, said);

/**
 * Everything that is called in a practice, in order: what is taken up and on which side, changes, the last ones, rests, the end;
 * the cues that can be said before something else is, and the parts for which there is room between.
 * @param nameOf the name of a segment, as it is called
 * @param cuesOf the cues of a span, in their order; what is told while an exercise is taken up
 * @param partsOf the parts of the repetitions of a span that are to be called, in their order
 * @param saidFor how long it takes to say a line, ms
 */
export function calls(
  routine: Routine,
  line: Timeline,
  words: CallWords,
  nameOf: (segment: Routine['segments'][number]) => string,
  cuesOf: (span: Span) => readonly Said[] = () => [],
  partsOf: (span: Span) => readonly PartCall[] = () => [],
  saidFor: SaidFor = msToSay,
): Call[] {
  const all = line.spans.flatMap((span): Call[] => {
    const segment = routine.segments[span.segmentIndex]!;
    const name = nameOf(segment);
    const call = (offsetMs: number, template: string): Call => ({
      spanIndex: span.index,
      offsetMs,
      text: filled(template, name, sideOf(span)),
    });
    switch (span.kind) {
      case 'settle': {
        const first = call(0, words.takeUp);
        const more = cuesOf(span).map((said) => ({ ...afterOthers(said, [first], saidFor), spanIndex: span.index }));
        return [first, ...more.filter(({ offsetMs, text }) => offsetMs + saidFor(text) <= span.durationMs)];
      }
      case 'change':
        return [call(0, words.change)];
      case 'talk':
        return [{ spanIndex: span.index, offsetMs: 0, text: name }];
      case 'rest':
        return [call(0, segment.type === 'rest' && segment.label !== '' ? segment.label : words.rest)];
      default: {
        const own = lastOnes(span, words).map(({ offsetMs, template }) => call(offsetMs, template));
        const end = span.byCue ? Infinity : span.durationMs;
        const parts = partsOf(span);
        const leading = parts.filter((part) => part.leads && hasRoom(part, own, saidFor));
        const cues = cuesOf(span)
          .map((cue) => betweenOthers(afterOthers(cue, own, saidFor), leading, saidFor))
          .filter((cue) => cue.offsetMs + saidFor(cue.text) <= end && hasRoom(cue, [...own, ...leading], saidFor));
        const said = [...cues, ...own, ...leading];
        const others = parts.filter((part) => !part.leads && hasRoom(part, said, saidFor));
        const all = [...said, ...others].map(({ offsetMs, text }) => ({ offsetMs, text }));
        return all.map((one) => ({ ...one, spanIndex: span.index })).toSorted((a, b) => a.offsetMs - b.offsetMs);
      }
    }
  });
  return [...all, { spanIndex: line.spans.length, offsetMs: 0, text: filled(words.end, routine.name, '') }].filter(
    ({ text }) => text !== '',
  );
}

interface At {
  readonly spanIndex: number;
  readonly offsetMs: number;
}
const isAfter = (call: At, at: At): boolean =>
  call.spanIndex > at.spanIndex || (call.spanIndex === at.spanIndex && call.offsetMs > at.offsetMs);

/**
 * What is to be said now: of the calls between a moment ago and now the last one, and only of the span that is on: what was
 * skipped is not called after.
 * @param before where the practice was; null at its beginning
 */
export function callNow(all: readonly Call[], before: At | null, now: At): string | null {
  const due = all.filter(
    (call) => call.spanIndex === now.spanIndex && !isAfter(call, now) && (before === null || isAfter(call, before)),
  );
  return due.at(-1)?.text ?? null;
}
