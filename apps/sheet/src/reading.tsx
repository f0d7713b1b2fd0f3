import { useEffect, useMemo, useState } from 'preact/hooks';
import {
  bodyOfStudent,
  cycleParts,
  dailyLine,
  halfWayLine,
  drillName,
  inTellingOrder,
  nextSegment,
  orderWords,
  pointsIn,
  quickLine,
  segmentDrill,
  segmentWords,
  signLine,
  spokenExercise,
  stageLine,
  stageOf,
  toldPart,
  upperFirst,
  wayWords,
  type Doing,
  type ExerciseSegment,
  type Sheet,
} from '@pomek/core';
import { dayOf, now } from './clock';
import { DoingFigure } from './figure';

/** A repetition in reading lasts so long, ms: slow enough to be followed. */
const SLOW_MS = 8000;

type Way = Pick<Doing, 'side' | 'direction'>;

/** On which sides and in which ways a segment is done, each once. */
const waysOf = ({ dose }: ExerciseSegment): Way[] =>
  dose.amounts
    .filter(({ amount }) => amount > 0)
    .map(({ side, direction }) => ({ side, direction }))
    .filter((way, at, all) => all.findIndex((one) => one.side === way.side && one.direction === way.direction) === at);

/** An exercise to read, on the side and in the way that are chosen, with its figure moving. */
export function Reading({
  sheet,
  exerciseId,
  onBack,
}: {
  readonly sheet: Sheet;
  readonly exerciseId: string;
  readonly onBack: () => void;
}) {
  const { school } = sheet;
  const body = useMemo(() => bodyOfStudent(sheet.student.body).body, [sheet]);
  const exercise = sheet.exercises.find(({ id }) => id === exerciseId)!;
  const segment = useMemo(() => nextSegment(sheet, exerciseId, dayOf(now())), [sheet, exerciseId]);
  const ways = useMemo(() => (segment ? waysOf(segment) : []), [segment]);
  const [chosen, choose] = useState(0);
  const { side, direction }: Way = ways[chosen] ?? { side: 'right', direction: 'none' };
  const drill = segment ? segmentDrill(segment, exercise) : exercise;
  const stage = segment ? stageOf(segment, exercise) : null;
  const said = spokenExercise(drill, school, side);
  const order = segment ? orderWords(segment) : '';
  const quick = segment ? quickLine(segment.dose, said) : '';
  const [round, setRound] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setRound((count) => count + 1), SLOW_MS);
    return () => clearInterval(timer);
  }, []);
  const doing = useMemo(
    (): Doing => ({ side, direction, done: round, into: 0, lengthMs: SLOW_MS, seconds: 0, running: true }),
    [side, direction, round],
  );
  const points = inTellingOrder(pointsIn(said.checkpoints, school, new Set(sheet.inWork), stage));
  return (
    <main class="page">
      <button type="button" onClick={onBack}>
        Back
      </button>
      <h1>{segment ? drillName(segment, exercise) : exercise.name}</h1>
      {segment && <p class="dose">{segmentWords(segment)}</p>}
      {order !== '' && <p class="soft">{order}</p>}
      {segment && (
        <div class="shown">
          <DoingFigure
            segment={segment}
            exercise={exercise}
            body={body}
            school={school}
            doing={doing}
            seenAs="mirror"
            turnsByKey
          />
        </div>
      )}
      {ways.length > 1 && (
        <div class="ways" role="group" aria-label="Which side and way">
          {ways.map((way, index) => (
            <button key={index} type="button" aria-pressed={index === chosen} onClick={() => choose(index)}>
              {upperFirst(wayWords(way, ', '))}
            </button>
          ))}
        </div>
      )}
      <section class="mind" aria-label="To be minded">
        {said.cautions.map((caution) => (
          <p key={caution}>{caution}</p>
        ))}
      </section>
      <p>{said.summary}</p>
      {said.wayIn.length > 0 && (
        <section>
          <h2>The way in</h2>
          <ol>
            {said.wayIn.map((words, index) => (
              <li key={index}>{words}</li>
            ))}
          </ol>
          {said.signs.begin.map((sign, index) => (
            <p key={index}>{signLine('begin', sign)}</p>
          ))}
        </section>
      )}
      {said.phases.length > 0 && (
        <section>
          <h2>One repetition{ways.length > 1 ? `, ${wayWords({ side, direction }, ', ')}` : ''}</h2>
          <ol>
            {cycleParts(said, direction).map((part, index) => (
              <li key={index}>{toldPart(part, school)}</li>
            ))}
          </ol>
        </section>
      )}
      {said.stages.length > 0 && (
        <section>
          <h2>Stages</h2>
          <ol>
            {said.stages.map((entry, index) => (
              <li key={index} aria-current={exercise.stages[index] === stage ? 'step' : undefined}>
                {stageLine(entry)}
              </li>
            ))}
          </ol>
        </section>
      )}
      {points.length > 0 && (
        <section>
          <h2>Checkpoints</h2>
          <ul class="points">
            {points.map((point) => (
              <li key={point.id} class={point.safety ? 'safety' : ''}>
                <strong>{upperFirst(point.region)}:</strong> {point.wanted} <em>{point.cue}</em>
              </li>
            ))}
          </ul>
        </section>
      )}
      {[...said.signs.right, ...said.signs.enough, said.halfWay, quick, said.daily].join('') !== '' && (
        <section>
          {said.signs.right.map((sign) => (
            <p key={sign}>{signLine('right', sign)}</p>
          ))}
          {said.signs.enough.map((sign) => (
            <p key={sign}>{signLine('enough', sign)}</p>
          ))}
          {said.halfWay !== '' && <p>{halfWayLine(said)}</p>}
          {quick !== '' && <p>{quick}</p>}
          {said.daily !== '' && <p>{dailyLine(said)}</p>}
        </section>
      )}
      {said.signs.stop.length > 0 && (
        <section class="mind">
          {said.signs.stop.map((sign, index) => (
            <p key={index}>{signLine('stop', sign)}</p>
          ))}
        </section>
      )}
    </main>
  );
}
