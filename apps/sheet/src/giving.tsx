import { useMemo, useState } from 'preact/hooks';
import QRCode from 'qrcode';
import { logFile, packedLog, type HomeLog, type PracticeLog, type Sheet } from '@pomek/core';
import { dayOf, now } from './clock';

/** Letters in a code that a phone shows and a camera reads at arm’s length. House value. */
const IN_A_CODE = 420;

/** A code as the outline of its dark squares. */
function codePath(text: string): { readonly size: number; readonly path: string } {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  let path = '';
  for (let y = 0; y < modules.size; y += 1) {
    for (let x = 0; x < modules.size; x += 1) if (modules.get(y, x)) path += `M${x} ${y}h1v1h-1z`;
  }
  return { size: modules.size, path };
}

export interface GivingProps {
  readonly sheet: Sheet;
  readonly logs: readonly PracticeLog[];
  readonly given: readonly string[];
  readonly onGiven: (ids: readonly string[]) => void;
  readonly onBack: () => void;
}

/** The log as a file, as a line to paste into a message, and as codes for the teacher’s camera. */
export function Giving({ sheet, logs, given, onGiven, onBack }: GivingProps) {
  // As it was when this was opened: given back in one way, it can still be given back in another.
  const [waiting] = useState(() => logs.filter(({ id }) => !given.includes(id)));
  const [all, setAll] = useState(waiting.length === 0);
  const [code, setCode] = useState(0);
  const [told, setTold] = useState('');
  const chosen = all ? logs : waiting;
  const log = useMemo(
    (): HomeLog => ({
      format: 'pomek home log',
      version: 1,
      sheetId: sheet.id,
      sheetMadeOn: sheet.madeOn,
      studentId: sheet.student.id,
      studentName: sheet.student.name,
      givenAt: now().toISOString(),
      logs: [...chosen],
    }),
    [all, logs],
  );
  const line = packedLog(log)[0]!;
  const parts = useMemo(() => packedLog(log, IN_A_CODE), [log]);
  const shown = codePath(parts[Math.min(code, parts.length - 1)]!);
  const done = (words: string): void => {
    setTold(words);
    onGiven(chosen.map(({ id }) => id));
  };
  const asFile = (): void => {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([logFile(log)], { type: 'application/json' }));
    link.download = `practice-${dayOf(now())}.json`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
    done('The file lies with your downloads. Send it to your teacher.');
  };
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(line);
      done('Copied. Paste it into a message to your teacher.');
    } catch {
      setTold('This browser does not let the page copy. Press long on the line, choose all, and copy it.');
    }
  };
  return (
    <main class="page">
      <button type="button" onClick={onBack}>
        Back
      </button>
      <h1>Give it back</h1>
      <p>
        {chosen.length === 1 ? 'One practice' : `${chosen.length} practices`}
        {all ? ', all that are kept here.' : ', what is new since the last time.'} Choose one of the three ways.
      </p>
      {waiting.length > 0 && waiting.length < logs.length && (
        <button type="button" onClick={() => setAll(!all)}>
          {all ? 'Only what is new' : 'All of them again'}
        </button>
      )}
      {told !== '' && (
        <p class="why" role="status">
          {told}
        </p>
      )}
      <section>
        <h2>As a message</h2>
        <textarea
          readOnly
          rows={4}
          aria-label="The line of the log"
          value={line}
          onFocus={(event) => event.currentTarget.select()}
        />
        <button type="button" class="strong" onClick={() => void copy()}>
          Copy the line
        </button>
      </section>
      <section>
        <h2>As a file</h2>
        <button type="button" class="strong" onClick={asFile}>
          Save the file
        </button>
      </section>
      <section>
        <h2>To the camera of your teacher</h2>
        <p>
          Code {Math.min(code, parts.length - 1) + 1} of {parts.length}
        </p>
        <svg class="code" viewBox={`-4 -4 ${shown.size + 8} ${shown.size + 8}`} role="img" aria-label="Code of the log">
          <rect x="-4" y="-4" width={shown.size + 8} height={shown.size + 8} fill="#fff" />
          <path d={shown.path} fill="#000" shape-rendering="crispEdges" />
        </svg>
        {parts.length > 1 && (
          <div class="row">
            <button type="button" disabled={code === 0} onClick={() => setCode(code - 1)}>
              The one before
            </button>
            <button type="button" class="strong" disabled={code >= parts.length - 1} onClick={() => setCode(code + 1)}>
              The next code
            </button>
          </div>
        )}
        {code >= parts.length - 1 && (
          <button type="button" onClick={() => done('Good. They count as given back.')}>
            The teacher has them
          </button>
        )}
      </section>
    </main>
  );
}
