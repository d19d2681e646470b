import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';
import { usePdf } from './queries';

/** A PDF made by the server; a school's has a page for each class, so it says how far it is. */
export function PdfButton({ window }: { window: number }) {
  const { scope } = useScope();
  const { hidden } = useNames();
  const { begin, id, progress } = usePdf(scope, window, hidden);
  const p = progress.data;
  const working = begin.isPending || (id !== undefined && !p?.ready && !p?.failed && !progress.error);
  return (
    <span className="inline-flex flex-wrap items-baseline gap-x-3">
      <Button disabled={working} onClick={() => begin.mutate()}>
        {scope.who.startsWith('class') ? 'Make a PDF' : 'Make a PDF with every class'}
      </Button>
      <span role="status" className="text-soft text-[13.5px]">
        {working && p && (
          <>
            <progress
              value={p.done}
              max={p.total}
              className="w-28 align-middle accent-[var(--act)]"
              aria-label="Pages made"
            />{' '}
            {p.done} of {p.total}
          </>
        )}
        {working && !p && 'Beginning ...'}
        {p?.ready && (
          <a className="text-act font-semibold" href={`/api/report/pdf/${id}/file`} download="screening-report.pdf">
            Save the PDF
          </a>
        )}
        {p?.failed && <span className="text-danger">{p.failed}</span>}
      </span>
      <Complaint error={begin.error ?? progress.error} />
    </span>
  );
}
