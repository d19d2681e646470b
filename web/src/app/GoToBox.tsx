import { Command } from 'cmdk';
import { useContext, useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { useNames } from '../lib/names';
import { className, ScopeContext } from '../lib/scope';
import { allPages } from '../lib/views';
import { useFind } from './queries';

interface Props {
  words: string;
  onWords: (words: string) => void;
  close: () => void;
}

/** What fits the words: students, classes and views, walked with the arrow keys. */
export default function GoToBox({ words, onWords, close }: Props) {
  const navigate = useNavigate();
  const state = useContext(ScopeContext);
  const { nameOf } = useNames();
  const found = useFind(words, state?.scope.asOf ?? '');
  const [chosen, setChosen] = useState('');
  // Students come a moment after the letters, and the list by itself would go on pointing at what stood there before them:
  // the first student is what Enter opens.
  const first = words.trim() !== '' ? found.data?.[0]?.id : undefined;
  useEffect(() => {
    if (words === '' || first === undefined) return;
    const soon = setTimeout(() => setChosen(`student-${first}`));
    return () => clearTimeout(soon);
  }, [first, words]);
  const go = (path: string) => {
    close();
    navigate(path);
  };
  const item = 'px-2 py-1.5 rounded-[3px] cursor-pointer data-[selected=true]:bg-picked flex gap-2 items-baseline';
  const fits = (text: string) => text.toLowerCase().includes(words.trim().toLowerCase());
  const classes =
    state?.choices.classes.filter((c) => c.yearId === state.scope.year && fits(className(c.name))).slice(0, 8) ?? [];
  return (
    <Command shouldFilter={false} label="Go to" loop value={chosen} onValueChange={setChosen}>
      <Command.Input
        value={words}
        onValueChange={onWords}
        placeholder="A student, a class or a view"
        className="w-full mb-2"
        autoFocus
      />
      <Command.List className="max-h-[46vh] overflow-auto">
        <Command.Empty className="text-soft px-2 py-3">Nobody and nothing of that name among yours.</Command.Empty>
        {words.trim() !== '' && (found.data?.length ?? 0) > 0 && (
          <Command.Group heading={<span className="text-[13px] text-soft">Students</span>}>
            {found.data?.map((s) => (
              <Command.Item
                key={s.id}
                value={`student-${s.id}`}
                className={item}
                onSelect={() => state && go(state.link(`/students/${s.id}`))}
              >
                {nameOf(s)} <span className="text-soft text-[13px]">{className(s.className)}</span>
              </Command.Item>
            ))}
          </Command.Group>
        )}
        {classes.length > 0 && (
          <Command.Group heading={<span className="text-[13px] text-soft">Classes</span>}>
            {classes.map((c) => (
              <Command.Item
                key={c.id}
                value={`class-${c.id}`}
                className={item}
                onSelect={() => {
                  close();
                  state?.change({ who: `class-${c.id}` });
                }}
              >
                {className(c.name)}
              </Command.Item>
            ))}
          </Command.Group>
        )}
        <Command.Group heading={<span className="text-[13px] text-soft">Views</span>}>
          {allPages()
            .filter((v) => fits(v.name))
            .map((v) => (
              <Command.Item
                key={v.path}
                value={v.path}
                className={item}
                onSelect={() => go(state ? state.link(v.path) : v.path)}
              >
                {v.name}
              </Command.Item>
            ))}
        </Command.Group>
      </Command.List>
    </Command>
  );
}
