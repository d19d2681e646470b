import { useState } from 'react';
import { asFile, hasHeading } from '../../lib/pastedTable';
import { Dialog } from '../../ui/Dialog';
import { FormButtons } from '../../ui/FormButtons';

interface Props {
  open: boolean;
  onClose: () => void;
  onFile: (file: File) => void;
}

/** Rows pasted from a spreadsheet, or typed, as a file. */
export function Paste({ open, onClose, onFile }: Props) {
  const [text, setText] = useState('');
  const [said, setSaid] = useState<boolean | null>(null);
  const headed = said ?? hasHeading(text);
  const close = () => {
    setText('');
    setSaid(null);
    onClose();
  };
  return (
    <Dialog open={open} onClose={close} size="medium" title="Paste from a spreadsheet">
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          onFile(new File([asFile(text, headed)], 'pasted rows', { type: 'text/plain' }));
          close();
        }}
      >
        <label className="flex flex-col gap-1">
          <span className="text-soft text-[13px]">
            Rows, with a tab, a semicolon or a comma between the cells. You can type them, too.
          </span>
          <textarea
            required
            rows={12}
            value={text}
            aria-label="Rows"
            spellCheck={false}
            placeholder={'Name\tClass\tGrade\nAda Berg\tTern\t3'}
            className="w-full font-mono text-[13.5px] whitespace-pre"
            onChange={(e) => setText(e.target.value)}
          />
        </label>
        <label className="flex items-center gap-2 text-[14px]">
          <input type="checkbox" checked={headed} onChange={(e) => setSaid(e.target.checked)} />
          The first row names the columns
        </label>
        <FormButtons verb="Look at them" disabled={text.trim() === ''} onCancel={close} />
      </form>
    </Dialog>
  );
}
