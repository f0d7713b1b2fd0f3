import type { Axis } from '../plan/plan';
import { counted } from './doseWords';
import { durationWords } from './durationWords';

/** A strand's value with its unit: `1:30 min`, `12 breaths`, `8 repetitions`. */
export function axisWords(value: number, axis: Axis): string {
  switch (axis) {
    case 'time':
      return durationWords(value);
    case 'breaths':
      return counted(value, 'breath');
    case 'repetitions':
      return counted(value, 'repetition');
  }
}
