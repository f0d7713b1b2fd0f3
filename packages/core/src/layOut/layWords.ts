import type { Routine } from '../routine/routine';
import { upperFirst } from '../words/firstLetter';
import { listed } from '../words/listed';
import type { Candidate, LayAsk } from './candidates';
import { HARD, SOFT } from './sequence';
import type { Terms } from './terms';
import { layWishWords, type LayWish } from './wish';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** What a routine that is laid out is called: `20 min: silk-reeling and quiet`. */
export function layName(seconds: number, wishes: readonly LayWish[]): string {
  const words = listed(wishes.map((wish) => layWishWords[wish]));
  return `${Math.round(seconds / 60)} min${words === '' ? '' : `: ${words}`}`;
}

/** How much of the middle is what was wished for. */
function wished(row: readonly Candidate[], { wishes }: LayAsk): string[] {
  if (wishes.length === 0) return [];
  const middle = row.filter(({ part }) => part === 'middle');
  const whole = middle.reduce((sum, { extent }) => sum + extent.seconds, 0);
  const given = middle.reduce(
    (sum, { extent, answers }) => sum + (wishes.some((wish) => answers.has(wish)) ? extent.seconds : 0),
    0,
  );
  const share = whole === 0 ? 0 : given / whole;
  const words = listed(wishes.map((wish) => layWishWords[wish]));
  return [share > 0.99 ? `all of the middle is ${words}` : `${percent(share)} of the middle is ${words}`];
}

function goalsIn(row: readonly Candidate[], { goals }: Terms): string[] {
  if (goals.size === 0) return [];
  const many = row.filter(({ exercise }) => goals.has(exercise.id)).length;
  return [
    many === goals.size ? 'all goals of the plan are in it' : `${many} of ${goals.size} goals of the plan are in it`,
  ];
}

function correctedIn(row: readonly Candidate[], { corrected }: Terms): string[] {
  const names = row.filter(({ exercise }) => corrected.has(exercise.id)).map(({ exercise }) => exercise.name);
  const [first, second, ...others] = names;
  if (first === undefined) return [];
  const more = others.length === 0 ? [] : [`${others.length} more`];
  return [
    `what is being corrected is trained in ${listed([first, ...(second === undefined ? [] : [second]), ...more])}`,
  ];
}

function againIn(row: readonly Candidate[], { lately, alike }: Terms): string[] {
  if (lately.size === 0) return [];
  const again = row.filter(({ exercise }) => lately.has(exercise.id)).length;
  if (alike) return [`${again} of ${row.length} exercises are those of last time`];
  return [
    again === 0
      ? 'nothing of the last two is in it'
      : `${row.length - again} of ${row.length} exercises are new since the last two`,
  ];
}

/** What a routine is for, in a sentence: `All of the middle is standing; 2 of 3 goals of the plan are in it.` */
export function whyOf(row: readonly Candidate[], ask: LayAsk, terms: Terms): string {
  const said = [...wished(row, ask), ...goalsIn(row, terms), ...correctedIn(row, terms), ...againIn(row, terms)];
  return `${upperFirst(said.length === 0 ? 'loosening, a little of everything that follows from it, and a closing' : said.join('; '))}.`;
}

/** Why an exercise stands where it does. */
function reasonOf(row: readonly Candidate[], at: number, { doses, corrected, wishes }: LayAsk): string {
  const { exercise, part, answers, effort } = row[at]!;
  if (doses.has(exercise.id)) return 'A goal of the plan, at its dose.';
  if (corrected.has(exercise.id)) return 'Something is being corrected in it.';
  const prepared = row.slice(at + 1).find((later) => later.exercise.prerequisites.includes(exercise.id));
  if (prepared !== undefined) return `Prepares ${prepared.exercise.name}.`;
  if (part === 'loosening') return 'Loosens before the work, from below upwards.';
  if (part === 'closing') return 'Gathers and ends.';
  const before = row[at - 1];
  if (before !== undefined && before.effort >= HARD && effort <= SOFT) return `Soft after ${before.exercise.name}.`;
  const wish = wishes.find((one) => answers.has(one));
  return wish === undefined ? 'Fills the time with something else.' : `For ${layWishWords[wish]}.`;
}

/** Why each segment of a routine that was laid out stands where it does, by its id. */
export function reasonsOf(row: readonly Candidate[], { segments }: Routine, ask: LayAsk): Map<string, string> {
  let at = 0;
  return new Map(
    segments.map(({ id, type }) => {
      if (type !== 'exercise') return [id, `So that legs and arms last through ${row[at]!.exercise.name}.`];
      at += 1;
      return [id, reasonOf(row, at - 1, ask)];
    }),
  );
}
