import { useState } from 'react';
import type { InviteLink } from '../../../api/types';
import { longDay } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/Dialog';

/** A link that has just been made: shown this once, to be copied or printed. */
export function LinkShown({ shown, onClose }: { shown?: { link: InviteLink; name: string }; onClose: () => void }) {
  const [copied, setCopied] = useState(false);
  if (!shown) return null;
  const address = `${window.location.origin}/join#${shown.link.token}`;
  const copy = () =>
    navigator.clipboard.writeText(address).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  return (
    <Dialog
      open
      onClose={() => {
        setCopied(false);
        onClose();
      }}
      title={`A link for ${shown.name}`}
      description={`Give it to ${shown.name} alone, by a way that only they read. It works once, until ${longDay(
        shown.link.endsAt.slice(0, 10),
      )}, and is shown now and never again; a new one can be made.`}
    >
      <div className="flex flex-col gap-3" data-print-alone>
        <output aria-label="Link" className="font-mono text-[13px] break-all select-all">
          {address}
        </output>
        <div className="no-print flex flex-wrap gap-5 items-center">
          <Button look="solid" onClick={copy}>
            Copy it
          </Button>
          <Button onClick={() => window.print()}>Print it</Button>
          <span aria-live="polite" className="text-soft text-[14px]">
            {copied && 'Copied.'}
          </span>
        </div>
      </div>
    </Dialog>
  );
}
