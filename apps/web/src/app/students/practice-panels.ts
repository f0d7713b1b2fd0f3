/** The panels of a student's practices that come when they are looked at, loaded as one. */
export { FilmPanel } from './film-panel';
export { LoadPanel } from './load-panel';
