import { useState } from 'react';
import type { CutsPreview, DrawnBand } from '../../../api/types';
import { Button } from '../../../ui/Button';

interface Props {
  bands: DrawnBand[];
  percentiles: CutsPreview['percentiles'];
  scores: number;
  onDraw: (bands: DrawnBand[]) => void;
}

/** First cut scores where nobody has published any: at percentiles of the school's own scores, as the team has places for. */
export function OwnPercentiles({ bands, percentiles, scores, onDraw }: Props) {
  const cuts = bands.length - 1;
  const [at, setAt] = useState<number[]>([]);
  if (percentiles.length === 0) return null;
  const usual = (i: number) => (cuts === 1 ? 25 : ([20, 40, 60, 80][i] ?? 90));
  const chosen = bands.slice(1).map((_, i) => at[i] ?? usual(i));
  const rising = chosen.every((p, i) => i === 0 || p > (chosen[i - 1] ?? 0));
  const draw = () =>
    onDraw(
      bands.map((b, i) => {
        const score = i === 0 ? undefined : percentiles.find((p) => p.percentile === chosen[i - 1])?.score;
        return score === undefined ? b : { ...b, fromScore: score };
      }),
    );
  return (
    <fieldset className="border-0 p-0 m-0 mt-3">
      <legend className="p-0 text-soft text-[13px]">
        By the {scores} scores of this grade and window: begin where so many of a hundred stand below
      </legend>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 mt-1">
        {bands.slice(1).map((b, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: bands have nothing but their place
          <label key={i} className="flex items-center gap-1.5 text-[14px]">
            {b.name}
            <select
              aria-label={`${b.name} begins at percentile`}
              value={chosen[i]}
              onChange={(e) => setAt(chosen.map((p, k) => (k === i ? Number(e.target.value) : p)))}
            >
              {percentiles.map((p) => (
                <option key={p.percentile} value={p.percentile}>
                  {p.percentile}
                </option>
              ))}
            </select>
          </label>
        ))}
        <Button disabled={!rising} onClick={draw}>
          Draw them there
        </Button>
      </div>
      {!rising && <p className="m-0 text-soft text-[13px]">Each band begins above the one before it.</p>}
    </fieldset>
  );
}
