/**
 * Refuses a number outside its bounds.
 * @throws RangeError that names the argument and its bounds.
 */
export function checkRange(name: string, value: number, least: number, most: number): void {
  if (!(value >= least && value <= most)) {
    throw new RangeError(`${name} must be between ${least} and ${most}; it is ${value}`);
  }
}
