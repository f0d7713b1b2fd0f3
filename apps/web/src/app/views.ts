/**
 * The views a teacher goes to and fro between, loaded as one: in files of their own they would share so much that
 * the first of them asked for some eighty small files, one after the other.
 */
export { ChainPage } from './routines/chain-page';
export { ClassPage } from './classes/class-page';
export { Classes } from './classes/classes';
export { Conductor } from './practise/conductor';
export { ExerciseEditor } from './exercises/exercise-editor';
export { Exercises } from './exercises/exercises';
export { Files } from './files/files';
export { FilmPage } from './film/film-page';
export { FilmsBeside } from './film/films-beside';
export { GivePage } from './give/give-page';
export { LayOut } from './routines/lay-out';
export { PractiseStart } from './practise/practise-start';
export { RoutineEditor } from './routines/routine-editor';
export { Routines } from './routines/routines';
export { SeasonPage } from './students/season-page';
export { SourcesPage } from './sources/sources-page';
export { StillPage } from './film/still-page';
export { StudentFile } from './students/student-file';
export { Students } from './students/students';
export { TenMinutes } from './tour/ten-minutes';
