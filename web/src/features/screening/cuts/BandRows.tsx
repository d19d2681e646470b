import { useState } from 'react';
import type { DrawnBand, MeasureRef } from '../../../api/types';
import { Button } from '../../../ui/Button';
import { TierMark } from '../../../ui/TierMark';

interface Props {
  bands: DrawnBand[];
  measure: MeasureRef;
  mayChange: boolean;
  onChange: (bands: DrawnBand[]) => void;
}

/** The bands as a table, the best on top as on the ladder. */
export function BandRows({ bands, measure, mayChange, onChange }: Props) {
  const put = (i: number, part: Partial<DrawnBand>) => onChange(bands.map((b, k) => (k === i ? { ...b, ...part } : b)));
  /** A new band begins in the middle of band i; of the best one, a twentieth of the range on. */
  const split = (i: number) => {
    const here = bands[i] as DrawnBand;
    const [worst, best] = measure.higherIsBetter
      ? [measure.lowest, measure.highest]
      : [measure.highest, measure.lowest];
    const from = here.fromScore ?? worst;
    const next = bands[i + 1]?.fromScore;
    const middle = next === undefined ? from + (best - worst) / 20 : (from + next) / 2;
    const rounded = Number(middle.toFixed(measure.decimals));
    onChange([
      ...bands.slice(0, i + 1),
      { name: 'New band', tier: here.tier, fromScore: rounded },
      ...bands.slice(i + 1),
    ]);
  };
  const order = bands.map((_, i) => i).reverse();
  return (
    <table className="border-collapse text-[14px] max-w-full">
      <thead>
        <tr className="text-left text-soft text-[12.5px]">
          <th scope="col" className="font-medium pb-1 pr-3">
            Band
          </th>
          <th scope="col" className="font-medium pb-1 pr-3">
            Tier
          </th>
          <th scope="col" className="font-medium pb-1 pr-3">
            Begins at
          </th>
          <th>
            <span className="sr-only">Split or take away</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {order.map((i) => {
          const band = bands[i] as DrawnBand;
          return (
            <tr key={i}>
              <td className="pr-3 py-0.5">
                <input
                  aria-label={`Name of band ${i + 1}`}
                  value={band.name}
                  readOnly={!mayChange}
                  maxLength={40}
                  onChange={(e) => put(i, { name: e.target.value })}
                  className="w-20 sm:w-44"
                />
              </td>
              <td className="pr-3 py-0.5">
                <span className="inline-flex items-center gap-1.5">
                  <TierMark tier={band.tier} size={13} />
                  <select
                    aria-label={`Tier of ${band.name}`}
                    value={band.tier}
                    disabled={!mayChange}
                    onChange={(e) => put(i, { tier: Number(e.target.value) })}
                  >
                    {[1, 2, 3, 4, 5].map((t) => (
                      <option key={t} value={t}>
                        {t}
                      </option>
                    ))}
                  </select>
                </span>
              </td>
              <td className="pr-3 py-0.5">
                {i === 0 ? (
                  <span className="text-soft">the bottom</span>
                ) : (
                  <ScoreInput
                    label={`${band.name} begins at`}
                    value={band.fromScore}
                    readOnly={!mayChange}
                    onChange={(fromScore) => put(i, { fromScore })}
                  />
                )}
              </td>
              <td className="sm:whitespace-nowrap">
                {mayChange && bands.length < 8 && (
                  <Button className="py-0! mr-4" aria-label={`Split ${band.name} in two`} onClick={() => split(i)}>
                    Split in two
                  </Button>
                )}
                {mayChange && bands.length > 2 && i > 0 && (
                  <Button
                    className="py-0!"
                    aria-label={`Take ${band.name} away`}
                    onClick={() => onChange(bands.filter((_, k) => k !== i))}
                  >
                    Take away
                  </Button>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Keeps what is being typed until it is a number. */
function ScoreInput({
  label,
  value,
  readOnly,
  onChange,
}: {
  label: string;
  value?: number;
  readOnly: boolean;
  onChange: (value: number) => void;
}) {
  const [text, setText] = useState<string>();
  return (
    <input
      aria-label={label}
      inputMode="decimal"
      value={text ?? (value === undefined ? '' : String(value))}
      readOnly={readOnly}
      onChange={(e) => {
        setText(e.target.value);
        const clean = e.target.value.trim().replace(',', '.');
        if (/^-?\d+(\.\d+)?$/.test(clean)) onChange(Number(clean));
      }}
      onBlur={() => setText(undefined)}
      className="w-16 sm:w-24 text-right"
    />
  );
}
