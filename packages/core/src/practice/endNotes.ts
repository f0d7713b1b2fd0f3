import type { LogLine, PracticeLog } from './log';

/** What is said of a pain: how strong, of 10, and where. */
export type PainSaid = Pick<PracticeLog, 'pain' | 'painPlace' | 'painWhere'>;

/** What is asked of a body after a practice: pain and where, what shook, what hands found of the stand, and signs to stop for. */
export type BodySaid = PainSaid & Pick<PracticeLog, 'symptoms' | 'shook' | 'hands'>;

/** What was asked at the end of a practice. */
export type EndNotes = BodySaid &
  Pick<PracticeLog, 'effort' | 'note'> & {
    /** One exercise that was harder, or easier, than the rest. */
    readonly apart: { readonly segmentId: string; readonly effort: number | null } | null;
    /** What gave out in the holds that fell short. */
    readonly gaveOut: readonly { readonly segmentId: string; readonly by: LogLine['gaveOut'] }[];
    /** How firm hands or steps felt, where it was asked, 0–10. */
    readonly felt: readonly { readonly segmentId: string; readonly level: number | null }[];
  };

/** What is kept of it: where it hurt is forgotten where it does not hurt any more. */
export const painKept = ({ pain, painPlace, painWhere }: PainSaid): PainSaid =>
  pain !== null && pain > 0
    ? { pain, painPlace, painWhere: painWhere.trim() }
    : { pain, painPlace: null, painWhere: '' };
