import { useEffect, useState } from 'preact/hooks';
import {
  bodyOfStudent,
  durationWords,
  homeToday,
  lineForTheDay,
  shortDay,
  stopCaution,
  timeline,
  type HomeDay,
  type HomeToday,
  type PracticeLog,
  type Sheet,
} from '@pomek/core';
import { dayOf, now } from './clock';
import { formOf } from './space';

export interface HomeProps {
  readonly sheet: Sheet;
  readonly logs: readonly PracticeLog[];
  /** How many were not given back yet. */
  readonly waiting: number;
  readonly trouble: string;
  readonly onBegin: (today: HomeToday) => void;
  readonly onRead: (exerciseId: string) => void;
  readonly onGive: () => void;
}

const WEEK = 7;
/** The page stands first, ms. */
const FIRST_MS = 300;
/** Practices that are told of on this page. */
const LATEST = 12;

/** What a day asks for; what is left out after a sign to stop is not asked for. */
function Goals({ day, out = [] }: { readonly day: HomeDay; readonly out?: readonly string[] }) {
  const asked = day.goals.filter(({ name }) => !out.includes(name));
  return (
    <>
      {asked.map(({ name, words }) => (
        <span key={name} class="goal">
          {name}: {words}
        </span>
      ))}
      {asked.length < day.goals.length && <span class="goal">the rest once your teacher has seen you</span>}
      {day.lighter && <span class="goal">a lighter week</span>}
    </>
  );
}

function Today({
  sheet,
  today,
  onBegin,
}: {
  readonly sheet: Sheet;
  readonly today: HomeToday;
  readonly onBegin: () => void;
}) {
  const { routine } = today.practice;
  const along = lineForTheDay(routine, sheet, today.day.day);
  const any = routine.segments.some(({ type }) => type === 'exercise');
  return (
    <div class="today">
      <h3>{routine.name}</h3>
      {today.why !== '' && <p class="why">{today.why}</p>}
      {today.locked.length > 0 && (
        <div class="serious" role="alert">
          <p>
            Left out: {today.locked.map(({ name }) => name).join(', ')}.{' '}
            {[...new Set(today.locked.flatMap(({ reasons }) => reasons))].join(' ')}
          </p>
          <p>See your teacher, and a licensed practitioner, before you do it again.</p>
        </div>
      )}
      {any && (
        <>
          <p>
            <Goals day={today.day} />
          </p>
          {today.done && <p class="done">Done for today.</p>}
          {today.done && along !== '' && <p>{along}</p>}
          <button type="button" class={today.done ? 'wide' : 'strong wide'} onClick={onBegin}>
            {today.done ? 'Once more' : 'Begin'}, {durationWords(Math.round(timeline(routine).totalMs / 1000))}
          </button>
        </>
      )}
    </div>
  );
}

/** What is to be minded, what is practised today and in the weeks to come, what was done. */
export function Home({ sheet, logs, waiting, trouble, onBegin, onRead, onGive }: HomeProps) {
  const [whole, setWhole] = useState(false);
  const today = dayOf(now());
  // While this page is read the body is made that the hall shows.
  useEffect(() => {
    const timer = setTimeout(() => void formOf(bodyOfStudent(sheet.student.body).body), FIRST_MS);
    return () => clearTimeout(timer);
  }, [sheet]);
  const plans = homeToday(sheet, logs, today);
  const out = plans.flatMap(({ locked }) => locked.map(({ name }) => name));
  const ahead = sheet.days.filter(({ day }) => day > today);
  const shown = whole ? ahead : ahead.slice(0, WEEK);
  return (
    <main class="page" aria-label={`Practice of ${sheet.student.name}`}>
      <header>
        <h1>Practice of {sheet.student.name}</h1>
        <p class="soft">
          Made on {shortDay(sheet.madeOn)}, for the days until {shortDay(sheet.until)}.
        </p>
      </header>
      {trouble !== '' && (
        <p class="serious" role="alert">
          {trouble}
        </p>
      )}
      <section class="mind" aria-label="To be minded">
        {sheet.cautions.map((caution) => (
          <p key={caution}>
            <strong>{caution}</strong>
          </p>
        ))}
        <p>{stopCaution}</p>
      </section>
      <section>
        <h2>{shortDay(today)}</h2>
        {plans.map((plan) => (
          <Today key={plan.practice.routine.id} sheet={sheet} today={plan} onBegin={() => onBegin(plan)} />
        ))}
      </section>
      <section>
        <h2>Days to come</h2>
        {shown.length === 0 && <p>No more days stand in this sheet. Ask your teacher for a new one.</p>}
        <ul class="days">
          {shown.map((day, index) => (
            <li key={index}>
              <strong class="num">{shortDay(day.day)}</strong>
              <span>
                <Goals day={day} out={out} />
              </span>
            </li>
          ))}
        </ul>
        {ahead.length > WEEK && (
          <button type="button" onClick={() => setWhole(!whole)}>
            {whole ? 'Only the next days' : `All ${ahead.length} days`}
          </button>
        )}
      </section>
      <section>
        <h2>The exercises</h2>
        <ul class="exercises">
          {sheet.exercises.map(({ id, name }) => (
            <li key={id}>
              <button type="button" class="link" onClick={() => onRead(id)}>
                {name}
              </button>
            </li>
          ))}
        </ul>
      </section>
      <section>
        <h2>What was done</h2>
        {logs.length === 0 && <p>Nothing yet. It is kept here after each practice.</p>}
        <ul class="days">
          {logs
            .toSorted((a, b) => b.startedAt.localeCompare(a.startedAt))
            .slice(0, LATEST)
            .map((log) => (
              <li key={log.id}>
                <strong class="num">{shortDay(log.day)}</strong>
                <span>
                  {log.routineName}, {durationWords(Math.round(log.practisedSeconds))}
                  {log.effort === null ? '' : `, effort ${log.effort}`}
                  {(log.pain ?? 0) > 0 && `, pain ${log.pain}`}
                </span>
              </li>
            ))}
        </ul>
        {logs.length > 0 && (
          <button type="button" class="strong" onClick={onGive}>
            Give it back to your teacher{waiting > 0 ? ` (${waiting} new)` : ''}
          </button>
        )}
      </section>
    </main>
  );
}
