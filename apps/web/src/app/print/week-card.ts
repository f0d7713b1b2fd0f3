import { parseISO, startOfISOWeek } from 'date-fns';
import type { Content, TableCell } from 'pdfmake/interfaces';
import { durationWords, groupBy, stopCaution, type PlannedDay } from '@pomek/core';
import { shortDay } from '../ui/day-words';
import type { Paper } from './papers';
import { inks, MM } from './pdf';

export interface WeekCardRequest {
  readonly student: string;
  readonly routine: string;
  readonly cautions: readonly string[];
  readonly days: readonly PlannedDay[];
}

/** A box to tick, as wide as a pencil is blunt. */
const box: Content = { canvas: [{ type: 'rect', x: 0, y: 1, w: 10, h: 10, lineWidth: 0.8 }] };
const BEFORE_BOX = 14;

/** What is asked, with its box; without one where nothing is. */
function asked(goal: PlannedDay['goals'][number] | undefined): TableCell {
  if (goal === undefined) return '';
  if (!goal.asked) return { text: goal.words, fontSize: 8, color: inks.soft };
  return {
    columns: [
      { width: BEFORE_BOX, stack: [box] },
      { width: '*', text: goal.words, fontSize: 9.5 },
    ],
  };
}

/** Lines for what is felt after it: effort 0 to 10, pain and where. */
const felt = (words: string, days: readonly PlannedDay[]): TableCell[] => [
  { text: words, fontSize: 9, color: inks.soft },
  ...days.map((): TableCell => ({ text: ' ', fontSize: 12 })),
];

function week(days: readonly PlannedDay[]): Content {
  const [first] = days;
  const names = first!.goals.map(({ strandId, name }) => ({ strandId, name }));
  const rows = names.map(({ strandId, name }): TableCell[] => [
    { text: name, bold: true, fontSize: 9.5 },
    ...days.map(({ goals }) => asked(goals.find((goal) => goal.strandId === strandId))),
  ]);
  return {
    unbreakable: true,
    margin: [0, 0, 0, 12],
    stack: [
      first!.lighter ? { text: 'A lighter week', fontSize: 9, color: inks.pine, margin: [0, 0, 0, 2] } : [],
      {
        table: {
          headerRows: 1,
          widths: [38 * MM, ...days.map(() => '*' as const)],
          body: [
            [
              '',
              ...days.map(({ day, seconds }): TableCell => ({
                text: `${shortDay(day)}\n${durationWords(Math.round(seconds))}`,
                fontSize: 9,
                bold: true,
              })),
            ],
            ...rows,
            felt('Effort, 0 to 10', days),
            felt('Pain, 0 to 10, and where', days),
          ],
        },
        layout: { hLineColor: () => inks.line, vLineColor: () => inks.line },
      },
    ],
  };
}

/** The Monday of a day’s week: days of one week stand in one table. */
const mondayOf = (day: string): number => startOfISOWeek(parseISO(day)).getTime();

/** The weeks to come on paper: what each practice day asks for, a box to tick, and room for how it was. */
export function weekCard({ student, routine, cautions, days }: WeekCardRequest): Paper {
  const weeks = [...groupBy(days, ({ day }) => mondayOf(day)).values()];
  const title = `${routine} – ${student}`;
  return {
    title,
    content: [
      { text: title, style: 'title' },
      { text: 'Tick what is done; write down how it was. Bring it along next time.', margin: [0, 2, 0, 8] },
      ...(cautions.length === 0
        ? []
        : [
            { text: cautions.join('; '), color: inks.danger, margin: [0, 0, 0, 8] as [number, number, number, number] },
          ]),
      ...weeks.map(week),
      { text: stopCaution, fontSize: 9, color: inks.soft },
    ],
  };
}
