import { type FormEvent, useState } from 'react';
import type { Problem } from '../../../api/client';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Dialog } from '../../../ui/Dialog';
import { Field } from '../../../ui/Field';
import { FormButtons } from '../../../ui/FormButtons';
import { Complaint } from '../../../ui/States';
import { useAddPassage } from './queries';

interface Question {
  kind: 'literal' | 'inferential';
  question: string;
  points: number;
}

/** A passage of the school's own: pasted, or from a plain text file. Its words are numbered line by line. */
export function PassageDialog({ schoolId, onClose }: { schoolId: number; onClose: () => void }) {
  const add = useAddPassage();
  const [title, setTitle] = useState('');
  const [grade, setGrade] = useState('');
  const [body, setBody] = useState('');
  const [questions, setQuestions] = useState<Question[]>([]);
  const problem = add.error as Problem | null;
  const error = (field: string) => (problem?.field === field ? problem.message : undefined);
  const change = (i: number, part: Partial<Question>) =>
    setQuestions(questions.map((q, k) => (k === i ? { ...q, ...part } : q)));
  const submit = (e: FormEvent) => {
    e.preventDefault();
    add.mutate(
      { schoolId, title, grade: grade === '' ? undefined : Number(grade), body, questions },
      { onSuccess: onClose },
    );
  };
  return (
    <Dialog open onClose={onClose} title="A new passage">
      <form onSubmit={submit} className="grid gap-3">
        <div className="grid grid-cols-[1fr_90px] gap-3">
          <Field label="Title" error={error('title')}>
            <input
              required
              autoFocus
              maxLength={120}
              value={title}
              onChange={(e) => setTitle(e.target.value)}
              className="min-w-0"
            />
          </Field>
          <Field label="Grade" error={error('grade')}>
            <input
              type="number"
              min={0}
              max={13}
              value={grade}
              onChange={(e) => setGrade(e.target.value)}
              className="min-w-0"
            />
          </Field>
        </div>
        <Field label="Text" hint="Its lines are kept. 20 to 2,000 words." error={error('body')}>
          <textarea rows={8} required maxLength={20000} value={body} onChange={(e) => setBody(e.target.value)} />
        </Field>
        <Field label="Or from a plain text file">
          <input
            type="file"
            accept=".txt,text/plain"
            onChange={async (e) => {
              const file = e.target.files?.[0];
              if (!file) return;
              setBody((await file.text()).replace(/^\uFEFF/, ''));
              if (title === '') setTitle(file.name.replace(/\.txt$/i, ''));
            }}
          />
        </Field>
        <fieldset className="border-0 p-0 m-0 grid gap-2">
          <legend className="text-[13px] text-soft">Questions</legend>
          {questions.map((q, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a row has no other name
            <div key={i} className="grid grid-cols-[1fr_130px_56px] gap-2">
              <input
                aria-label={`Question ${i + 1}`}
                required
                maxLength={300}
                value={q.question}
                onChange={(e) => change(i, { question: e.target.value })}
                className="min-w-0"
              />
              <Choice
                aria-label={`Kind of question ${i + 1}`}
                value={q.kind}
                options={{ literal: 'in the text', inferential: 'between the lines' }}
                onChange={(kind) => change(i, { kind })}
              />
              <input
                type="number"
                aria-label={`Points of question ${i + 1}`}
                required
                min={1}
                max={9}
                value={q.points}
                onChange={(e) => change(i, { points: Number(e.target.value) })}
                className="min-w-0"
              />
            </div>
          ))}
          <Button
            className="justify-self-start"
            onClick={() => setQuestions([...questions, { kind: 'literal', question: '', points: 1 }])}
          >
            Add a question
          </Button>
        </fieldset>
        {problem && !['title', 'grade', 'body'].includes(problem.field ?? '') && <Complaint error={problem} />}
        <FormButtons verb="Save the passage" disabled={add.isPending} onCancel={onClose} />
      </form>
    </Dialog>
  );
}
