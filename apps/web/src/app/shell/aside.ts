/** What opens over a page, loaded as one when the first of it is wanted. */
export { SchoolDrawer } from '../schools/school-drawer';
export { CommandPalette } from './command-palette';
export { KeysList } from './keys-list';
export { NoticesView } from './notices-view';
