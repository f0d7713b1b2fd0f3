import type { Axis } from './axis';
import { counted } from '../words/counted';
import { durationWords } from '../words/durationWords';

/** What grows, as it is chosen. */
export const axisLabels: Readonly<Record<Axis, string>> = {
  time: 'holding time',
  breaths: 'breaths',
  repetitions: 'repetitions',
  pace: 'seconds each: slower',
  stay: 'hold inside a repetition',
  bend: 'depth of the knees',
  share: 'weight on one leg',
  arms: 'height of the arms',
  width: 'width of the stance',
  length: 'length of the stance',
  stage: 'stage of the exercise',
};

/** The unit in which a value of an axis is typed. */
export const axisUnits: Readonly<Record<Axis, string>> = {
  time: 's',
  breaths: 'breaths',
  repetitions: 'repetitions',
  pace: 's each',
  stay: 's held in each',
  bend: '°',
  share: '%',
  arms: '°',
  width: '× shoulders',
  length: '× foot',
  stage: '',
};

/** A number without the noise of adding tenths. */
const plain = (value: number): string => String(Math.round(value * 100) / 100);

/** A strand's value where there is little room: a time with its unit, everything else without. */
export const shortAxisWords = (value: number, axis: Axis): string =>
  axis === 'time' ? durationWords(value) : plain(value);

/**
 * A strand's value with its unit: `1:30 min`, `12 breaths`, `8 repetitions`, `bend 25°`.
 * @example axisWords(25, 'bend') // 'bend 25°'
 */
export function axisWords(value: number, axis: Axis): string {
  switch (axis) {
    case 'time':
      return durationWords(value);
    case 'breaths':
      return counted(value, 'breath');
    case 'repetitions':
      return counted(value, 'repetition');
    case 'pace':
      return `${plain(value)} s each`;
    case 'stay':
      return `${plain(value)} s held in each`;
    case 'bend':
      return `bend ${plain(value)}°`;
    case 'share':
      return `${plain(value)} % on the leg`;
    case 'arms':
      return `arms at ${plain(value)}°`;
    case 'width':
      return `${plain(value)} × the shoulders`;
    case 'length':
      return `${plain(value)} × the foot`;
    case 'stage':
      return `stage ${plain(value)}`;
  }
}
