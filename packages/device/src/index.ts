export { Awake } from './awake';
export { every } from './every';
export { Ringer } from './ringer';
export { Voice } from './voice';
