import { useMemo, useState } from 'preact/hooks';
import { conduct, firmSegments, practiceLog, timeline, type EndNotes, type HomeToday, type Sheet } from '@pomek/core';
import { dayOf, newId, now } from './clock';
import { Ending } from './ending';
import { Giving } from './giving';
import { Home } from './home';
import { Memory, noAnswers, type Kept } from './kept';
import { Practise } from './practise';
import { Reading } from './reading';

/** Practices that the phone keeps: years of them. */
const MOST_KEPT = 1000;

type Place =
  | { readonly name: 'home' | 'practise' | 'ending' | 'giving' }
  | { readonly name: 'reading'; readonly exerciseId: string };

/**
 * The sheet: one page, no address, nothing asked of anybody.
 * @param props.looked the teacher looks at it before it is given: it does all that it does on a phone, and keeps nothing
 */
export function App({ sheet, looked = false }: { readonly sheet: Sheet; readonly looked?: boolean }) {
  const memory = useMemo(() => new Memory(sheet, !looked), [sheet, looked]);
  const [kept, setKept] = useState(memory.value);
  // A practice that was under way when the page was put away goes on where it was.
  const [place, setPlace] = useState<Place>({ name: memory.value.journal === null ? 'home' : 'practise' });
  const go = (next: Place): void => {
    setPlace(next);
    scrollTo(0, 0);
  };
  const change = (how: (stored: Kept) => Kept): void => {
    memory.change(how);
    setKept(memory.value);
  };
  const begin = ({ practice }: HomeToday): void => {
    change((stored) => ({
      ...stored,
      answers: noAnswers,
      journal: {
        id: newId(),
        studentId: sheet.student.id,
        routine: practice.routine,
        cares: practice.cares,
        group: null,
        events: [],
        seenAt: now().getTime(),
      },
    }));
    go({ name: 'practise' });
  };
  const drop = (): void => {
    change((stored) => ({ ...stored, journal: null, answers: noAnswers }));
    go({ name: 'home' });
  };
  const shelf = new Map(sheet.exercises.map((exercise) => [exercise.id, exercise]));
  const keep = (notes: EndNotes): void => {
    const { journal } = kept;
    if (journal === null) return go({ name: 'home' });
    const line = timeline(journal.routine);
    const state = conduct(line, journal.events, Math.max(journal.seenAt, journal.events.at(-1)?.at ?? 0));
    const log = practiceLog(journal, line, state, shelf, notes, now(), dayOf);
    change((stored) => ({
      ...stored,
      journal: null,
      answers: noAnswers,
      logs:
        log === null || stored.logs.some(({ id }) => id === log.id)
          ? stored.logs
          : [...stored.logs, log].slice(-MOST_KEPT),
    }));
    go({ name: 'home' });
  };
  const { journal } = kept;
  if (place.name === 'practise' && journal !== null) {
    return (
      <Practise
        sheet={sheet}
        journal={journal}
        kept={kept}
        change={change}
        onEnd={() => go({ name: 'ending' })}
        onLeave={drop}
      />
    );
  }
  if (place.name === 'ending' && journal !== null) {
    return (
      <Ending
        routineName={journal.routine.name}
        firm={firmSegments(journal.routine, shelf)}
        answers={kept.answers}
        onAnswers={(answers) => change((stored) => ({ ...stored, answers }))}
        onKeep={keep}
        onDrop={drop}
      />
    );
  }
  if (place.name === 'reading') {
    return <Reading sheet={sheet} exerciseId={place.exerciseId} onBack={() => go({ name: 'home' })} />;
  }
  if (place.name === 'giving') {
    return (
      <Giving
        sheet={sheet}
        logs={kept.logs}
        given={kept.given}
        onGiven={(ids) => change((stored) => ({ ...stored, given: [...new Set([...stored.given, ...ids])] }))}
        onBack={() => go({ name: 'home' })}
      />
    );
  }
  return (
    <Home
      sheet={sheet}
      logs={kept.logs}
      waiting={kept.logs.filter(({ id }) => !kept.given.includes(id)).length}
      trouble={memory.trouble}
      onBegin={begin}
      onRead={(exerciseId) => go({ name: 'reading', exerciseId })}
      onGive={() => go({ name: 'giving' })}
    />
  );
}
