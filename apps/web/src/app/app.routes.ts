import type { Routes } from '@angular/router';
import { Today } from './today/today';

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'today' },
  { path: 'today', title: 'Today – Pomek', component: Today },
  {
    path: 'exercises',
    title: 'Exercises – Pomek',
    loadComponent: async () => (await import('./exercises/exercises')).Exercises,
  },
  {
    path: 'exercises/:id',
    title: 'Exercises – Pomek',
    loadComponent: async () => (await import('./exercises/exercises')).Exercises,
  },
  {
    path: 'exercises/:id/edit',
    title: 'Edit an exercise – Pomek',
    loadComponent: async () => (await import('./exercises/exercise-editor')).ExerciseEditor,
  },
  {
    path: 'routines',
    title: 'Routines – Pomek',
    loadComponent: async () => (await import('./routines/routines')).Routines,
  },
  {
    path: 'routines/lay-out',
    title: 'Lay one out – Pomek',
    loadComponent: async () => (await import('./routines/lay-out')).LayOut,
  },
  {
    path: 'routines/chains/:id',
    title: 'Chain – Pomek',
    loadComponent: async () => (await import('./routines/chain-page')).ChainPage,
  },
  {
    path: 'routines/chains/:chainId/give',
    title: 'Give – Pomek',
    loadComponent: async () => (await import('./give/give-page')).GivePage,
  },
  {
    path: 'routines/:routineId/give',
    title: 'Give – Pomek',
    loadComponent: async () => (await import('./give/give-page')).GivePage,
  },
  {
    path: 'routines/:id',
    title: 'Routine – Pomek',
    loadComponent: async () => (await import('./routines/routine-editor')).RoutineEditor,
  },
  {
    path: 'students',
    title: 'Students – Pomek',
    loadComponent: async () => (await import('./students/students')).Students,
  },
  {
    path: 'students/season',
    title: 'The season – Pomek',
    loadComponent: async () => (await import('./students/season-page')).SeasonPage,
  },
  {
    path: 'students/:id',
    title: 'Student – Pomek',
    loadComponent: async () => (await import('./students/student-file')).StudentFile,
  },
  {
    path: 'students/:id/film/:stillId/followed',
    title: 'Followed through a film – Pomek',
    loadComponent: async () => (await import('./film/film-page')).FilmPage,
  },
  {
    path: 'students/:id/film/:stillId/beside',
    title: 'Two films in step – Pomek',
    loadComponent: async () => (await import('./film/films-beside')).FilmsBeside,
  },
  {
    path: 'students/:id/film/:stillId',
    title: 'Seen on film – Pomek',
    loadComponent: async () => (await import('./film/still-page')).StillPage,
  },
  {
    path: 'classes',
    title: 'Classes – Pomek',
    loadComponent: async () => (await import('./classes/classes')).Classes,
  },
  {
    path: 'classes/:id',
    title: 'Class – Pomek',
    loadComponent: async () => (await import('./classes/class-page')).ClassPage,
  },
  {
    path: 'practise',
    title: 'Practise – Pomek',
    loadComponent: async () => (await import('./practise/practise-start')).PractiseStart,
  },
  {
    path: 'practise/:journalId',
    title: 'Practising – Pomek',
    data: { fullScreen: true },
    loadComponent: async () => (await import('./practise/conductor')).Conductor,
  },
  { path: 'files', title: 'Files – Pomek', loadComponent: async () => (await import('./files/files')).Files },
  {
    path: 'sources',
    title: 'Sources – Pomek',
    loadComponent: async () => (await import('./sources/sources-page')).SourcesPage,
  },
  {
    path: 'ten-minutes',
    title: 'Pomek in ten minutes',
    loadComponent: async () => (await import('./tour/ten-minutes')).TenMinutes,
  },
  { path: '**', title: 'Not here – Pomek', loadComponent: async () => (await import('./shell/not-here')).NotHere },
];
