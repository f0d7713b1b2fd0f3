/** What a key does, as it is shown. */
export interface KeyWords {
  readonly keys: readonly string[];
  readonly does: string;
}

const everywhere: readonly KeyWords[] = [
  { keys: ['Ctrl', 'K'], does: 'go to a place, a routine, a student or an exercise by name' },
  { keys: ['Ctrl', 'Z'], does: 'undo' },
  { keys: ['Ctrl', 'Shift', 'Z'], does: 'redo' },
  { keys: ['F6'], does: 'the next section of the page; with Shift the previous one' },
  { keys: ['↓'], does: 'in a list: the same thing in the next row; ↑ in the previous one' },
  { keys: ['?'], does: 'this list' },
];
const deciding: readonly KeyWords[] = [{ keys: ['Alt', 'A'], does: 'accept all suggestions except stops' }];
const hall: readonly KeyWords[] = [
  { keys: ['Space'], does: 'begin, pause, go on' },
  { keys: ['→'], does: 'next' },
  { keys: ['←'], does: 'back' },
  { keys: ['T'], does: 'count a repetition' },
  { keys: ['L'], does: 'alignment lost here' },
  { keys: ['O'], does: 'loosen; Space goes on, and the time held still counts' },
  { keys: ['V'], does: 'turn the body round' },
  { keys: ['M'], does: 'bells on or off' },
  { keys: ['S'], does: 'voice on or off' },
  { keys: ['F'], does: 'full screen' },
  { keys: ['Esc'], does: 'end' },
  { keys: ['N'], does: 'in a class: the next person' },
  { keys: ['1'], does: 'in a class: note the first point; 2 to 9 the others' },
  { keys: ['H'], does: 'in a class: it helped' },
  { keys: ['A'], does: 'in a class: again the next time' },
];
const routine: readonly KeyWords[] = [
  { keys: ['←'], does: 'on the thread: the segment before; → the next one' },
  { keys: ['Shift', '→'], does: 'select more' },
  { keys: ['Alt', '→'], does: 'move what is selected later; ← earlier' },
  { keys: ['['], does: 'shorter; ] longer' },
  { keys: ['Enter'], does: 'into the dose; Esc leads back' },
  { keys: ['M'], does: 'mirror' },
  { keys: ['S'], does: 'split' },
  { keys: ['G'], does: 'as a round, and undone again' },
  { keys: ['Ctrl', 'D'], does: 'duplicate; C copies, X cuts, V pastes, A selects all' },
  { keys: ['Delete'], does: 'remove' },
  { keys: ['+'], does: 'zoom in; − out, 0 the whole' },
  { keys: ['Alt', '↑'], does: 'in the list: move the segment up; ↓ down' },
];
const film: readonly KeyWords[] = [
  { keys: ['→'], does: 'move the point by a pixel, with Shift by ten; all arrows do' },
  { keys: ['Enter'], does: 'the next point' },
  { keys: ['Delete'], does: 'remove the mark' },
];

const shelf: readonly KeyWords[] = [
  { keys: ['↓'], does: 'the next exercise; ↑ the previous one, Home the first, End the last' },
];

/** The keys of a place beside those that work everywhere. */
const places: readonly (readonly [RegExp, string, readonly KeyWords[]])[] = [
  [/^\/practise/, 'In the hall', hall],
  [/^\/exercises(\/[^/]+)?$/, 'On the shelf', shelf],
  [/^\/routines\/(?!lay-out|chains)[^/]+$/, 'In a routine', routine],
  [/^\/students\/[^/]+\/film\//, 'On a picture', film],
  [/^\/(today|students\/(?!season)[^/]+)$/, 'Where something is to decide', deciding],
];

/** The lists of keys for an address, the one of the place first. */
export function keysOf(address: string): readonly { readonly title: string; readonly keys: readonly KeyWords[] }[] {
  const path = address.split(/[?#]/)[0]!;
  const own = places.filter(([place]) => place.test(path)).map(([, title, keys]) => ({ title, keys }));
  return [...own, { title: 'Everywhere', keys: everywhere }];
}
