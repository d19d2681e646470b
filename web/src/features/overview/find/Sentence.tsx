import { type ReactNode, useState } from 'react';
import type { FindLine, FindPart, FindTerm, FindView, FindWords } from '../../../api/types';
import { PartChoice, SentencePart } from '../../../ui/SentencePart';
import { ConditionDialog } from './ConditionDialog';
import { type Draft, spliced } from './condition';

const HOW_MANY = ['at least 1 of', 'at least 2 of', 'at least 3 of', 'all of', 'any of', 'none of'];
const GAP = '…';

/** The criterion, a line a condition, each part a button, with how many each line leaves. */
export function Sentence({
  view,
  words,
  who,
  onChange,
}: {
  view: FindView;
  words: FindWords;
  /** Whose students, in words. */
  who: string;
  onChange: (text: string) => void;
}) {
  const [acting, setActing] = useState<Acting>();
  const cut = (from: number, to: number) => view.text.slice(from, to);
  const change = (line: FindLine) => {
    const term = words.terms.find((t) => t.code === line.parts.find((p) => p.what === 'TERM')?.term);
    if (term)
      setActing({
        title: `Change ${term.words}`,
        from: line.from,
        to: line.to,
        text: view.text,
        start: { term, draft: draftOf(view, line) },
      });
  };
  return (
    <div className="max-w-[1060px]">
      <ol aria-label="The criterion, line by line" className="list-none m-0 p-0">
        <Row count={view.students}>
          Students of <b className="font-semibold">{who}</b>
        </Row>
        {view.lines.map((line) => (
          <Row key={line.start} count={line.left} own={line.depth > 0 ? line.holds : undefined} depth={line.depth}>
            <LineText
              view={view}
              line={line}
              cut={cut}
              onText={onChange}
              onChange={change}
              onGap={(text) => setActing({ title: 'Or what?', gap: text })}
            />
          </Row>
        ))}
      </ol>
      <button
        type="button"
        className="text-act font-semibold text-[16px] py-1 hover:underline"
        onClick={() =>
          setActing({ title: view.lines.length === 0 ? 'Who is looked for?' : 'And what else?', gap: view.more ?? GAP })
        }
      >
        {view.lines.length === 0 ? 'who or whose …' : 'and …'}
      </button>
      {acting && (
        <ConditionDialog
          words={words}
          title={acting.title}
          start={'start' in acting ? acting.start : undefined}
          onClose={() => setActing(undefined)}
          onDone={(text) => {
            setActing(undefined);
            onChange(
              'gap' in acting ? acting.gap.replace(GAP, text) : spliced(acting.text, acting.from, acting.to, text),
            );
          }}
        />
      )}
    </div>
  );
}

type Acting =
  | { title: string; gap: string }
  | { title: string; text: string; from: number; to: number; start: { term: FindTerm; draft: Draft } };

/** A line with how many are left after it; within brackets, how many it holds for by itself. */
function Row({
  count,
  own,
  depth = 0,
  children,
}: {
  count: number | undefined;
  own?: number;
  depth?: number;
  children: ReactNode;
}) {
  return (
    <li className="flex items-baseline gap-3 leading-[30px] text-[17.5px]">
      <span className="flex-1 min-w-0" style={{ paddingLeft: depth * 28 }}>
        {children}
      </span>
      {own !== undefined && (
        <span className="tabular-nums text-[13px] font-mono text-faint" title="of these by itself">
          {own}
          <span className="sr-only"> by itself</span>
        </span>
      )}
      <span data-left className="tabular-nums text-[14px] font-mono text-soft min-w-[4ch] text-right">
        {count}
        {count !== undefined && <span className="sr-only"> left</span>}
      </span>
    </li>
  );
}

function LineText({
  view,
  line,
  cut,
  onText,
  onChange,
  onGap,
}: {
  view: FindView;
  line: FindLine;
  cut: (from: number, to: number) => string;
  onText: (text: string) => void;
  onChange: (line: FindLine) => void;
  onGap: (text: string) => void;
}) {
  const pieces: ReactNode[] = [];
  let at = line.start;
  for (const part of line.parts) {
    if (part.start > at)
      pieces.push(<span key={at}>{at === line.start ? cut(at, part.start).trimStart() : cut(at, part.start)}</span>);
    const text = cut(part.start, part.end);
    const key = `${part.what}-${part.start}`;
    if (part.what === 'JOIN') {
      pieces.push(
        <SentencePart key={key} label="Joined by" text={text}>
          {(close) =>
            ['and', 'or'].map((j) => (
              <PartChoice
                key={j}
                chosen={j === text}
                onChoose={() => {
                  close();
                  if (j !== text && part.other) onText(part.other);
                }}
              >
                {j === 'and' ? 'and: all of them must hold' : 'or: one of them is enough'}
              </PartChoice>
            ))
          }
        </SentencePart>,
      );
    } else if (part.what === 'HOW_MANY') {
      pieces.push(
        <SentencePart key={key} label="How many" text={text}>
          {(close) =>
            HOW_MANY.map((h) => (
              <PartChoice
                key={h}
                chosen={h === text}
                onChoose={() => {
                  close();
                  onText(spliced(view.text, part.start, part.end, h));
                }}
              >
                {h} …
              </PartChoice>
            ))
          }
        </SentencePart>,
      );
    } else if (part.what === 'TERM') {
      pieces.push(
        <SentencePart key={key} label="Condition" text={text}>
          {(close) => (
            <>
              <PartChoice
                chosen={false}
                onChoose={() => {
                  close();
                  onChange(line);
                }}
              >
                Change it …
              </PartChoice>
              <PartChoice
                chosen={false}
                onChoose={() => {
                  close();
                  onText(line.turned);
                }}
              >
                Ask the contrary
              </PartChoice>
              <PartChoice
                chosen={false}
                onChoose={() => {
                  close();
                  onGap(line.either);
                }}
              >
                or …
              </PartChoice>
              <PartChoice
                chosen={false}
                onChoose={() => {
                  close();
                  onText(line.without ?? '');
                }}
              >
                Take it out
              </PartChoice>
            </>
          )}
        </SentencePart>,
      );
    } else if (text) {
      pieces.push(
        <button
          key={key}
          type="button"
          aria-label={`${part.what === 'ABOUT' ? 'Of what' : part.what === 'WHEN' ? 'When' : 'What it must be'}: ${text}`}
          className="font-semibold border-b-[1.5px] border-faint pb-px leading-snug text-left hover:border-act hover:text-act"
          onClick={() => onChange(line)}
        >
          {text.replace(/^"|"$/g, '').replace(/""/g, '"')}
        </button>,
      );
    }
    at = part.end;
  }
  if (at < line.end) pieces.push(<span key={`end${at}`}>{cut(at, line.end)}</span>);
  return <>{pieces}</>;
}

/** What is said in a line, as the dialog takes it. */
function draftOf(view: FindView, line: FindLine): Draft {
  const of = (what: FindPart['what']) => {
    const part = line.parts.find((p) => p.what === what);
    return part ? view.text.slice(part.start, part.end) : '';
  };
  return { about: of('ABOUT'), when: of('WHEN'), test: of('TEST'), negative: line.negative };
}
