import { useState } from 'react';
import { isLost } from '../../api/lost';
import { useSession } from '../../api/session';
import type { PrintChoices } from '../../api/types';
import { plural } from '../../lib/format';
import { useNames } from '../../lib/names';
import { useScope } from '../../lib/scope';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Failed, Loading } from '../../ui/States';
import { MakePdf } from '../papers/MakePdf';
import { keepSections, keptSections } from './kept';
import { askForPrint, type PrintForm, usePrintChoices } from './queries';

type Kind = PrintForm['kind'];
type Section = PrintForm['sections'][number];

const KINDS: Record<Kind, string> = { home: 'For home', meeting: 'For the meeting' };
const ABOUT: Record<Kind, string> = {
  home: 'In plain words, with the student’s own course and nobody else’s.',
  meeting: 'With what the team needs: tiers, chances, plans, calls and decisions.',
};

/** Chooses what is printed and for whom, and makes it: for one, for some, or for a class as one file. */
export function PrintDialog({
  whose,
  first,
  school,
  onClose,
}: {
  /** For whom it can be printed, each in words; the first is chosen. */
  whose: { of: string; words: string }[];
  first: Kind;
  school: number | undefined;
  onClose: () => void;
}) {
  const choices = usePrintChoices(school);
  return (
    <Dialog open onClose={onClose} title="Print">
      {choices.isPending && <Loading label="Looking what can be printed ..." height={200} />}
      {isLost(choices) && <Failed error={choices.error} again={() => choices.refetch()} />}
      {choices.data && <Chosen whose={whose} first={first} choices={choices.data} onClose={onClose} />}
    </Dialog>
  );
}

function Chosen({
  whose,
  first,
  choices,
  onClose,
}: {
  whose: { of: string; words: string }[];
  first: Kind;
  choices: PrintChoices;
  onClose: () => void;
}) {
  const person = useSession().data?.person?.id;
  const { scope } = useScope();
  const { hidden } = useNames();
  const [kind, setKind] = useState<Kind>(first);
  const [of, setOf] = useState(whose[0]?.of ?? '');
  const [second, setSecond] = useState(false);
  const offered = choices.kinds.find((k) => k.kind === kind)?.sections ?? [];
  const [chosen, setChosen] = useState<Partial<Record<Kind, Section[]>>>({});
  const kept = keptSections(person, kind);
  const sections =
    chosen[kind] ?? offered.filter((s) => (kept ? kept.includes(s.section) : s.usual)).map((s) => s.section);
  const tick = (section: Section, on: boolean) => {
    const next = offered.map((s) => s.section).filter((s) => (s === section ? on : sections.includes(s)));
    setChosen({ ...chosen, [kind]: next });
    keepSections(person, kind, next);
  };
  const form: PrintForm = { kind, whose: of, sections, second, asOf: scope.asOf, codes: hidden };
  return (
    <div className="flex flex-col gap-4 text-[15px]">
      <fieldset className="border-0 p-0 m-0 grid gap-1">
        <legend className="text-[13px] text-soft p-0 mb-1">What for</legend>
        {(Object.keys(KINDS) as Kind[]).map((k) => (
          <label key={k} className="flex gap-2 items-baseline">
            <input type="radio" name="kind" checked={kind === k} onChange={() => setKind(k)} />
            <span>
              {KINDS[k]}
              <span className="block text-soft text-[13px]">{ABOUT[k]}</span>
            </span>
          </label>
        ))}
      </fieldset>
      {whose.length > 1 && (
        <fieldset className="border-0 p-0 m-0 grid gap-1">
          <legend className="text-[13px] text-soft p-0 mb-1">For whom</legend>
          {whose.map((w) => (
            <label key={w.of} className="flex gap-2">
              <input type="radio" name="whose" checked={of === w.of} onChange={() => setOf(w.of)} /> {w.words}
            </label>
          ))}
        </fieldset>
      )}
      <fieldset className="border-0 p-0 m-0">
        <legend className="text-[13px] text-soft p-0 mb-1">What is on it</legend>
        <div className="grid grid-cols-1 min-[420px]:grid-cols-2 gap-x-4 gap-y-1">
          {offered.map((s) => (
            <label key={s.section} className="flex gap-2 items-center min-h-6">
              <input
                type="checkbox"
                checked={sections.includes(s.section)}
                onChange={(e) => tick(s.section, e.target.checked)}
              />
              {s.title}
            </label>
          ))}
        </div>
      </fieldset>
      {choices.second !== undefined ? (
        <fieldset className="border-0 p-0 m-0 grid gap-1">
          <legend className="text-[13px] text-soft p-0 mb-1">Language of the fixed words</legend>
          <label className="flex gap-2">
            <input type="radio" name="language" checked={!second} onChange={() => setSecond(false)} /> English
          </label>
          <label className="flex gap-2">
            <input type="radio" name="language" checked={second} onChange={() => setSecond(true)} />
            <span>
              {choices.second}
              {choices.missing > 0 && (
                <span className="text-soft text-[13px]">, {plural(choices.missing, 'phrase')} still in English</span>
              )}
            </span>
          </label>
        </fieldset>
      ) : (
        <p className="m-0 text-soft text-[13px]">
          The fixed words are English. A coordinator can give them in one more language under Setup, Texts.
        </p>
      )}
      <div className="flex flex-wrap gap-x-5 gap-y-2 items-baseline">
        {sections.length > 0 ? (
          <MakePdf
            key={JSON.stringify(form)}
            label="Make the PDF"
            look="solid"
            file={kind === 'home' ? 'for-home.pdf' : 'for-the-meeting.pdf'}
            begin={() => askForPrint(form)}
          />
        ) : (
          <span className="text-soft">Choose at least one section.</span>
        )}
        <Button onClick={onClose}>Close</Button>
      </div>
    </div>
  );
}
