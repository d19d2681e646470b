import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, data } from '../../../api/client';
import { longDay } from '../../../lib/format';
import { Button } from '../../../ui/Button';
import { Complaint } from '../../../ui/States';

/** What was said of files before: the next one with the same headings is read so. */
export function Matchings() {
  const queries = useQueryClient();
  const kept = useQuery({ queryKey: ['matchings'], queryFn: () => data(api.GET('/api/records/matchings')) });
  const forget = useMutation({
    mutationFn: (id: number) => data(api.DELETE('/api/records/matchings/{id}', { params: { path: { id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['matchings'] }),
  });
  if (!kept.data || kept.data.length === 0) return null;
  return (
    <section aria-labelledby="matched">
      <h2 id="matched" className="text-[17px] font-[650] tracking-tight m-0">
        Matched before
      </h2>
      <p className="text-soft mt-0.5 mb-2 text-[14px]">The next file with these columns is read as the last one was.</p>
      <Complaint error={forget.error} />
      <ul className="m-0 p-0 list-none text-[13.5px]">
        {kept.data.map((k) => (
          <li key={k.id} className="border-t border-hair py-1.5">
            <b className="font-semibold break-words">{k.fileName}</b>
            <span className="text-soft">
              {' '}
              · {k.label}, {longDay(k.madeAt.slice(0, 10))}
              {k.mine ? '' : ', by somebody else'}
            </span>
            <div className="text-soft break-words">{k.headings.join(', ')}</div>
            <div className="flex gap-4">
              {k.mayForget && (
                <Button
                  onClick={() => forget.mutate(k.id)}
                  disabled={forget.isPending}
                  aria-label={`Forget how ${k.fileName} was matched`}
                >
                  Forget
                </Button>
              )}
              <a
                className="text-act font-semibold py-1"
                href={`/api/records/matchings/${k.id}.json`}
                download
                aria-label={`How ${k.fileName} was matched, as CSVW`}
              >
                As CSVW
              </a>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}
