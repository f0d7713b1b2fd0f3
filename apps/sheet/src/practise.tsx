import { useEffect, useMemo, useRef, useState } from 'preact/hooks';
import {
  ASLEEP_MS,
  RING_EVERY_MS,
  SEEN_EVERY_MS,
  TICK_MS,
  bells,
  bodyOfStudent,
  callNow,
  clock,
  conduct,
  cuePlan,
  hallCalls,
  hallKeys,
  leftOf,
  momentOf,
  seenAs as ways,
  shownNow,
  timeline,
  timesDone,
  type Journal,
  type JournalEvent,
  type SeenAs,
  type Sheet,
} from '@pomek/core';
import { Awake, Ringer, Voice } from '@pomek/device';
import { now } from './clock';
import { DoingFigure } from './figure';
import type { Kept } from './kept';

const seenWords: Record<SeenAs, string> = { mirror: 'as in a mirror', facing: 'facing you', behind: 'from behind' };

export interface PractiseProps {
  readonly sheet: Sheet;
  readonly journal: Journal;
  readonly kept: Kept;
  readonly change: (how: (stored: Kept) => Kept) => void;
  /** It came to its end, or was ended: the answers are asked now. */
  readonly onEnd: () => void;
  readonly onLeave: () => void;
}

/** Conducts a practice: everything pressed is kept at once, so that nothing is lost when the phone puts the page away. */
export function Practise({ sheet, journal, kept, change, onEnd, onLeave }: PractiseProps) {
  const { school } = sheet;
  const [at, setAt] = useState(journal.seenAt);
  const [seenAs, setSeenAs] = useState<SeenAs>('mirror');
  const [ending, setEnding] = useState(false);
  const [hasVoice, setHasVoice] = useState(false);
  const devices = useMemo(() => ({ awake: new Awake(), voice: new Voice(setHasVoice) }), []);
  const sound = useRef(kept.sound);
  sound.current = kept.sound;
  const ringer = useMemo(() => new Ringer(() => !sound.current), []);
  const shelf = useMemo(() => new Map(sheet.exercises.map((exercise) => [exercise.id, exercise])), [sheet]);
  const body = useMemo(() => bodyOfStudent(sheet.student.body).body, [sheet]);
  const line = useMemo(() => timeline(journal.routine), [journal.routine]);
  const cues = useMemo(
    () =>
      cuePlan(journal.routine, line, shelf, school, {
        inWork: new Set(sheet.inWork),
        before: (exerciseId) => timesDone(kept.logs, exerciseId),
      }),
    [journal.routine, line, sheet, shelf, school, kept.logs.length],
  );
  const called = useMemo(
    () => hallCalls(journal.routine, line, sheet.calls, { cues: true, parts: sheet.parts }, shelf, school, cues),
    [journal.routine, line, sheet, shelf, school, cues],
  );
  const { events } = journal;
  const state = conduct(line, events, Math.max(at, events.at(-1)?.at ?? 0));
  const begun = events.length > 0;
  const moment = momentOf(journal.routine, line, state, shelf, school, cues);

  const record = (action: JournalEvent['action'], when = now().getTime()): void => {
    change((stored) =>
      stored.journal?.id === journal.id
        ? {
            ...stored,
            journal: { ...stored.journal, events: [...stored.journal.events, { at: when, action }], seenAt: when },
          }
        : stored,
    );
    setAt(when);
  };
  const toggle = (): void => {
    void ringer.wake();
    record(!begun ? 'start' : state.running ? 'pause' : 'resume');
  };
  const press = (action: JournalEvent['action']): void => {
    if (!begun || (action === 'loosen' && school.fatigueRule !== 'ease')) return;
    record(action);
  };

  // The newest state for what runs beside the drawing.
  const live = useRef({ state, at, journal, record });
  live.current = { state, at, journal, record };
  useEffect(() => {
    // The page was closed while it ran: it stands still from the last moment it was seen.
    if (live.current.state.running) live.current.record('pause', live.current.journal.seenAt);
    let seen = 0;
    let rung = 0;
    const timer = setInterval(() => {
      const { state: before, at: then } = live.current;
      if (!before.running) return;
      const moment = now().getTime();
      if (moment - then > ASLEEP_MS) {
        live.current.record('pause', then);
        return;
      }
      setAt(moment);
      if (moment - seen > SEEN_EVERY_MS) {
        seen = moment;
        change((stored) =>
          stored.journal === null ? stored : { ...stored, journal: { ...stored.journal, seenAt: moment } },
        );
      }
      if (moment - rung > RING_EVERY_MS) {
        rung = moment;
        ringer.goOn(bells(line, conduct(line, live.current.journal.events, moment)));
      }
    }, TICK_MS);
    return () => {
      clearInterval(timer);
      ringer.silence();
      devices.voice.silence();
      devices.awake.release();
      if (live.current.state.running) live.current.record('pause');
    };
  }, []);
  useEffect(() => {
    ringer.lay(bells(line, state));
    if (state.running) devices.awake.keep();
    else devices.awake.release();
    if (!state.running && !state.finished) devices.voice.silence();
  }, [events.length, state.running, state.taps !== null, kept.sound]);
  const said = useRef<{ spanIndex: number; offsetMs: number } | null>(null);
  useEffect(() => {
    if (!begun) return;
    const here = { spanIndex: state.spanIndex, offsetMs: state.offsetMs };
    const text = state.running || state.finished ? callNow(called, said.current, here) : null;
    said.current = here;
    if (text !== null && kept.spoken) devices.voice.say(text, 0.9);
  });
  useEffect(() => {
    if (state.finished) onEnd();
  }, [state.finished]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const action = hallKeys[event.key.length === 1 ? event.key.toLowerCase() : event.key];
      if (event.key === ' ') toggle();
      else if (action !== undefined) press(action);
      else return;
      event.preventDefault();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  });

  const span = line.spans[state.spanIndex];
  const shown = shownNow(journal.routine, line, state, shelf);
  const cares = journal.cares.filter(({ segmentId }) => segmentId === span?.segmentId);
  const turn = (): void => setSeenAs(ways[(ways.indexOf(seenAs) + 1) % ways.length]!);
  return (
    <main class={`hall ${moment.wayIn.length > 0 ? 'telling' : ''}`} aria-label={moment.title}>
      <div class="doing">
        {shown !== null && (
          <DoingFigure
            segment={shown.segment}
            exercise={shown.exercise}
            body={body}
            school={school}
            doing={shown.doing}
            seenAs={seenAs}
            point={shown.comes ? null : moment.checkpoint}
            fullness={shown.comes ? null : moment.fullness}
          />
        )}
        {shown?.comes === true && <p class="comes">Comes next: {shown.exercise.name}</p>}
      </div>
      <div class="words">
        <header>
          <span>{journal.routine.name}</span>
          <span class="num">{clock(leftOf(line, state) / 1000)} to go</span>
        </header>
        <p class="unseen" aria-live="assertive">
          {moment.title} {moment.side === 'both' ? '' : moment.side} {moment.direction}
        </p>
        <h1>{moment.title}</h1>
        <div class="count">
          {moment.kind === 'cycle' ? (
            <button type="button" class="big num" onClick={() => press('tap')} aria-label="Count a repetition">
              {moment.big}
            </button>
          ) : (
            <p class="big num" role="timer">
              {moment.big}
            </p>
          )}
          <div>
            {(moment.side !== 'both' || moment.direction !== '') && (
              <p class={`side ${moment.side}`}>
                {[moment.side === 'both' ? '' : moment.side, moment.direction].filter((word) => word !== '').join(', ')}
              </p>
            )}
            {moment.unit !== '' && <p>{moment.unit}</p>}
            <p class="detail">{moment.detail}</p>
            {state.taps !== null && (
              <button type="button" onClick={() => press('pace')}>
                Back to the clock
              </button>
            )}
          </div>
        </div>
        <div class="veil">
          {!begun && <p>Press Begin when you stand ready.</p>}
          {begun && state.loosening && <p>Loosen. Go on when you like; what was held counts.</p>}
          {begun && !state.running && !state.loosening && !state.finished && <p>Paused.</p>}
        </div>
        {moment.wayIn.length > 0 && (
          <div class="way-in">
            <ol>
              {moment.wayIn.map((words, index) => (
                <li key={index}>{words}</li>
              ))}
            </ol>
            {moment.mayBegin !== '' && <p>{moment.mayBegin}</p>}
            {moment.cautions.map((words, index) => (
              <p class="mind" key={index}>
                {words}
              </p>
            ))}
          </div>
        )}
        {cares.map(({ words }, index) => (
          <p class="mind" key={index}>
            {words}
          </p>
        ))}
        {moment.checkpoint && (
          <p class="cue">
            <strong>{moment.checkpoint.region}:</strong> {moment.checkpoint.cue}
          </p>
        )}
        <p class="next">Next: {moment.next}</p>
        {state.losses.length > 0 && (
          <p class="small">
            Alignment lost noted {state.losses.length} {state.losses.length === 1 ? 'time' : 'times'}.
          </p>
        )}
        <footer>
          <div class="controls">
            <button type="button" class="strong" onClick={toggle}>
              {!begun ? 'Begin' : state.running ? 'Pause' : 'Go on'}
            </button>
            <button type="button" disabled={!begun} onClick={() => press('back')}>
              Back
            </button>
            <button type="button" disabled={!begun} onClick={() => press('next')}>
              Next
            </button>
            <button type="button" disabled={!begun} onClick={() => press('lost')}>
              Alignment lost
            </button>
            {school.fatigueRule === 'ease' && (
              <button
                type="button"
                disabled={!['hold', 'breath'].includes(moment.kind) || !state.running}
                onClick={() => press('loosen')}
              >
                Loosen
              </button>
            )}
            {!ending && (
              <button type="button" onClick={() => (begun ? setEnding(true) : onLeave())}>
                {begun ? 'End…' : 'Not now'}
              </button>
            )}
            {ending && (
              <>
                <button type="button" class="danger" onClick={() => press('end')}>
                  End and keep
                </button>
                <button type="button" onClick={() => setEnding(false)}>
                  Stay
                </button>
              </>
            )}
          </div>
          <div class="quiet">
            <button type="button" onClick={() => change((stored) => ({ ...stored, sound: !stored.sound }))}>
              {kept.sound ? 'Bells on' : 'Bells off'}
            </button>
            <button
              type="button"
              disabled={!hasVoice}
              onClick={() => change((stored) => ({ ...stored, spoken: !stored.spoken }))}
            >
              {!hasVoice ? 'No voice here' : kept.spoken ? 'Voice on' : 'Voice off'}
            </button>
            <button type="button" onClick={turn}>
              Seen {seenWords[seenAs]}
            </button>
          </div>
        </footer>
      </div>
    </main>
  );
}
