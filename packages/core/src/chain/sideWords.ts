/** How a teacher stands before a class. */
export type TeacherView = 'facing' | 'from behind';

/** What to say and to show for a side that the students are to take, as they see it. */
export function sideWords(side: 'both' | 'left' | 'right', view: TeacherView): string {
  if (side === 'both') return 'both sides together';
  const mirror = side === 'left' ? 'right' : 'left';
  return view === 'facing'
    ? `say “your ${side}”, show your own ${mirror}: they see you as a mirror`
    : `say “${side}”, show your own ${side}: they stand behind you`;
}
