import type { Column, Content, OrderedListElement } from 'pdfmake/interfaces';
import {
  breathCaution,
  drillName,
  cueOrder,
  cycleParts,
  dailyLine,
  durationWords,
  halfWayLine,
  holdParts,
  kneeWords,
  orderWords,
  pointsIn,
  quickLine,
  roundLines,
  segmentDrill,
  segmentWords,
  signLine,
  stopCaution,
  spokenExercise,
  stageLine,
  stageOf,
  stillPose,
  timeline,
  toldPart,
  toldSide,
  upperFirst,
  variantLines,
  type Body,
  type Checkpoint,
  type Exercise,
  type ExerciseSegment,
  type Finding,
  type FootSide,
  type Routine,
  type School,
  type SeenInWork,
  type Segment,
} from '@pomek/core';
import type { DrawBody } from '../space/body-pictures';
import { chainFloorContent, type FloorPrinted } from './chain-floor-print';
import { ALONE, IN_STRIP, picturesOf, printed, type Picture } from './handout-figure';
import type { Paper } from './papers';
import { inks, MM } from './pdf';

export interface HandoutRequest {
  readonly routine: Routine;
  readonly exercises: ReadonlyMap<string, Exercise>;
  readonly school: School;
  readonly body: Body;
  /** Whose it is; empty when nobody's in particular. */
  readonly name: string;
  readonly cautions: readonly string[];
  readonly findings: readonly Finding[];
  readonly version: 'student' | 'teacher';
  /** Checkpoints that are being worked on with this student, by id. */
  readonly corrected: ReadonlySet<string>;
  /** Grows from week to week, so that the cues take turns. */
  readonly turn: number;
  /** What was seen on film of what is being worked on, where it is wanted. */
  readonly seen: readonly SeenPrinted[];
  /** Draws the bodies in space; null where only outlines can be drawn. */
  readonly draw: DrawBody | null;
  /** Lets the page go on between two exercises; throws once nobody waits for the paper any more. */
  readonly pause: () => Promise<void>;
  /** Where the doses come from: `the plan, week of 23 Nov`; empty for the routine's own. */
  readonly dosesOf: string;
  /** The way over the floor, of a lesson of a chain; null where there is none. */
  readonly floor: FloorPrinted | null;
}

/** A picture with its lines, and what it shows. */
export interface SeenPrinted {
  readonly exerciseId: string | null;
  /** Data address of a JPEG. */
  readonly image: string;
  /** `Seen on film on 12 Mar 2026, from the right`. */
  readonly title: string;
  readonly lines: SeenInWork['lines'];
}

/** Cues a student is given of a drill at a time: what can hurt or is being corrected, and others in turn; a teacher gets all. */
const FIRST_CUES = 2;
const OTHER_CUES = 2;
export const DAYS = ['M', 'T', 'W', 'T', 'F', 'S', 'S'] as const;
/** So many stand beside one another. */
const IN_ROW = 4;
/** Between them, mm. */
const GAP = (182 - IN_ROW * IN_STRIP.width) / (IN_ROW - 1);
/** Breadth of a picture, mm. */
const PICTURE = 42;

const small = { fontSize: 9, margin: [0, 1, 0, 1] as [number, number, number, number] };

const numbered = (title: string, list: readonly string[], backwards = false): Content[] =>
  list.length === 0
    ? []
    : [
        { text: title, bold: true, ...small },
        // Told from the last figure to the first, each line has the number of its figure.
        {
          ol: list.map((line, index): OrderedListElement => ({
            text: line,
            counter: backwards ? list.length - index : index + 1,
          })),
          fontSize: 9,
        },
      ];

/** Empty boxes, one a day of the week. */
const boxes = (): Column => ({
  width: DAYS.length * 13,
  stack: [
    {
      columnGap: 0,
      columns: DAYS.map((day) => ({
        width: 13,
        text: day,
        fontSize: 7,
        color: inks.soft,
        alignment: 'center' as const,
      })),
    },
    {
      canvas: DAYS.map((_, day) => ({ type: 'rect' as const, x: day * 13 + 2, y: 1, w: 9, h: 9, lineWidth: 0.8 })),
    },
  ],
});

/** The parts in rows, each with its number, and how one looks at them. */
function strip(pictures: readonly Picture[], seen: string): Content {
  const rows = Array.from({ length: Math.ceil(pictures.length / IN_ROW) }, (_, row) =>
    pictures.slice(row * IN_ROW, (row + 1) * IN_ROW),
  );
  return {
    margin: [0, 2, 0, 2],
    stack: [
      { text: upperFirst(seen), fontSize: 7.5, color: inks.soft },
      ...rows.map((row, nth): Content => ({
        columnGap: GAP * MM,
        columns: row.map((picture, index) => ({
          width: IN_STRIP.width * MM,
          stack: [
            printed(picture, IN_STRIP),
            { text: String(nth * IN_ROW + index + 1), alignment: 'center' as const, fontSize: 9, bold: true },
          ],
        })),
      })),
    ],
  };
}

/** The stages in which a drill is learned, each with the sign that it is there. */
const stagesOf = ({ stages }: Exercise): Content[] =>
  numbered(
    stages.some(({ next }) => next !== '') ? 'Stages: go on when the sign is there' : 'Stages',
    stages.map(stageLine),
  );

/** The points of a drill as it is done, in the order in which their cues are printed. */
export const cuesOf = (
  segment: ExerciseSegment,
  said: Exercise,
  { school, corrected, turn }: Pick<HandoutRequest, 'school' | 'corrected' | 'turn'>,
): Checkpoint[] => cueOrder(pointsIn(said.checkpoints, school, corrected, stageOf(segment, said)), corrected, turn);

/** Columns of fewer letters than this, some ten lines, are not parted. */
const TOGETHER = 1000;
const lettersIn = (content: readonly Content[]): number => JSON.stringify(content).length;

/** What a student needs to do it from the paper alone. */
function studentWords(segment: ExerciseSegment, said: Exercise, request: HandoutRequest, side: FootSide): Content[] {
  const { dose } = segment;
  const directions = new Set(dose.amounts.filter(({ amount }) => amount > 0).map(({ direction }) => direction));
  const told = (direction: 'forward' | 'reversed'): string[] =>
    cycleParts(said, direction).map((part) => toldPart(part, request.school));
  const mirror = said.twoSided ? `, ${side} side; the other is the mirror` : '';
  const parts = directions.has('reversed')
    ? [
        ...(directions.has('forward') ? numbered(`Forward${mirror}`, told('forward')) : []),
        ...numbered(`Reversed${mirror}`, told('reversed'), true),
      ]
    : numbered(`One repetition${mirror}`, told('forward'));
  const attention =
    dose.kind === 'hold'
      ? holdParts(dose, said).map(
          ({ words, share }) => `${words}, ${durationWords(Math.round(share * dose.holdSeconds))}`,
        )
      : [];
  const quick = quickLine(dose, said);
  const ordered = cuesOf(segment, said, request);
  const first = ordered.filter(({ id, safety }) => safety || request.corrected.has(id)).slice(0, FIRST_CUES);
  const cues = [
    ...first,
    ...ordered.filter(({ id, safety }) => !safety && !request.corrected.has(id)).slice(0, OTHER_CUES),
  ];
  const repetition = [...parts, ...numbered('Attention', attention), ...stagesOf(said)];
  return [
    {
      // Two columns that go on overleaf are hard to follow; what is long has to.
      unbreakable: Math.max(lettersIn(said.wayIn), lettersIn(repetition)) < TOGETHER,
      columnGap: 10,
      columns: [
        { width: '*', stack: numbered('The way in', said.wayIn) },
        { width: '*', stack: repetition },
      ].filter(({ stack }) => stack.length > 0),
    },
    // Cues and signs stay together.
    {
      unbreakable: true,
      stack: [
        {
          columnGap: 10,
          margin: [0, 2, 0, 0],
          columns: [
            {
              width: '*',
              stack: cues.map((point): Content => ({
                text: [
                  { text: `${upperFirst(point.region)}: `, bold: true },
                  { text: point.wanted, bold: point.safety || request.corrected.has(point.id) },
                  { text: ` ${point.cue}`, italics: true },
                ],
                ...small,
              })),
            },
            {
              width: '*',
              stack: [
                ...said.signs.right.map((sign): Content => ({ text: signLine('right', sign), ...small })),
                ...said.signs.enough.map((sign): Content => ({ text: signLine('enough', sign), ...small })),
                ...[halfWayLine(said), quick, dailyLine(said)]
                  .filter((line) => line !== '')
                  .map((text): Content => ({ text, ...small })),
                ...said.signs.stop.map((sign): Content => ({ text: signLine('stop', sign), bold: true, ...small })),
              ],
            },
          ],
        },
      ],
    },
  ];
}

/** What a teacher looks at: stages, every point with its test and faults, the knee as it is reckoned. */
function teacherWords(segment: ExerciseSegment, said: Exercise, request: HandoutRequest): Content[] {
  const { body, school, corrected, turn } = request;
  const { posture } = said;
  const past = posture.seated ? null : (stillPose(body, posture, school, 'right', true).statics?.kneePastToes ?? 0);
  return [
    ...(past === null ? [] : [{ text: `Bend ${Math.round(posture.kneeBendDeg)}°. ${kneeWords(past)}.`, ...small }]),
    ...stagesOf(said),
    ...variantLines(said).map((line): Content => ({ text: line, ...small })),
    ...cueOrder(said.checkpoints, corrected, turn).map((point): Content => ({
      text: `${point.region}: ${point.wanted} Test: ${point.test} Faults: ${point.faults} Cue: ${point.cue}`,
      ...small,
      ...(point.safety || corrected.has(point.id) ? { bold: true } : {}),
    })),
  ];
}

/** What is no drill, or none any more, in a line. */
export const betweenWords = (segment: Segment): string =>
  segment.type === 'exercise'
    ? 'Deleted exercise'
    : `${segment.label === '' ? upperFirst(segment.type) : segment.label}, ${durationWords(segment.seconds)}`;

/** Pictures beside what they show. */
const seenContent = (seen: readonly SeenPrinted[]): Content[] =>
  seen.map(({ image, title, lines }): Content => ({
    unbreakable: true,
    margin: [0, 5, 0, 3],
    columnGap: 8,
    columns: [
      { width: PICTURE * MM, image, fit: [PICTURE * MM, PICTURE * 1.5 * MM] },
      {
        width: '*',
        stack: [
          { text: title, bold: true, ...small },
          ...lines.flatMap((line): Content[] => [
            { text: line.seen, ...small },
            { text: line.cue, italics: true, ...small, margin: [0, 0, 0, 3] },
          ]),
        ],
      },
    ],
  }));

function exerciseContent(request: HandoutRequest, segment: ExerciseSegment, exercise: Exercise): Content[] {
  const { school, version, body } = request;
  const student = version === 'student';
  const side = toldSide(segment);
  const drill = segmentDrill(segment, exercise);
  const said = spokenExercise(drill, school, drill.twoSided ? side : 'both');
  const { pictures, seen } = picturesOf(body, segment, exercise, school, side, request.draw);
  const order = orderWords(segment);
  const stage = stageOf(segment, said);
  const words: Content[] = [
    { text: drillName(segment, exercise), style: 'heading' },
    { text: segmentWords(segment), margin: [0, 1, 0, 1] },
    ...(order === '' ? [] : [{ text: order, ...small }]),
    ...(stage === null ? [] : [{ text: `Now: ${stageLine(stage)}`, bold: true, ...small }]),
    // What every drill has stands once, at the head.
    ...said.cautions
      .filter((caution) => caution !== stopCaution)
      .map((caution): Content => ({ text: caution, fontSize: 8.5, color: inks.danger })),
    ...(student ? [{ text: said.summary, fontSize: 9, color: inks.soft, margin: [0, 2, 0, 0] } as Content] : []),
  ];
  const alone = pictures.length === 1;
  const head: Content = {
    columnGap: 8,
    columns: [
      ...(alone ? [{ width: ALONE.width * MM, stack: [printed(pictures[0]!, ALONE)] }] : []),
      { width: '*', stack: words },
      ...(student ? [boxes()] : []),
    ],
  };
  return [
    {
      canvas: [{ type: 'line', x1: 0, y1: 0, x2: 182 * MM, y2: 0, lineWidth: 0.6, lineColor: inks.line }],
      margin: [0, 6, 0, 4],
    },
    // A drill's name is never parted from its figures; what follows may go on overleaf.
    { unbreakable: true, stack: alone ? [head] : [head, strip(pictures, seen)] },
    ...(student ? studentWords(segment, said, request, side) : teacherWords(segment, said, request)),
    ...seenContent(request.seen.filter(({ exerciseId }) => exerciseId === exercise.id)),
  ];
}

/** What is gone through more than once. */
export const roundContent = (routine: Routine, exercises: ReadonlyMap<string, Exercise>): Content[] =>
  roundLines(routine, (segment) => {
    const exercise = segment.type === 'exercise' ? exercises.get(segment.exerciseId) : undefined;
    return segment.type === 'exercise' && exercise !== undefined ? drillName(segment, exercise) : betweenWords(segment);
  }).map((line): Content => ({ text: line, bold: true, margin: [0, 4, 0, 0] }));

/** What stands at the foot of a paper: the routine, and whose it is. */
export const paperTitle = ({ routine, name }: HandoutRequest): string =>
  name === '' ? routine.name : `${routine.name}, ${name}`;

/** The head of a paper: what it is, for whom, how long, with which doses; when to stop, and what is kept in mind for this person. */
export function paperHead({ routine, name, dosesOf, cautions, floor }: HandoutRequest): Content[] {
  const total = durationWords(timeline(routine).totalMs / 1000);
  const about = [
    name === '' ? '' : `For ${name}.`,
    `${total} in all.`,
    dosesOf === '' ? '' : `Doses of ${dosesOf}.`,
    routine.note,
  ];
  const kept = cautions.map((caution) => caution.replace(/\.$/, '')).join('; ');
  return [
    { text: routine.name, style: 'title' },
    { text: about.filter((words) => words !== '').join(' '), margin: [0, 2, 0, 4] },
    {
      text: `${stopCaution} Practise within what your teacher has shown you; local rules and licensed practice go before this sheet.`,
      fontSize: 9,
      color: inks.danger,
      margin: [0, 0, 0, 3],
    },
    ...(kept === '' ? [] : [{ text: `Keep in mind: ${kept}.`, color: inks.danger, margin: [0, 0, 0, 4] } as Content]),
    ...(floor === null ? [] : chainFloorContent(floor)),
  ];
}

/**
 * The pages to learn a routine from: figures from where a drill is seen best, doses in words, the way in, the parts, cues and
 * cautions; for students boxes to tick, for teachers stages, all checkpoints and what there is to look at.
 */
export async function handout(request: HandoutRequest): Promise<Paper> {
  const { routine, exercises, version, findings } = request;
  const student = version === 'student';
  const rows: Content[] = [];
  for (const segment of routine.segments) {
    const exercise = segment.type === 'exercise' ? exercises.get(segment.exerciseId) : undefined;
    if (segment.type === 'exercise' && exercise !== undefined) {
      await request.pause();
      rows.push(...exerciseContent(request, segment, exercise));
    } else rows.push({ text: betweenWords(segment), italics: true, color: inks.soft, margin: [0, 6, 0, 2] });
  }
  // What was filmed at no drill of this routine stands at its end.
  const here = new Set(routine.segments.map((segment) => (segment.type === 'exercise' ? segment.exerciseId : null)));
  const elsewhere = request.seen.filter(({ exerciseId }) => exerciseId === null || !here.has(exerciseId));
  const dangers = findings.filter((finding) => finding.grade !== 'note');
  return {
    title: paperTitle(request),
    content: [
      ...paperHead(request),
      ...roundContent(routine, exercises),
      ...rows,
      ...seenContent(elsewhere),
      ...(!student && dangers.length > 0
        ? [
            { text: 'What to look at', style: 'heading', margin: [0, 10, 0, 3] } as Content,
            { ul: dangers.map((finding) => `${finding.text} ${finding.reason}`), fontSize: 9 } as Content,
          ]
        : []),
      {
        text: breathCaution,
        fontSize: 8.5,
        color: inks.soft,
        margin: [0, 10, 0, 0],
      },
    ],
  };
}
