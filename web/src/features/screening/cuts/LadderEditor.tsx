import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { type FormEvent, useRef, useState } from 'react';
import { api, data } from '../../../api/client';
import type { CutsPreview, CutsView, DrawnBand, DrawnLadder, Window } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { useUnsaved } from '../../../lib/unsaved';
import { useSettled } from '../../../lib/useSettled';
import { useSaveSetup } from '../../../parts/changes/queries';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { BandRows } from './BandRows';
import { OwnPercentiles } from './OwnPercentiles';
import { Preview } from './Preview';
import { RungPicture } from './RungPicture';

interface Props {
  view: CutsView;
  grade: number;
  window: Window;
  ladder?: DrawnLadder;
  others: { name: string; bands: DrawnBand[] }[];
}

const FIRST: DrawnBand[] = [
  { name: 'Needs a lift', tier: 3 },
  { name: 'Within reach', tier: 2 },
  { name: 'Secure', tier: 1 },
];

/** One ladder, drawn and typed; nothing is saved before the preview says who would move. */
export function LadderEditor({ view, grade, window, ladder, others }: Props) {
  const start = ladder?.bands ?? empty(view);
  const [bands, setBands] = useState<DrawnBand[]>(start);
  const [reason, setReason] = useState('');
  const [saved, setSaved] = useState(false);
  // What was sent is saved at the answer, not only when the view has been read again.
  const sent = useRef('');
  const kept = useRef('');
  const save = useSaveSetup(() => {
    kept.current = sent.current;
  });
  const changed = JSON.stringify(bands) !== JSON.stringify(start) || ladder === undefined;
  useUnsaved(() => view.mayChange && ![JSON.stringify(start), kept.current].includes(JSON.stringify(bands)));
  const settled = useSettled(bands, 250);
  const preview = useQuery({
    queryKey: ['records', 'cuts-preview', view.set, view.measure.id, grade, window.id, view.school, settled],
    queryFn: () =>
      data(
        api.POST('/api/cuts/preview', {
          body: {
            set: view.set,
            measure: view.measure.id,
            grade,
            window: window.id,
            school: view.school,
            bands: settled,
          },
        }),
      ),
    enabled: view.mayChange,
    placeholderData: keepPreviousData,
  });
  const current: CutsPreview | undefined = preview.data;
  const change = (next: DrawnBand[]) => {
    setSaved(false);
    setBands(next);
  };
  const submit = (e: FormEvent) => {
    e.preventDefault();
    sent.current = JSON.stringify(bands);
    save.mutate(
      {
        change: {
          ladder: { set: view.set, measure: view.measure.id, grade, window: window.id, seen: ladder?.id, bands },
        },
        reason: reason.trim(),
      },
      { onSuccess: () => setSaved(true) },
    );
  };
  return (
    <div className="grid lg:grid-cols-[440px_minmax(0,1fr)] gap-x-8 gap-y-4">
      <RungPicture
        measure={view.measure}
        bands={bands}
        others={others}
        bins={current?.bins ?? []}
        onMove={
          view.mayChange
            ? (i, score) => change(bands.map((b, k) => (k === i ? { ...b, fromScore: score } : b)))
            : undefined
        }
      />
      <form onSubmit={submit} className="min-w-0">
        <BandRows bands={bands} measure={view.measure} mayChange={view.mayChange} onChange={change} />
        {ladder && (
          <p className="m-0 mt-1 text-soft text-[13px]">
            Known since {longDay(ladder.knownFrom)}
            {ladder.recordedBy && `, by ${ladder.recordedBy}`}
            {ladder.reason && `: ${ladder.reason}`}.
          </p>
        )}
        {view.mayChange && current && (
          <OwnPercentiles
            bands={bands}
            percentiles={current.percentiles}
            scores={current.bins.reduce((n, b) => n + b.count, 0)}
            onDraw={change}
          />
        )}
        {view.mayChange && (
          <>
            <Preview preview={current} changed={changed} busy={preview.isFetching || settled !== bands} />
            {changed && (
              <div className="flex flex-wrap items-center gap-3 mt-3">
                <input
                  aria-label="Why they change"
                  placeholder="Why they change, e.g. agreed on 12 March"
                  value={reason}
                  required
                  maxLength={500}
                  onChange={(e) => setReason(e.target.value)}
                  className="w-80"
                />
                <Button
                  look="solid"
                  type="submit"
                  disabled={
                    save.isPending || settled !== bands || preview.isFetching || (current?.problem ?? 'x') !== ''
                  }
                >
                  Save the cut scores
                </Button>
                <Button onClick={() => change(start)}>Put them back</Button>
              </div>
            )}
            <div className="min-h-6 mt-1 text-[14px]" aria-live="polite">
              <Complaint error={preview.error ?? save.error} />
              {saved && <span className="text-soft">Saved. The ones before stay for earlier days.</span>}
            </div>
          </>
        )}
      </form>
    </div>
  );
}

/** Where no ladder is yet: three bands at thirds of the measure's range, to begin with. */
function empty(view: CutsView): DrawnBand[] {
  const { lowest, highest } = view.measure;
  return FIRST.map((b, i) => (i === 0 ? b : { ...b, fromScore: Math.round(lowest + ((highest - lowest) * i) / 3) }));
}
