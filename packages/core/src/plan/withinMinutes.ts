import { topDose } from './machine/judge';
import { byGoalDay, type SeasonStrand } from './season/seasonProblem';
import { doseOf } from './steps';

/** Room for rounding, min. */
const TINY = 1e-6;

const present = ({ state, ladder }: SeasonStrand): number => (state.open ? doseOf(state.level, ladder) : 0);

/**
 * Which goals fit into a session together, settled before they are planned: as many as can be, of equally many those whose
 * days are nearer; what is left goes to the others in the order of their days. So nobody waits for minutes that will never
 * come, and tomorrow's answer is today's: what rises only takes what was given to it.
 * @param base minutes that no strand asks for
 * @param limit minutes a session may have; null without limit
 */
export function withinMinutes(
  strands: readonly SeasonStrand[],
  base: () => number,
  limit: number | null,
): readonly SeasonStrand[] {
  if (limit === null) return strands;
  const tops = strands.map((strand) => Math.max(present(strand), topDose(strand.ladder)));
  const order = byGoalDay(strands);
  const most = limit + TINY;
  const rest = base();
  const minutes = (doses: readonly number[]): number =>
    doses.reduce((sum, dose, index) => sum + dose * strands[index]!.minutesPerUnit, rest);
  let doses = strands.map(present);
  if (minutes(tops) <= most) return strands;
  let best = 0;
  for (let set = 1; set < 2 ** strands.length; set += 1) {
    // The nearest day is the highest bit, so that of equally many goals the nearer come first.
    const given = order.filter((_, at) => Math.floor(set / 2 ** (order.length - 1 - at)) % 2 === 1);
    const tried = strands.map((strand, index) => (given.includes(index) ? tops[index]! : present(strand)));
    if (given.length < best || minutes(tried) > most) continue;
    best = given.length;
    doses = tried;
  }
  for (const index of order) {
    const { minutesPerUnit, ladder } = strands[index]!;
    if (minutesPerUnit <= 0) continue;
    const room = doses[index]! + Math.max(0, most - minutes(doses)) / minutesPerUnit;
    const dose = Math.max(doses[index]!, Math.min(tops[index]!, Math.floor(room / ladder.step + 1e-6) * ladder.step));
    doses = doses.with(index, dose);
  }
  return strands.map((strand, index) =>
    strand.minutesPerUnit <= 0 || doses[index]! >= tops[index]!
      ? strand
      : {
          ...strand,
          ladder: { ...strand.ladder, most: Math.max(doses[index]!, strand.ladder.step), mostBy: 'minutes' },
        },
  );
}
