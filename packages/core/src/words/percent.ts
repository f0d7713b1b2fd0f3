/**
 * A share as whole percent, in words.
 * @example percent(0.7) // '70 %'
 */
export const percent = (share: number): string => `${Math.round(share * 100)} %`;
