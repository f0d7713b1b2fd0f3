export { Awake } from './awake';
export { Ringer } from './ringer';
export { Voice } from './voice';
