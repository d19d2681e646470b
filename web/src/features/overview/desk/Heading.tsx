/** The title of one of the lists, with how many are in it. */
export function Heading({ id, title, note }: { id: string; title: string; note: string }) {
  return (
    <h2 id={id} className="text-[17px] font-[650] tracking-tight m-0 pb-1">
      {title} <small className="font-normal text-soft text-[14px] ml-1">{note}</small>
    </h2>
  );
}
