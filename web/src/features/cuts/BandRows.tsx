import { useState } from 'react';
import type { DrawnBand, MeasureRef } from '../../api/types';
import { Button } from '../../ui/Button';
import { TierMark } from '../../ui/TierMark';

interface Props {
  bands: DrawnBand[];
  measure: MeasureRef;
  mayChange: boolean;
  onChange: (bands: DrawnBand[]) => void;
}

/** The bands as a table, the best on top as on the ladder. */
export function BandRows({ bands, measure, mayChange, onChange }: Props) {
  const put = (i: number, part: Partial<DrawnBand>) => onChange(bands.map((b, k) => (k === i ? { ...b, ...part } : b)));
  const add = () => {
    const top = bands[bands.length - 1];
    const step = Math.max(10 ** -measure.decimals, Math.round((measure.highest - measure.lowest) / 20));
    const from = (top?.fromScore ?? measure.lowest) + (measure.higherIsBetter ? step : -step);
    onChange([...bands, { name: 'New band', tier: top?.tier ?? 1, fromScore: from }]);
  };
  const order = bands.map((_, i) => i).reverse();
  return (
    <>
      <table className="border-collapse text-[14px]">
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
              <span className="sr-only">Take away</span>
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
                    className="w-44"
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
                <td>
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
      {mayChange && bands.length < 8 && (
        <Button className="mt-1" onClick={add}>
          Add a band on top
        </Button>
      )}
    </>
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
      className="w-24 text-right"
    />
  );
}
