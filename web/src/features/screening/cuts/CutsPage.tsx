import { useState } from 'react';
import { isLost } from '../../../api/lost';
import type { CutsView, SetKind } from '../../../api/types';
import { useAddress } from '../../../lib/address';
import { gradeTitle } from '../../../lib/format';
import { useScope } from '../../../lib/scope';
import { ChangeLog } from '../../../parts/changes/ChangeLog';
import { SaveChange } from '../../../parts/changes/SaveChange';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';
import { SetupNav } from '../../../ui/SetupNav';
import { Empty, Failed, Loading } from '../../../ui/States';
import { Toggle } from '../../../ui/Toggle';
import { LadderEditor } from './LadderEditor';
import { NewSet } from './NewSet';
import { useCuts } from './queries';

const KINDS: Record<SetKind, string> = { local: 'local', published: 'published', trial: 'on trial' };

export default function CutsPage() {
  const { scope } = useScope();
  const [params, setParams] = useAddress();
  const asked = Number(params.get('set')) || undefined;
  const cuts = useCuts(scope, asked);
  const put = (name: string, value: number) =>
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        next.set(name, String(value));
        return next;
      },
      { replace: true },
    );
  return (
    <>
      <SetupNav />
      {cuts.isPending && <Loading label="Setting up the ladders ..." />}
      {isLost(cuts) && <Failed error={cuts.error} again={() => cuts.refetch()} />}
      {cuts.data && <Whole view={cuts.data} put={put} params={params} />}
    </>
  );
}

function Whole({
  view,
  put,
  params,
}: {
  view: CutsView;
  put: (name: string, value: number) => void;
  params: URLSearchParams;
}) {
  const { scope, choices, live, change } = useScope();
  const [choosing, setChoosing] = useState(false);
  const [naming, setNaming] = useState(false);
  const own =
    choices.classes.find((c) => `class-${c.id}` === scope.who)?.grade ?? Number(/^grade-(\d+)-/.exec(scope.who)?.[1]);
  const grade =
    view.grades.find((g) => g === Number(params.get('grade'))) ?? view.grades.find((g) => g === own) ?? view.grades[0];
  const begun = view.windows.filter((w) => w.starts <= scope.asOf);
  const window = view.windows.find((w) => w.id === scope.window) ?? begun[begun.length - 1] ?? view.windows[0];
  const set = view.sets.find((s) => s.id === view.set);
  if (!window || grade === undefined) {
    return <Empty title="No windows in this year">Screening windows come first: see Windows above.</Empty>;
  }
  const ladder = view.ladders.find((l) => l.setId === view.set && l.grade === grade && l.windowId === window.id);
  const others = view.ladders.filter((l) => l.setId !== view.set && l.grade === grade && l.windowId === window.id);
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-1">
        <h1 className="text-[15px] font-semibold m-0">Cut scores, {view.measure.name}</h1>
        <fieldset className="border-0 p-0 m-0 flex flex-wrap gap-x-4">
          <legend className="sr-only">Set of cut scores</legend>
          {view.sets.map((s) => (
            <Toggle key={s.id} on={s.id === view.set} onClick={() => put('set', s.id)}>
              {s.name}{' '}
              <span className="font-normal text-[13px] text-soft">
                {KINDS[s.kind]}
                {s.id === view.counts && ', counts now'}
              </span>
            </Toggle>
          ))}
        </fieldset>
        {view.mayChoose && view.set !== view.counts && (
          <Button onClick={() => setChoosing(true)}>Read scores by {set?.name} from today on</Button>
        )}
        {view.mayChoose && !naming && <Button onClick={() => setNaming(true)}>New set</Button>}
      </div>
      <Dialog
        open={choosing}
        onClose={() => setChoosing(false)}
        size="medium"
        title={`Read scores by ${set?.name} from today on`}
      >
        {choosing && (
          <SaveChange
            change={{ set: { set: view.set, school: view.school } }}
            verb={`Read scores by ${set?.name}`}
            onDone={() => setChoosing(false)}
            onCancel={() => setChoosing(false)}
          />
        )}
      </Dialog>
      {naming && (
        <NewSet
          view={view}
          onDone={(id) => {
            setNaming(false);
            if (id) put('set', id);
          }}
        />
      )}
      {set?.note && <p className="m-0 text-soft text-[13px]">{set.note}.</p>}
      <div className="flex flex-wrap gap-x-6 gap-y-1 mb-2 text-[14px]">
        <Choices
          label="Grade"
          all={view.grades.map((g) => ({ id: g, name: gradeTitle(g) }))}
          chosen={grade}
          onChoose={(g) => put('grade', g)}
        />
        <Choices label="Window" all={view.windows} chosen={window.id} onChoose={(id) => change({ window: id })} />
      </div>
      {!view.mayChange && (
        <p role="note" className="m-0 mb-2 pl-3 border-l-4 border-line text-[14px] text-soft">
          {!live
            ? 'Cut scores are changed as of today.'
            : view.mayChoose
              ? 'This set is for every school, so administrators change it. Make a set of your own with New set.'
              : 'You can look at these cut scores; coordinators and administrators change them.'}
        </p>
      )}
      <LadderEditor
        key={`${view.set}-${grade}-${window.id}-${view.measure.id}-${ladder?.id ?? 'none'}`}
        view={view}
        grade={grade}
        window={window}
        ladder={ladder}
        others={others.map((l) => ({ name: view.sets.find((s) => s.id === l.setId)?.name ?? '', bands: l.bands }))}
      />
      <ChangeLog kinds={['set', 'ladder']} school={view.school} />
    </>
  );
}

function Choices({
  label,
  all,
  chosen,
  onChoose,
}: {
  label: string;
  all: { id: number; name: string }[];
  chosen: number;
  onChoose: (id: number) => void;
}) {
  return (
    <fieldset className="border-0 p-0 m-0 flex flex-wrap gap-x-3 items-baseline">
      <legend className="sr-only">{label}</legend>
      {all.map((c) => (
        <Toggle key={c.id} on={c.id === chosen} onClick={() => onChoose(c.id)}>
          {c.name}
        </Toggle>
      ))}
    </fieldset>
  );
}
