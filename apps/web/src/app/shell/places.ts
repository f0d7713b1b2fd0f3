export interface Place {
  readonly path: string;
  readonly name: string;
  readonly icon: string;
}

/** The places of the rail, in the order of the work; only those that are there. */
export const places: readonly Place[] = [
  { path: '/today', name: 'Today', icon: 'pi pi-sun' },
  { path: '/exercises', name: 'Exercises', icon: 'pi pi-book' },
  { path: '/routines', name: 'Routines', icon: 'pi pi-list' },
  { path: '/students', name: 'Students', icon: 'pi pi-users' },
  { path: '/classes', name: 'Classes', icon: 'pi pi-home' },
  { path: '/practise', name: 'Practise', icon: 'pi pi-play' },
  { path: '/files', name: 'Files', icon: 'pi pi-folder' },
];
