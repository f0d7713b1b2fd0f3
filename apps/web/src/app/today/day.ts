/** The day and what begins with the storage, loaded as one. */
export { begin } from '../data/begin';
export { TodayBoard } from './today-board';
