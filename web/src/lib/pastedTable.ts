/** Whether the first line of a pasted table names its columns: it has none of the numbers and days that lines below it have, and a word that stands over columns. */
export function hasHeading(text: string): boolean {
  const first = cells(text)[0] ?? [];
  return first.some((c) =>
    /^(first |given |last |family |full |student'?s? |pupil'?s? )?(name|names|class|grade|student|pupil|teacher|surname|forename|vorname|nachname|klasse|nom|prénom|classe|nombre|apellidos?|clase|navn|year|id|code|schüler|date|score)( ?(no|number|name|code|id))?\.?$/i.test(
      c.trim(),
    ),
  );
}

/** Pasted cells as a file: tabs as they come out of a spreadsheet, or else whatever stands between them. */
export function asFile(text: string, headed: boolean): string {
  const lines = text.replace(/\r\n?/g, '\n').replace(/^\n+|\s+$/g, '');
  if (headed) return `${lines}\n`;
  const all = cells(lines);
  const width = Math.max(...all.map((l) => l.length));
  const between = sign(lines);
  return `${Array.from({ length: width }, (_, i) => `column ${i + 1}`).join(between)}\n${lines}\n`;
}

function sign(text: string): string {
  const first = text.split('\n')[0] ?? '';
  return ['\t', ';', ','].find((s) => first.includes(s)) ?? '\t';
}

function cells(text: string): string[][] {
  const between = sign(text.trim());
  return text
    .trim()
    .split(/\r\n?|\n/)
    .map((line) => line.split(between));
}
