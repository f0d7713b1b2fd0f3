import { newSegment } from '../routine/commands';
import type { Exercise } from '../library/exercise';
import type { School } from '../schools/school';
import { conditionRules, limitsOf, notedCondition, type Condition, type NotedLimit } from '../screening';
import { upperFirst } from '../words/firstLetter';
import { careFor, movementWords, type CaredPerson } from './care';
import { drillAsks } from './drillAsks';

/** What a condition does to one exercise at its usual dose. */
export interface ConditionRow {
  readonly exercise: string;
  /** What goes too far, and what is done instead; empty where nothing does. */
  readonly acts: readonly { readonly asks: string; readonly instead: string }[];
  /** Why nothing acts: what it asks, against the limit; empty where something acts. */
  readonly within: string;
}

/** One condition with all that it does. */
export interface ConditionSheet {
  readonly condition: Condition;
  /** The caution as it is said. */
  readonly rule: string;
  /** Each limit in words, with its number. */
  readonly limits: readonly string[];
  readonly rows: readonly ConditionRow[];
}

const share = (value: number): string => `${Math.round(value * 100)} %`;

/** A limit in words, with its number. */
function limitSaid({ name, value }: NotedLimit): string {
  const most = Number(value);
  switch (name) {
    case 'bendDeg':
      return `knees bent at most ${most}°`;
    case 'armsDeg':
      return `arms raised at most ${most}° (the chest)`;
    case 'overheadSeconds':
      return `arms above the head at most ${most} s at a time`;
    case 'foldDeg':
      return `trunk at most ${most}° forward, and not rolled down`;
    case 'width':
      return `feet at most ${most} shoulder breadths apart`;
    case 'twistDeg':
      return `shoulders turned at most ${most}° against the pelvis`;
    case 'turnOnLegDeg':
      return `turned at most ${most}° on a leg that carries most of the weight`;
    case 'turnSpeed':
      return `turned at most ${most}° a second`;
    case 'standSeconds':
      return `one stand at most ${most} s`;
    case 'effort':
      return `no hold that comes to an effort of ${most} of 10`;
    case 'breathShare':
      return `breath no slower than ${share(most)} of its rate at rest`;
    case 'noHeldBreath':
      return 'no held breath';
    case 'noLift':
    case 'noToes':
      return `not ${movementWords[name]} without a hand on something`;
    case 'noSwing':
      return value === 'at all' ? 'not a leg that swings' : 'not a leg that swings without a hand on something';
    default:
      return `not ${movementWords[name]}`;
  }
}

/** What a drill asks of a limit that has a number, in words; empty where it asks for nothing of it. */
function askedSaid({ name, value }: NotedLimit, asks: number): string {
  const most = Number(value);
  const degrees = (what: string): string => `${what} ${Math.round(asks)}° of ${most}°`;
  if (!Number.isFinite(asks) || asks <= 0) return '';
  switch (name) {
    case 'bendDeg':
      return degrees('bend');
    case 'armsDeg':
      return degrees('arms');
    case 'foldDeg':
      return degrees('trunk');
    case 'twistDeg':
      return degrees('twist');
    case 'turnOnLegDeg':
      return degrees('turn on a leg');
    case 'turnSpeed':
      return `${degrees('turn')} a second`;
    case 'width':
      return `feet ${Math.round(asks * 10) / 10} of ${most} shoulder breadths`;
    case 'overheadSeconds':
      return `arms above the head ${Math.round(asks)} s of ${most} s`;
    case 'standSeconds':
      return `stand ${Math.round(asks)} s of ${most} s`;
    case 'effort':
      return `effort ${Math.round(asks)} of ${most}`;
    case 'breathShare':
      return `${asks.toFixed(1)} breaths a minute`;
    default:
      return '';
  }
}

/**
 * What a condition rules out, and what it does to each exercise at its usual dose in a school: for a licensed practitioner to check.
 * @param body of a person of whom nothing is noted
 */
export function conditionSheet(
  condition: Condition,
  shelf: readonly Exercise[],
  school: School,
  body: Omit<CaredPerson, 'noted'>,
): ConditionSheet {
  const person = { ...body, noted: [notedCondition(condition)] };
  const limits = limitsOf(person.noted);
  const rows = shelf.map((exercise): ConditionRow => {
    const drill = { exercise, school, segment: newSegment('a', exercise, school) };
    const acts = careFor(drill, person, shelf).map(({ asks, instead }) => ({ asks, instead }));
    const asked = limits
      .flatMap((limit) => {
        const asks = drillAsks(drill, limit, person);
        return typeof asks === 'number' ? [askedSaid(limit, asks)] : [];
      })
      .filter((words) => words !== '');
    const within = asked.length === 0 ? 'asks for nothing of it' : asked.join(', ');
    return { exercise: exercise.name, acts, within: acts.length > 0 ? '' : within };
  });
  return { condition, rule: conditionRules[condition], limits: limits.map(limitSaid), rows };
}

/** The table as it is printed in the papers of the project. */
export function conditionsMarkdown(sheets: readonly ConditionSheet[], school: string): string {
  const parts = sheets.map(({ condition, rule, limits, rows }) => {
    const acting = rows.filter(({ acts }) => acts.length > 0);
    const silent = rows.filter(({ acts }) => acts.length === 0);
    return [
      `## ${upperFirst(condition)}`,
      '',
      rule,
      '',
      ...limits.map((limit) => `- ${limit}`),
      '',
      '| Exercise | What goes too far | Instead |',
      '| --- | --- | --- |',
      ...acting.map(
        ({ exercise, acts }) =>
          `| ${exercise} | ${acts.map(({ asks }) => asks).join('<br>')} | ${[...new Set(acts.map(({ instead }) => instead))].join('<br>')} |`,
      ),
      '',
      'Left as they are:',
      '',
      ...silent.map(({ exercise, within }) => `- ${exercise}: ${within}`),
      '',
    ].join('\n');
  });
  return [
    '# What conditions do',
    '',
    `What is noted of a body, what it rules out, and what that does to each exercise of the shelf at its usual dose (school: ${school}; the standard body). Written for a licensed practitioner to check. The limits are common practice in class and our own values; they are no diagnosis and no treatment, and a teacher can set others for each student. This file is written by \`npm run docs\`.`,
    '',
    ...parts,
  ].join('\n');
}
