export { MOST_LAID, layParts, type LayAsk, type LayPart } from './candidates';
export * from './exchange';
export { layName } from './layWords';
export { layOut, type LayNames, type Proposal } from './layOut';
export * from './wish';
