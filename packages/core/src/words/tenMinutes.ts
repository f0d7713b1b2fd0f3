/** One part of the tour for teachers. */
export interface TourPart {
  readonly title: string;
  /** What it is for. */
  readonly what: string;
  /** What one does, in order. */
  readonly steps: readonly string[];
  /** A picture of the demo, by the name of its file in docs/screenshots, and what it shows. */
  readonly picture: string;
  readonly shows: string;
  /** Where in the application it is. */
  readonly path: string;
}

/** Pomek for a teacher who sees it for the first time; the page in the application and docs/ten-minutes.md are made from it. */
export const tenMinutes: readonly TourPart[] = [
  {
    title: 'Today',
    what: 'Open it before the first student comes: who practises, what waits for a decision and why, the next class, what came in from home.',
    steps: [
      'Press Decide beside a name. You read the reason and how the last practice felt, and accept, change or put off each suggestion.',
      'Changed your mind? Undo at the bottom of the side bar, or Ctrl+Z, takes back one step after the other.',
      'Press Practise beside a name to go to the hall with what that person does today.',
    ],
    picture: 'today',
    shows: 'Today: who practises, what is to decide, and the next class with the days to come.',
    path: '/today',
  },
  {
    title: 'A routine',
    what: 'Exercises in their order, with holds, repetitions, breaths and rests. Time runs from left to right; below it runs what is left of the strength.',
    steps: [
      'Lay one out: say how long, for whom and what for. You get three routines that last exactly that long, each with its reasons. Take one, and exchange what you like less.',
      'Or build it: press an exercise on the shelf to add it, and a segment to set its dose.',
      'Under Findings stands what is wrong, for instance uneven sides or no warm-up. One press mends it, or ignores it.',
      'Fit brings it to the minutes you have and leaves alone what you mark.',
    ],
    picture: 'routine',
    shows: 'A routine as a thread of time, with its segments, its findings and the strength left.',
    path: '/routines',
  },
  {
    title: 'A student and a plan',
    what: 'A plan is a routine with goals: what is to grow, how far, and by when. Pomek works out the weeks in between.',
    steps: [
      'Note what you know of the body: age, conditions, an old knee. What somebody should not do is left out or done another way, and it says so.',
      'Choose a routine and one goal, for example Holding the tree from one minute to three by the end of May.',
      'The terraces show the weeks to come and what was really done. Each week says what limits it.',
    ],
    picture: 'terraces',
    shows: 'The weeks of a goal as terraces, with what was done laid over them.',
    path: '/students',
  },
  {
    title: 'What it suggests, and who decides',
    what: 'After a practice Pomek suggests one of four things. It never changes a dose by itself.',
    steps: [
      'Raise: done in full, with effort and alignment as they should be. Stay: not yet. Ease: too hard, too little done, or away for a while.',
      'Stop and refer: pain from 4 of 10, chest pain, faintness, numbness or anything new. The exercise is locked until you unlock it, with your reason. Refer to licensed practice.',
      'Your own judgement goes first: change any dose, give your reason if you like, and it is remembered.',
    ],
    picture: 'student',
    shows: 'The file of a student: the decision due with its reasons, beside the weeks of the plan.',
    path: '/students',
  },
  {
    title: 'The hall',
    what: 'The routine is conducted in large type: what now, how long, which side, what comes next, with bells and a voice where the device has one.',
    steps: [
      'Space begins and pauses, the arrows go on and back. On a phone or tablet there are buttons.',
      'A tap counts a repetition; one press notes that the alignment was lost, another that you loosen and begin again.',
      'At the end come effort, pain and a note. That takes ten seconds, and the suggestions of the next day rest on it.',
    ],
    picture: 'conductor-hall',
    shows: 'The hall: the body doing the exercise, the count, the side and what comes next.',
    path: '/practise',
  },
  {
    title: 'A class',
    what: 'One clock for all, and each person does what is right for him or her. A round of corrections is fitted to the hold.',
    steps: [
      'Make a class with its weekday, room and routine; paste the names of its people.',
      'In the hall, press who is here. Whom to correct next stands in front: safety points first, then who has waited longest.',
      'Press the point you correct, then “helped” or “again”. Next week it is remembered.',
    ],
    picture: 'class-hall',
    shows: 'A class in the hall: everybody who is here, who is next, and the points to press.',
    path: '/classes',
  },
  {
    title: 'Taken home',
    what: 'Give a student one file that opens on any phone, without installing anything and without a network: it conducts, asks how it felt and keeps its log.',
    steps: [
      'In the file of a student, under Give, choose the sheet, a page to pin up, pages to learn from or the calendar, and look at it first.',
      'The student sends the log back as a file, as a line of text, or holds the phone in front of your camera.',
      'What came in stands on Today, and nothing is counted twice.',
    ],
    picture: 'sheet',
    shows: 'The sheet on a phone.',
    path: '/students',
  },
  {
    title: 'Your data',
    what: 'Everything stays in this browser, on this machine. Nothing is sent anywhere.',
    steps: [
      'Under Files, choose a folder into which copies go by themselves, or export everything now and then and keep the file in another place.',
      'On another machine, import the file: you see what is in it before anything is written.',
    ],
    picture: 'files',
    shows: 'Files: export, import and what comes from home.',
    path: '/files',
  },
];

/** The tour as Markdown, for docs/ten-minutes.md. */
export function tenMinutesMarkdown(): string {
  const parts = tenMinutes.map(
    ({ title, what, steps, picture, shows }) =>
      `## ${title}\n\n${what}\n\n${steps.map((step, at) => `${at + 1}. ${step}`).join('\n')}\n\n![${shows}](screenshots/${picture}.png)\n`,
  );
  return `# Pomek in ten minutes\n\nFor a teacher who sees it for the first time. The pictures are of the demo; its people are made up.\n\n${parts.join('\n')}`;
}
