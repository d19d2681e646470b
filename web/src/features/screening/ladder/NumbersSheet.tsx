import type { LadderView } from '../../../api/types';
import { score } from '../../../lib/format';
import { usePicks } from '../../../lib/picks';
import { TierMark } from '../../../ui/TierMark';
import { BoxPlot } from './BoxPlot';
import { Histogram } from './Histogram';
import { flows, flowWords, seasonName } from './layout';

/** The picture in numbers: bands, movement, quartiles and the spread of scores. Every number picks the students it counts. */
export function NumbersSheet({ view, range }: { view: LadderView; range: [number, number] }) {
  const picks = usePicks();
  const last = view.seasons.length - 1;
  const newest = view.seasons[last];
  const bands = newest?.bands ?? [];
  const pick = (k: number, fits: (value: number, band: number | undefined) => boolean) =>
    picks.toggleAll(
      view.rows
        .filter((r) => {
          const c = r.cells[k];
          return c?.value !== undefined && fits(c.value, c.band);
        })
        .map((r) => r.student),
    );
  return (
    <section aria-label="In numbers" className="min-w-0 text-[14px]">
      {bands.length > 0 && (
        <table className="border-collapse w-full">
          <thead>
            <tr className="text-soft text-[12.5px]">
              <th scope="col" className="text-left font-medium pb-1 border-b border-line">
                Band
              </th>
              {view.seasons.map((s, k) => (
                <th key={s.windowId} scope="col" className="text-right font-medium pb-1 pl-3 border-b border-line">
                  {seasonName(view, k)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {bands
              .map((b, i) => ({ b, i }))
              .reverse()
              .map(({ b, i }) => (
                <tr key={b.name}>
                  <th scope="row" className="text-left font-normal border-b border-hair py-0.5">
                    <span className="inline-flex items-center gap-1.5">
                      <TierMark tier={b.tier} size={13} /> {b.name}
                    </span>
                  </th>
                  {view.seasons.map((s, k) => {
                    const count = s.bands.find((x) => x.name === b.name)?.count ?? 0;
                    const share = s.screened > 0 ? `${Math.round((100 * count) / s.screened)} %` : '';
                    return (
                      <td key={s.windowId} className="text-right border-b border-hair pl-3">
                        <button
                          type="button"
                          className="hover:underline hover:text-act"
                          aria-label={`${count} ${share} in ${b.name}, ${seasonName(view, k)}: pick these`}
                          onClick={() => pick(k, (_, band) => band === i)}
                        >
                          {count} <span className="text-soft text-[12.5px]">{share}</span>
                        </button>
                      </td>
                    );
                  })}
                </tr>
              ))}
            <tr>
              <th scope="row" className="text-left font-normal text-soft py-0.5">
                Screened
              </th>
              {view.seasons.map((s) => (
                <td key={s.windowId} className="text-right pl-3 text-soft">
                  {s.screened} of {s.expected}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      )}
      {last > 0 && (
        <ul className="m-0 mt-2 p-0 list-none flex flex-wrap gap-x-4">
          {flows(view, last - 1)
            .filter((f) => f.from !== f.to)
            .map((f) => (
              <li key={`${f.from}-${f.to}`}>
                <button
                  type="button"
                  className={`hover:underline ${f.to > f.from ? 'text-teal' : 'text-plum'}`}
                  onClick={() => picks.toggleAll(f.rows.flatMap((r) => view.rows[r]?.student ?? []))}
                >
                  {flowWords(view, last - 1, f)}
                </button>
              </li>
            ))}
        </ul>
      )}
      <h2 className="text-[14px] font-semibold mt-3 mb-0">Quartiles</h2>
      {view.seasons.map(
        (s, k) =>
          s.spread && (
            <BoxPlot
              key={s.windowId}
              name={seasonName(view, k)}
              spread={s.spread}
              range={range}
              onPick={(from, to, closed) => pick(k, (v) => v >= from && (closed ? v <= to : v < to))}
            />
          ),
      )}
      {newest && newest.bins.length > 0 && (
        <>
          <h2 className="text-[14px] font-semibold mt-2 mb-0">
            How many at which score, {seasonName(view, last).toLowerCase()}
          </h2>
          <Histogram season={newest} onPick={(from, to) => pick(last, (v) => v >= from && v < to)} />
        </>
      )}
      {newest?.spread && newest.spread.n < 10 && (
        <p className="m-0 text-soft text-[13px]">
          Only {newest.spread.n} scores, median {score(newest.spread.median)}: too few to read a shape from.
        </p>
      )}
    </section>
  );
}
