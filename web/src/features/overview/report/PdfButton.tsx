import { useNames } from '../../../lib/names';
import { useScope } from '../../../lib/scope';
import { MakePdf } from '../../../parts/papers/MakePdf';
import { askForPdf } from './queries';

/** A PDF made by the server; a school's has a page for each class. */
export function PdfButton({ window }: { window: number }) {
  const { scope } = useScope();
  const { hidden } = useNames();
  return (
    <MakePdf
      label={scope.who.startsWith('class') ? 'Make a PDF' : 'Make a PDF with every class'}
      file="screening-report.pdf"
      begin={() => askForPdf(scope, window, hidden)}
    />
  );
}
