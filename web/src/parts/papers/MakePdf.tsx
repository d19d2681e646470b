import { useMutation, useQuery } from '@tanstack/react-query';
import { api, data } from '../../api/client';
import { Button } from '../../ui/Button';
import { Complaint } from '../../ui/States';

/** Begins a PDF and tells how far it is until it can be saved. A new question begins anew. */
export function MakePdf({
  label,
  file,
  begin,
  look,
}: {
  label: string;
  file: string;
  begin: () => Promise<{ id: number }>;
  look?: 'solid';
}) {
  const begun = useMutation({ mutationFn: begin });
  const id = begun.data?.id;
  const progress = useQuery({
    queryKey: ['papers', id],
    queryFn: () => data(api.GET('/api/papers/{id}', { params: { path: { id: id ?? 0 } } })),
    enabled: id !== undefined,
    refetchInterval: (q) => (q.state.data?.ready || q.state.data?.failed ? false : 500),
  });
  const p = progress.data;
  const working = begun.isPending || (id !== undefined && !p?.ready && !p?.failed && !progress.error);
  return (
    <span className="inline-flex flex-wrap items-baseline gap-x-3">
      <Button look={look} disabled={working} onClick={() => begun.mutate()}>
        {label}
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
          <a className="text-act font-semibold" href={`/api/papers/${id}/file`} download={file}>
            Save the PDF
          </a>
        )}
        {p?.failed && <span className="text-danger">{p.failed}</span>}
      </span>
      <Complaint error={begun.error ?? progress.error} />
    </span>
  );
}
