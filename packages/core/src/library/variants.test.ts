import { dailyLine, variantLines, quickLine, type Dose } from '.';
import { shelf } from '../testing/samples';

const reeling = shelf.get('one-hand-reeling')!;

const times = (amount: number): Dose => ({
  ...reeling.defaultDose,
  amounts: reeling.defaultDose.amounts.map((one) => ({ ...one, amount })),
});

describe('the quick and the long way of an exercise', () => {
  it('are both told to whoever lays it out', () => {
    expect(variantLines(reeling)).toEqual([
      'With little time: four circles each way.',
      'With more time: three minutes a side, sixteen each way, or until you like to change.',
    ]);
    expect(variantLines({ quick: '', long: 'Nine.' })).toEqual(['With more time: nine.']);
    expect(variantLines({ quick: '', long: '' })).toEqual([]);
  });

  it('tell a student the quick way only', () => {
    expect(quickLine(reeling.defaultDose, reeling)).toBe('With little time: four circles each way.');
    expect(quickLine(reeling.defaultDose, { ...reeling, quick: '' })).toBe('');
  });

  it('go along into the day where there is something to do there', () => {
    expect(dailyLine(reeling)).toBe('In the day. Wiping a table: let {turner} turn first and the hand come after.');
    expect(dailyLine({ daily: '' })).toBe('');
  });

  it('leave the quick way out where less than the exercise’s own dose is asked', () => {
    expect(quickLine(times(3), reeling)).toBe('');
    expect(quickLine(times(16), reeling)).not.toBe('');
  });
});
