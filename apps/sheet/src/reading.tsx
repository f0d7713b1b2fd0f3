import { useEffect, useMemo, useState } from 'preact/hooks';
import {
  bodyOfStudent,
  cycleParts,
  inTellingOrder,
  pointsIn,
  signLine,
  spokenExercise,
  toldPart,
  type Doing,
  type Sheet,
} from '@pomek/core';
import { DoingFigure } from './figure';

/** A repetition in reading lasts so long, ms: slow enough to be followed. */
const SLOW_MS = 8000;

/** An exercise to read, with its figure moving. */
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
  const segment = useMemo(
    () =>
      sheet.practices
        .flatMap(({ routine }) => routine.segments)
        .find((part) => part.type === 'exercise' && part.exerciseId === exerciseId),
    [sheet, exerciseId],
  );
  const said = spokenExercise(exercise, school, 'right');
  const direction = exercise.hasDirections ? 'forward' : 'none';
  const [round, setRound] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setRound((count) => count + 1), SLOW_MS);
    return () => clearInterval(timer);
  }, []);
  const doing = useMemo(
    (): Doing => ({ side: 'right', direction, done: round, into: 0, lengthMs: SLOW_MS, seconds: 0, running: true }),
    [direction, round],
  );
  const points = inTellingOrder(pointsIn(said.checkpoints, school, new Set(sheet.inWork)));
  return (
    <main class="page">
      <button type="button" onClick={onBack}>
        Back
      </button>
      <h1>{exercise.name}</h1>
      {segment?.type === 'exercise' && (
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
          <h2>One repetition</h2>
          <ol>
            {cycleParts(said, direction).map((part, index) => (
              <li key={index}>{toldPart(part, school)}</li>
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
                <strong>{point.cue}</strong> {point.wanted}
              </li>
            ))}
          </ul>
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
