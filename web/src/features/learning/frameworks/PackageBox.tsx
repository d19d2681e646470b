import { useRef, useState } from 'react';
import { plural } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { useLookAtPackage, useTakePackage } from './queries';

/** A framework in the form of CASE: looked at first, then taken. */
export function PackageBox({
  school,
  everywhere,
  onDone,
}: {
  school: number;
  everywhere: boolean;
  onDone: () => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File>();
  const [all, setAll] = useState(false);
  const bring = useLookAtPackage();
  const take = useTakePackage();
  const of = all ? undefined : school;
  const look = (chosen: File | undefined, forAll: boolean) => {
    setFile(chosen);
    take.reset();
    if (chosen) bring.mutate({ school: forAll ? undefined : school, file: chosen });
  };
  const r = bring.data;
  return (
    <section aria-label="A package" className="border-t border-line py-2 max-w-[680px]">
      <p className="m-0 mb-1 text-soft text-[14px]">
        Publishers of frameworks give them as packages in the form of CASE (a file that ends in .json). What has no
        child in it becomes a skill.
      </p>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Package"
        onChange={(e) => look(e.target.files?.[0], all)}
      />
      {everywhere && (
        <label className="flex gap-2 items-center py-1">
          <input
            type="checkbox"
            checked={all}
            onChange={(e) => {
              setAll(e.target.checked);
              look(file, e.target.checked);
            }}
          />{' '}
          for every school
        </label>
      )}
      {bring.isPending && <p className="m-0 text-soft">Reading the package ...</p>}
      <Complaint error={bring.error ?? take.error} />
      {take.isSuccess ? (
        <p role="status" className="m-0">
          {take.data.title} is in: {take.data.added} new, {take.data.changed} changed.
        </p>
      ) : (
        r &&
        file &&
        !bring.isPending && (
          <>
            <p className="m-0 text-[14.5px]">
              <b className="font-semibold">{r.title}</b>: {plural(r.skills, 'skill')}, {r.added} of them new,{' '}
              {r.changed} changed; {plural(r.grounds, 'time')} one rests on another.
              {r.gone > 0 &&
                ` ${plural(r.gone, 'skill')} of before ${r.gone === 1 ? 'is' : 'are'} not in it and stay${r.gone === 1 ? 's' : ''}.`}
            </p>
            <p className="m-0 text-soft text-[14px]">
              {r.sample.join('; ')}
              {r.skills > r.sample.length && ' ...'}
            </p>
            {r.notices.map((n) => (
              <p key={n} className="m-0 text-soft text-[14px]">
                {n}
              </p>
            ))}
            <Button
              look="solid"
              className="mt-1"
              disabled={take.isPending || r.added + r.changed === 0}
              onClick={() => take.mutate({ school: of, file })}
            >
              {r.added + r.changed === 0 ? 'Nothing to save' : 'Save it'}
            </Button>
          </>
        )
      )}
      <Button className="mt-1 block" onClick={onDone}>
        Close
      </Button>
    </section>
  );
}
