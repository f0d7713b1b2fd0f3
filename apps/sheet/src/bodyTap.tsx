import { bodyMap, type BodySpot } from '@pomek/core';

const map = bodyMap();
/** The places of a body that are asked for. */
export const { pain: painSpots, shook: shookSpots } = map;

export interface BodyTapProps<Place extends string> {
  readonly label: string;
  readonly spots: readonly BodySpot<Place>[];
  /** What is chosen, in the words of the places. */
  readonly chosen: readonly string[];
  readonly onTap: (spot: BodySpot<Place>) => void;
}

/** A body seen from behind on which places are tapped. */
export function BodyTap<Place extends string>({ label, spots, chosen, onTap }: BodyTapProps<Place>) {
  return (
    <div class="body-tap">
      <svg viewBox={map.box} role="group" aria-label={`${label}, seen from behind`}>
        <g aria-hidden="true">
          {map.paths.map((path, index) => (
            <path key={index} class="flesh" d={path} />
          ))}
        </g>
        {spots.map((spot, index) => {
          const on = chosen.includes(spot.words);
          return (
            <g
              key={index}
              class={on ? 'spot on' : 'spot'}
              role="button"
              tabIndex={spot.again ? -1 : 0}
              aria-hidden={spot.again ? true : undefined}
              aria-label={spot.words}
              aria-pressed={on}
              onClick={() => onTap(spot)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                onTap(spot);
              }}
            >
              <circle class="reach" cx={spot.x} cy={spot.y} r={21} />
              <circle class="mark" cx={spot.x} cy={spot.y} r={9} />
            </g>
          );
        })}
      </svg>
      <p aria-hidden="true">{chosen.length === 0 ? label : chosen.join(', ')}</p>
    </div>
  );
}
