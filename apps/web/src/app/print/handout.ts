import type { Content, TableCell } from 'pdfmake/interfaces';
import {
  cycleParts,
  doseWords,
  durationWords,
  figurePose,
  inTellingOrder,
  kneeWords,
  partWords,
  segmentPosture,
  settlePosture,
  signWords,
  spokenExercise,
  stillMoment,
  timeline,
  type Body,
  type Exercise,
  type ExerciseSegment,
  type Finding,
  type Routine,
  type School,
} from '@pomek/core';
import { layoutFigure } from '../ui/figure.layout';
import { MM, pdf } from './pdf';

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
}

const PX = 100;
/** Checkpoints a student is given; a teacher gets them all. */
const STUDENT_POINTS = 4;
const DAYS = 7;

const inks = { limb: '#e4d3bd', far: '#cdbda6', edge: '#6d5a44' };

/** The figure of a segment as SVG, in outline and flesh, with floor and toe line. */
export function figureSvg(body: Body, segment: ExerciseSegment, exercise: Exercise, school: School): string {
  const posture = segmentPosture(segment, exercise);
  const pose = figurePose(body, settlePosture(posture, school), stillMoment({ posture }), 'right', true);
  const drawing = layoutFigure(pose, 'side', PX);
  const layers = ([0, 1, 2] as const).map((layer) => drawing.shapes.filter((shape) => shape.layer === layer));
  const paths = layers.flatMap((shapes, layer) => [
    ...shapes.map((shape) => `<path d="${shape.path}" fill="${inks.edge}" stroke="${inks.edge}" stroke-width="1.6"/>`),
    ...shapes.map((shape) => `<path d="${shape.path}" fill="${layer === 0 ? inks.far : inks.limb}"/>`),
  ]);
  const marks = drawing.marks
    .filter((mark) => mark.kind === 'floor' || mark.kind === 'toe line')
    .map(({ kind, from, to }) => {
      const how = kind === 'floor' ? 'stroke="#44544f"' : 'stroke="#a3271b" stroke-dasharray="3 2"';
      return `<line x1="${from.x}" y1="${from.y}" x2="${to.x}" y2="${to.y}" ${how} stroke-width="1"/>`;
    });
  const size = `viewBox="0 0 ${drawing.width} ${drawing.height}"`;
  return `<svg xmlns="http://www.w3.org/2000/svg" ${size}>${marks.join('')}${paths.join('')}</svg>`;
}

function partCell(request: HandoutRequest, segment: ExerciseSegment, exercise: Exercise): TableCell {
  const { school, version, body } = request;
  const sides = new Set(segment.dose.amounts.filter(({ amount }) => amount > 0).map(({ side }) => side));
  const side = sides.has('right') || !sides.has('left') ? 'right' : 'left';
  const said = spokenExercise(exercise, school, exercise.twoSided ? side : 'both');
  const directions = new Set(segment.dose.amounts.filter(({ amount }) => amount > 0).map(({ direction }) => direction));
  const points = inTellingOrder(said.checkpoints);
  const shown = version === 'teacher' ? points : points.slice(0, STUDENT_POINTS);
  const small = { fontSize: 9, margin: [0, 1, 0, 1] as [number, number, number, number] };
  const numbered = (title: string, list: readonly string[]): Content[] =>
    list.length === 0
      ? []
      : [
          { text: title, bold: true, ...small },
          { ol: [...list], fontSize: 9 },
        ];
  const told = (direction: 'forward' | 'reversed'): string[] => cycleParts(said, direction).map(partWords);
  const mirror = exercise.twoSided ? `, ${side} side; the other is the mirror` : '';
  const lines: Content[] = [
    { text: exercise.name, bold: true, fontSize: 12 },
    { text: doseWords(segment.dose), margin: [0, 1, 0, 2] },
    ...said.cautions.map((caution): Content => ({ text: caution, fontSize: 8.5, color: '#a3271b' })),
    ...(version === 'student'
      ? [
          { text: said.summary, fontSize: 9, color: '#44544f' },
          {
            columnGap: 10,
            columns: [
              { width: '*', stack: numbered('The way in', said.wayIn) },
              {
                width: '*',
                stack: directions.has('reversed')
                  ? [
                      ...(directions.has('forward') ? numbered(`Forward${mirror}`, told('forward')) : []),
                      ...numbered(`Reversed${mirror}`, told('reversed')),
                    ]
                  : numbered(`One repetition${mirror}`, told('forward')),
              },
            ].filter(({ stack }) => stack.length > 0),
          },
          ...said.signs.enough.map((sign): Content => ({ text: `${signWords.enough}: ${sign}`, ...small })),
          ...said.signs.stop.map((sign): Content => ({ text: `${signWords.stop}: ${sign}`, bold: true, ...small })),
        ]
      : numbered(
          'Stages',
          said.stages.map((stage) => `${stage.name}: ${stage.words}`),
        )),
    ...shown.map((point): Content => ({
      text:
        version === 'teacher'
          ? `${point.region}: ${point.wanted} Test: ${point.test} Faults: ${point.faults} Cue: ${point.cue}`
          : point.cue,
      fontSize: 9,
      italics: version === 'student',
      ...(point.safety ? { bold: true } : {}),
    })),
  ];
  if (version === 'teacher' && !exercise.posture.seated) {
    const posture = segmentPosture(segment, exercise);
    const pose = figurePose(body, settlePosture(posture, school), stillMoment({ posture }), 'right', true);
    const past = pose.statics?.kneePastToes ?? 0;
    lines.push({ text: `Bend ${Math.round(posture.kneeBendDeg)}°. ${kneeWords(past)}.`, fontSize: 9 });
  }
  return { stack: lines };
}

/** Empty boxes, one a day of the week. */
const boxes = (): Content => ({
  canvas: Array.from({ length: DAYS }, (_, day) => ({
    type: 'rect' as const,
    x: day * 13,
    y: 3,
    w: 9,
    h: 9,
    lineWidth: 0.8,
  })),
});

/**
 * The handout of a routine on A4: figures, doses in words, checkpoints, cautions, and for students tick
 * boxes for the week; for teachers all checkpoints and what there is to look at.
 */
export function handout(request: HandoutRequest): Promise<Blob> {
  const { routine, exercises, version, name, cautions, findings } = request;
  const student = version === 'student';
  const rows = routine.segments.map((segment): TableCell[] => {
    const exercise = segment.type === 'exercise' ? exercises.get(segment.exerciseId) : undefined;
    if (segment.type !== 'exercise' || exercise === undefined) {
      const words =
        segment.type === 'exercise'
          ? 'An exercise that is gone'
          : `${segment.label}, ${durationWords(segment.seconds)}`;
      return [{ text: '' }, { text: words, italics: true, color: '#44544f' }, { text: '' }];
    }
    return [
      { svg: figureSvg(request.body, segment, exercise, request.school), width: 21 * MM },
      partCell(request, segment, exercise),
      student ? boxes() : { text: '' },
    ];
  });
  const total = durationWords(timeline(routine).totalMs / 1000);
  const dangers = findings.filter((finding) => finding.grade !== 'note');
  return pdf({
    info: { title: routine.name },
    pageMargins: [14 * MM, 14 * MM, 14 * MM, 16 * MM],
    footer: (page, pages) => ({ text: `${routine.name}, page ${page} of ${pages}`, alignment: 'center', fontSize: 8 }),
    content: [
      { text: routine.name, fontSize: 20, bold: true },
      {
        text: `${name === '' ? '' : `For ${name}. `}${total} in all.${routine.note === '' ? '' : ` ${routine.note}`}`,
        margin: [0, 2, 0, 6],
      },
      ...(cautions.length > 0
        ? [{ text: `Keep in mind: ${cautions.join('; ')}.`, color: '#a3271b', margin: [0, 0, 0, 6] } as Content]
        : []),
      {
        layout: 'lightHorizontalLines',
        table: {
          headerRows: 1,
          dontBreakRows: true,
          widths: [23 * MM, '*', student ? DAYS * 13 : 1],
          body: [
            [
              { text: '' },
              { text: 'What, and how much', bold: true, fontSize: 9 },
              { text: student ? 'M  T  W  T  F  S  S' : '', fontSize: 9 },
            ],
            ...rows,
          ],
        },
      },
      ...(!student && dangers.length > 0
        ? [
            { text: 'What to look at', bold: true, margin: [0, 10, 0, 3] } as Content,
            { ul: dangers.map((finding) => `${finding.text} ${finding.reason}`), fontSize: 9 } as Content,
          ]
        : []),
      {
        text: 'Dizziness, chest pain, pain in a joint or numbness: stop, sit down, and see a licensed practitioner. No held breath in pregnancy, with high blood pressure, or with heart, eye-pressure or breathing conditions without medical advice.',
        fontSize: 8.5,
        color: '#44544f',
        margin: [0, 10, 0, 0],
      },
    ],
  });
}
