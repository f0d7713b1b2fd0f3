import { checkRange } from '../words/checkRange';

/** One amount that may be chosen for a block, in whole seconds, and how far from ideal it is. */
export interface FitOption {
  readonly seconds: number;
  readonly cost: number;
}
export interface FitBlock {
  readonly ideal: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly weight: number;
}
export type FitResult =
  | { readonly ok: true; readonly chosen: readonly number[]; readonly total: number; readonly cost: number }
  | { readonly ok: false; readonly overBy: number; readonly reason: string };

/**
 * Chooses one option of every block so that fixed + chosen comes closest to the target without passing
 * it and, among those, with the least cost. Exact: dynamic programming over whole seconds, time
 * O(blocks × target × options), space O(blocks × target).
 * @returns the index of the option for each block
 * @throws RangeError for fractions of a second, or a block without options.
 */
export function fitOptions(blocks: readonly (readonly FitOption[])[], fixed: number, target: number): FitResult {
  checkRange('fixed', fixed, 0, 86_400);
  checkRange('target', target, 0, 86_400);
  blocks.forEach((options, block) => {
    if (options.length === 0) throw new RangeError(`blocks[${block}] has nothing to choose from`);
    for (const { seconds } of options) {
      if (!Number.isInteger(seconds) || seconds < 0)
        throw new RangeError(`blocks[${block}]: ${seconds} is no whole number of seconds`);
    }
  });
  const room = Math.floor(target - fixed + 1e-9);
  const least = blocks.reduce((sum, options) => sum + Math.min(...options.map((option) => option.seconds)), 0);
  if (least > room) {
    const overBy = least - room;
    return {
      ok: false,
      overBy,
      reason: `The least of every part and the fixed parts are ${overBy} s more than there are.`,
    };
  }
  // The best option of each block for every sum of seconds that can be reached with the blocks up to it.
  const layers: Int32Array[] = [];
  let costs = new Float64Array(room + 1).fill(Infinity);
  costs[0] = 0;
  for (const options of blocks) {
    const layer = new Int32Array(room + 1).fill(-1);
    const next = new Float64Array(room + 1).fill(Infinity);
    for (let from = 0; from <= room; from += 1) {
      const before = costs[from]!;
      if (before === Infinity) continue;
      for (let index = 0; index < options.length; index += 1) {
        const to = from + options[index]!.seconds;
        const cost = before + options[index]!.cost;
        if (to > room || cost >= next[to]!) continue;
        next[to] = cost;
        layer[to] = index;
      }
    }
    layers.push(layer);
    costs = next;
  }
  const end = costs.findLastIndex((cost) => cost < Infinity);
  const chosen: number[] = [];
  let at = end;
  for (let block = blocks.length - 1; block >= 0; block -= 1) {
    const option = layers[block]![at]!;
    chosen.unshift(option);
    at -= blocks[block]![option]!.seconds;
  }
  return { ok: true, chosen, total: fixed + end, cost: costs[end]! };
}

/** The amounts of a block: min, min + step, … up to max, with cost weight·((x − ideal)/ideal)². */
export function amountOptions(block: FitBlock): FitOption[] {
  checkRange('step', block.step, 1, 86_400);
  checkRange('ideal', block.ideal, 1, 86_400);
  checkRange('min', block.min, 0, block.max);
  const count = Math.floor((block.max - block.min) / block.step + 1e-9) + 1;
  return Array.from({ length: count }, (_, index) => {
    const seconds = block.min + index * block.step;
    return { seconds, cost: block.weight * ((seconds - block.ideal) / block.ideal) ** 2 };
  });
}

/** {@link fitOptions} for blocks of amounts; `chosen` are seconds (sources: Fit to the time). */
export function fitAmounts(blocks: readonly FitBlock[], fixed: number, target: number): FitResult {
  const options = blocks.map(amountOptions);
  const result = fitOptions(options, fixed, target);
  if (!result.ok) return result;
  return { ...result, chosen: result.chosen.map((option, block) => options[block]![option]!.seconds) };
}
