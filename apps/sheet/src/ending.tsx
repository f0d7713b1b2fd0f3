import { useState } from 'preact/hooks';
import {
  effortWords,
  feltSet,
  firmnessScale,
  hurtSpots,
  isSerious,
  painPlaces,
  painWords,
  seriousCaution,
  shookToggled,
  symptoms,
  whereChosen,
  whereTapped,
  type EndNotes,
  type FirmSegment,
} from '@pomek/core';
import { BodyTap, painSpots, shookSpots } from './bodyTap';
import type { Answers } from './kept';

interface ScaleProps {
  readonly name: string;
  readonly words: readonly string[];
  readonly value: number | null;
  readonly onValue: (value: number) => void;
}

function Scale({ name, words, value, onValue }: ScaleProps) {
  return (
    <fieldset>
      <legend>
        {name} <strong>{value === null ? '' : `${value}: ${words[value] ?? ''}`}</strong>
      </legend>
      <div class="scale">
        {words.map((word, step) => (
          <button
            type="button"
            key={step}
            class="num"
            aria-pressed={value === step}
            aria-label={`${name} ${step}, ${word}`}
            onClick={() => onValue(step)}
          >
            {step}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

export interface EndingProps {
  readonly routineName: string;
  /** Where hands or steps were to be more or less firm. */
  readonly firm: readonly FirmSegment[];
  /** As far as they were given: they outlive a reload. */
  readonly answers: Answers;
  readonly onAnswers: (answers: Answers) => void;
  readonly onKeep: (notes: EndNotes) => void;
  readonly onDrop: () => void;
}

/** Ten seconds at the end: effort, pain and where, anything to stop for, a note. */
export function Ending({ routineName, firm, answers, onAnswers, onKeep, onDrop }: EndingProps) {
  const { effort, pain, painPlace, symptoms: signs, shook, felt, note } = answers;
  const set = (part: Partial<Answers>): void => onAnswers({ ...answers, ...part });
  const [dropping, setDropping] = useState(false);
  const serious = isSerious(answers);
  const keep = (): void => onKeep({ ...answers, apart: null, gaveOut: [], hands: [] });
  return (
    <main class="page">
      <h1>Done: {routineName}</h1>
      <Scale name="Effort" words={effortWords} value={effort} onValue={(value) => set({ effort: value })} />
      {firm.map(({ segmentId, name, firmness }) => (
        <Scale
          key={segmentId}
          name={`How firm the ${firmness.of} felt: ${name}`}
          words={firmnessScale}
          value={felt.find((entry) => entry.segmentId === segmentId)?.level ?? null}
          onValue={(value) => set({ felt: feltSet(felt, segmentId, value) })}
        />
      ))}
      <Scale name="Pain" words={painWords} value={pain} onValue={(value) => set({ pain: value })} />
      {(pain ?? 0) > 0 && (
        <fieldset>
          <legend>Where does it hurt? Tap it, or choose</legend>
          <BodyTap
            label="Not said where"
            spots={painSpots}
            chosen={hurtSpots(painSpots, answers)}
            onTap={(spot) => set(whereTapped(painSpots, answers, spot))}
          />
          <div class="choices">
            {painPlaces.map((place) => (
              <button
                type="button"
                key={place}
                aria-pressed={painPlace === place}
                onClick={() => set(whereChosen(painSpots, answers, place))}
              >
                {place}
              </button>
            ))}
          </div>
        </fieldset>
      )}
      <fieldset>
        <legend>Did anything shake? Tap it</legend>
        <BodyTap
          label="Nothing tapped"
          spots={shookSpots}
          chosen={shook}
          onTap={({ place }) => set({ shook: shookToggled(shook, place) })}
        />
      </fieldset>
      <fieldset>
        <legend>Any of these?</legend>
        <div class="choices">
          {symptoms.map((sign) => (
            <button
              type="button"
              key={sign}
              aria-pressed={signs.includes(sign)}
              onClick={() =>
                set({ symptoms: signs.includes(sign) ? signs.filter((entry) => entry !== sign) : [...signs, sign] })
              }
            >
              {sign}
            </button>
          ))}
        </div>
      </fieldset>
      {serious && (
        <p class="serious" role="alert">
          {seriousCaution}
        </p>
      )}
      <label class="field">
        Note for your teacher
        <textarea
          rows={3}
          maxLength={2000}
          value={note}
          onInput={(event) => set({ note: event.currentTarget.value })}
        />
      </label>
      <div class="row">
        <button type="button" class="strong" onClick={keep}>
          Save it
        </button>
        {dropping ? (
          <>
            <button type="button" class="danger" onClick={onDrop}>
              Discard this practice
            </button>
            <button type="button" onClick={() => setDropping(false)}>
              No
            </button>
          </>
        ) : (
          <button type="button" onClick={() => setDropping(true)}>
            Discard…
          </button>
        )}
      </div>
    </main>
  );
}
