import { sidedConditions, type Condition } from './conditions';

/** A condition that a caution names in its own words. */
export interface NamedCondition {
  readonly condition: Condition;
  /** The side that is named with it, where one side can have it; null where none or both are. */
  readonly side: 'left' | 'right' | null;
  /** The caution it stands in. */
  readonly words: string;
}

/** How a joint that was replaced is spoken of. */
const replaced =
  /\b(hips?|knees?)( joints?)? (replacements?|prosthes[ie]s)|\b(artificial|new|replaced|prosthetic) (left |right )?(hip|knee)|\b(hip|knee|joint) (that )?(was |has been |is )?replaced|\breplaced joint|\b(THR|TKR)\b/i;

/** How each condition is spoken of in class (common practice); words that are said of it and of nothing else. */
const said: Readonly<Record<Condition, RegExp>> = {
  pregnancy: /\bpregnan\w*|\btrimester\b|\bexpecting( a| her|$)/i,
  'high blood pressure': /\bhypertens\w*|(?<!low )\bblood[- ]pressure\b|\bhigh BP\b/i,
  'heart condition':
    /\bheart\b|\bcardiac\b|\bpacemaker\b|\barrhythmi\w*|\bangina\b|\batrial\b|\bstents?\b|\bbypass\b|\bcoronary\b/i,
  'raised eye pressure': /\bglaucoma\b|\beye[- ]pressure\b|\bpressure (of|in) the eyes?\b|\bretina\w*/i,
  'breathing condition':
    /\basthma\w*|\bCOPD\b|\bemphysema\b|\bbreathless\w*|\bshort(ness)? of breath\b|\bbronch\w*|\blungs?\b/i,
  'knee pain': /\bknees?\b|\bkneecaps?\b|\bmeniscus\b|\bcruciate\b|\bpatell\w*/i,
  'low back pain':
    /\b(low|lower|bad|sore|stiff|weak|painful|aching) back\b|\bback ?(ache|pain|trouble|problems?|injury|surgery|operation)\b|\blumbar\b|\bsciatic\w*|\blumbago\b|\b(slipped|herniated) (disc|disk)\b|\bdis[ck] (prolapse|hernia\w*)/i,
  'shoulder pain': /\bshoulders?\b|\brotator cuff\b/i,
  'poor balance':
    /\b(poor|bad|weak|uncertain|unsure) balance\b|\bbalance (is )?(poor|bad|weak|trouble|problems?)\b|\bunstead\w*|\bhas fallen\b|\bfell\b|\bfalls\b|\bfear of falling\b|\bwalking (stick|frame)\b|\bchair within reach\b/i,
  'dizziness or vertigo':
    /\bdizz\w*|\bvertigo\b|\bgidd\w*|\blight-?headed\w*|\bfaint\w*|\blow blood[- ]pressure\b|\bBPPV\b/i,
  osteoporosis: /\bosteopor\w*|\bosteopen\w*|\b(brittle|weak|thin) bones?\b|\bbone density\b/i,
  'hip or knee joint replaced': replaced,
};

/** A word that denies what follows it, up to the next stop. */
const DENIED = /\b(no|not|never|without|no longer)\b[^.:]*$/i;

const sideIn = (words: string): NamedCondition['side'] => {
  const [left, right] = [/\bleft\b/i.test(words), /\bright\b/i.test(words)];
  return left === right ? null : left ? 'left' : 'right';
};

/** What one part of a caution names; a joint that was replaced is named as that, and not as a pain. */
function inPart(words: string, caution: string): NamedCondition[] {
  return (Object.keys(said) as Condition[]).flatMap((condition): NamedCondition[] => {
    const found = said[condition].exec(words);
    if (found === null || DENIED.test(words.slice(0, found.index))) return [];
    if (condition === 'knee pain' && replaced.test(words)) return [];
    const side = sidedConditions.has(condition) ? sideIn(words) : null;
    return [{ condition, side, words: caution }];
  });
}

/**
 * The conditions that cautions in free words name, each once: what is offered to the teacher to note, and never noted by itself. What is denied
 * (“no knee pain”) is not named.
 * @example namedConditions(['Bad left knee']) // [{ condition: 'knee pain', side: 'left', words: 'Bad left knee' }]
 */
export function namedConditions(cautions: readonly string[]): NamedCondition[] {
  const all = cautions.flatMap((caution) => caution.split(/[;,.]/).flatMap((part) => inPart(part, caution)));
  return all.filter(({ condition }, at) => all.findIndex((one) => one.condition === condition) === at);
}
