import type { BreathPattern } from '../breath/breathPattern';
import type { Dose } from './dose';
import type { Exercise, Phase } from './exercise';

const number = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

/** Whether a drill has parts, at the end of one of which it may stay. */
export const canStay = ({ phases }: Pick<Exercise, 'phases'>): boolean => phases.length > 0;

/**
 * At the end of which part a drill stays, from 0: the one that was chosen, else where the knees are bent most, else the first
 * breath out, else the first part.
 */
export function staysAfter({ phases }: Pick<Exercise, 'phases'>, chosen: number | null): number {
  if (chosen !== null && chosen < phases.length) return chosen;
  const bends = phases.map(({ end }) => end?.bendDeg ?? 0);
  const most = Math.max(...bends);
  if (most > Math.min(...bends)) return bends.indexOf(most);
  return Math.max(
    0,
    phases.findIndex(({ breath }) => breath === 'out'),
  );
}

/**
 * The drill as a dose asks for it: where each repetition stays for some seconds, the stay is a part of its own at the end of the
 * part it belongs to, and the others keep their seconds. The breath goes on through a stay no longer than that part;
 * through a longer one it is free.
 * @returns the exercise itself where the dose asks for no stay
 */
export function stayingDrill<E extends Exercise>(exercise: E, dose: Dose): E {
  if (dose.kind === 'breath') return breathedDrill(exercise, dose.pattern);
  if (dose.kind !== 'cycle' || dose.staySeconds === 0 || !canStay(exercise)) return exercise;
  const { cycleSeconds, staySeconds } = dose;
  const whole = cycleSeconds + staySeconds;
  const after = staysAfter(exercise, dose.stayAfter);
  const words = `Stay for ${number.format(staySeconds)} s`;
  const phases = exercise.phases.flatMap((part, index): Phase[] => {
    const moving = { ...part, share: (part.share * cycleSeconds) / whole };
    if (index !== after) return [moving];
    const breath = staySeconds <= part.share * cycleSeconds ? part.breath : 'free';
    return [
      moving,
      {
        ...part,
        name: words,
        reversed: words,
        call: 'Stay',
        callReversed: '',
        breath,
        heldBreaths: 0,
        via: [],
        share: staySeconds / whole,
      },
    ];
  });
  return { ...exercise, phases };
}

/**
 * A drill whose parts go with the breath as a pattern paces it: what goes with the breath in takes as long as it, what goes with the breath
 * out as long as that, and in the pauses it stays. One whose parts do not go in and then out keeps their shares.
 */
function breathedDrill<E extends Exercise>(exercise: E, pattern: BreathPattern): E {
  const { phases } = exercise;
  const out = phases.findIndex(({ breath }) => breath === 'out');
  const inThenOut = phases.every(({ breath }, at) => breath === (at < out ? 'in' : 'out'));
  if (out < 1 || !inThenOut) return exercise;
  const { inSeconds, fullPauseSeconds, outSeconds, emptyPauseSeconds } = pattern;
  const whole = inSeconds + fullPauseSeconds + outSeconds + emptyPauseSeconds;
  const paced = (parts: readonly Phase[], seconds: number, pause: number): Phase[] => {
    const all = parts.reduce((sum, { share }) => sum + share, 0);
    const moving = parts.map((part) => ({ ...part, share: (part.share / all) * (seconds / whole) }));
    const last = parts.at(-1)!;
    return pause === 0 ? moving : [...moving, { ...last, call: '', callReversed: '', via: [], share: pause / whole }];
  };
  const breathed = [
    ...paced(phases.slice(0, out), inSeconds, fullPauseSeconds),
    ...paced(phases.slice(out), outSeconds, emptyPauseSeconds),
  ];
  return { ...exercise, phases: breathed };
}
