import { useEffect, useMemo, useRef, useState } from 'preact/hooks';
import {
  counted,
  Hall,
  bodyOfStudent,
  clock,
  cuePlan,
  hallActionOf,
  hallCalls,
  leftOf,
  recordingsBy,
  momentOf,
  seenAs as ways,
  shownNow,
  timesDone,
  type HallDevices,
  type Journal,
  type JournalEvent,
  type SeenAs,
  type Sheet,
} from '@pomek/core';
import { Awake, every, Ringer, Voice } from '@pomek/device';
import { now } from './clock';
import { DoingFigure } from './figure';
import type { Kept } from './kept';

/** How loud the voice is, 0–1. */
const LOUD = 0.9;
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
  const [seenAs, setSeenAs] = useState<SeenAs>('mirror');
  const [ending, setEnding] = useState(false);
  const [hasVoice, setHasVoice] = useState(false);
  const sound = useRef(kept.sound);
  sound.current = kept.sound;
  const [, drawAgain] = useState(0);
  const recorded = useMemo(() => recordingsBy(sheet.recordings), [sheet]);
  const hall = useMemo(() => {
    const ringer = new Ringer(() => !sound.current);
    const voice = new Voice(() => ringer.sound, setHasVoice);
    voice.recorded = recorded;
    const devices: HallDevices = {
      now: () => now().getTime(),
      steady: () => performance.now(),
      every,
      ringer,
      voice: { say: (text) => voice.say(text, LOUD), silence: () => voice.silence() },
      awake: new Awake(),
      keep: (_, how) =>
        change((stored) => (stored.journal?.id === journal.id ? { ...stored, journal: how(stored.journal) } : stored)),
      changed: () => drawAgain((times) => times + 1),
    };
    return new Hall(devices, journal);
  }, []);
  useEffect(() => () => hall.close(true), []);
  const canSpeak = hasVoice || recorded.size > 0;
  const { line, state, begun } = hall;
  const { routine } = hall.journal;
  const shelf = useMemo(() => new Map(sheet.exercises.map((exercise) => [exercise.id, exercise])), [sheet]);
  const body = useMemo(() => bodyOfStudent(sheet.student.body).body, [sheet]);
  const cues = useMemo(
    () =>
      cuePlan(routine, line, shelf, school, {
        inWork: new Set(sheet.inWork),
        before: (exerciseId) => timesDone(kept.logs, exerciseId),
      }),
    [routine, line, sheet, shelf, school, kept.logs.length],
  );
  const calls = useMemo(
    () => hallCalls(routine, line, sheet.calls, { cues: true, parts: sheet.parts }, shelf, school, cues, recorded),
    [routine, line, sheet, shelf, school, cues, recorded],
  );
  const moment = momentOf(routine, line, state, shelf, school, cues);
  useEffect(() => hall.says(kept.spoken && canSpeak ? calls : null), [calls, kept.spoken, canSpeak]);
  useEffect(() => hall.layBells(), [kept.sound]);
  useEffect(() => {
    if (state.finished) onEnd();
  }, [state.finished]);

  const press = (action: JournalEvent['action']): void => {
    if (action !== 'loosen' || school.fatigueRule === 'ease') hall.press(action);
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const action = hallActionOf(event.key);
      if (action === 'toggle') hall.toggle();
      else if (action !== null) press(action);
      else return;
      event.preventDefault();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);

  const span = line.spans[state.spanIndex];
  const shown = shownNow(routine, line, state, shelf);
  const cares = hall.journal.cares.filter(({ segmentId }) => segmentId === span?.segmentId);
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
          <span>{routine.name}</span>
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
          {begun && state.loosening && <p>Loosen. Press Go on; the time held still counts.</p>}
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
        {state.losses.length > 0 && <p class="small">Alignment lost noted {counted(state.losses.length, 'time')}.</p>}
        <footer>
          <div class="controls">
            <button type="button" class="strong" onClick={() => hall.toggle()}>
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
              disabled={!canSpeak}
              onClick={() => change((stored) => ({ ...stored, spoken: !stored.spoken }))}
            >
              {!canSpeak ? 'No voice here' : kept.spoken ? 'Voice on' : 'Voice off'}
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
