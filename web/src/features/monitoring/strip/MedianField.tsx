import { type FormEvent, useState } from 'react';
import type { StripView } from '../../../api/types';
import { score } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { useClassMedian } from './queries';

/** The class's median of the day, where somebody knows it: a point of the peers' line on the charts. */
export function MedianField({ view }: { view: StripView }) {
  const { scope } = useScope();
  const put = useClassMedian();
  const [text, setText] = useState(view.median === undefined ? '' : score(view.median));
  const [said, setSaid] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const clean = text.trim().replace(',', '.');
    put.mutate(
      {
        classId: Number(scope.who.split('-')[1]),
        measureId: view.measure.id,
        day: view.day,
        median: clean === '' ? undefined : Number(clean),
      },
      { onSuccess: () => setSaid(clean === '' ? 'Taken back.' : 'Saved.') },
    );
  };
  return (
    <form onSubmit={submit} className="flex items-center gap-2 text-[14px] sm:ml-auto">
      <label htmlFor="class-median" className="text-soft">
        Median of the class, if known
      </label>
      <input
        id="class-median"
        inputMode="decimal"
        pattern="-?[0-9]+([.,][0-9]+)?"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setSaid('');
        }}
        className="w-[72px] py-0.5! text-right"
      />
      <Button type="submit" disabled={put.isPending}>
        Keep
      </Button>
      <span aria-live="polite" className="text-soft text-[13px]">
        {put.error ? <span className="text-danger">{put.error.message}</span> : said}
      </span>
    </form>
  );
}
