import { useState } from 'react';
import { lettersOn, switchLetters } from '../lib/letters';
import { VIEWS } from '../lib/views';
import { Dialog } from '../ui/Dialog';

const KEYS: [string, string][] = [
  ['Ctrl K', 'Go to a student, a class or a view'],
  ...VIEWS.map((v): [string, string] => [`g then ${v.key}`, v.name]),
  ['h', 'Hide or show names'],
  ['n', 'Note a call or talk: of those picked, or of the student whose page is open'],
  ['w', 'Write about them'],
  ['j and k', 'The student after, the student before, on a student’s page'],
  ['Arrow keys', 'Move between charts; move the grip on the Ladder'],
  ['Enter', 'Open what is in focus; save a score'],
  ['Esc', 'Back out'],
  ['?', 'This list'],
];

export function ShortcutsHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [letters, setLetters] = useState(lettersOn());
  return (
    <Dialog open={open} onClose={onClose} title="Keyboard shortcuts">
      <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2 m-0">
        {KEYS.map(([key, what]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="font-sans text-[13px] border border-line rounded px-1.5 py-0.5">{key}</kbd>
            </dt>
            <dd className="m-0">{what}</dd>
          </div>
        ))}
      </dl>
      <label className="flex items-center gap-2 mt-4 text-[14px]">
        <input
          type="checkbox"
          checked={letters}
          onChange={(e) => {
            switchLetters(e.target.checked);
            setLetters(e.target.checked);
          }}
        />
        Single letters are shortcuts (g, h, j, k, n, w)
      </label>
    </Dialog>
  );
}
