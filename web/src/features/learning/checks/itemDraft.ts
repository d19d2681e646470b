import type { Item, ItemForm } from '../../../api/types';
import { LETTERS } from './words';

export interface DraftOption {
  text: string;
  picture?: number;
  right: boolean;
  shows: string;
  /** What it is matched with, by place; -1: nothing chosen. */
  target: number;
}

export interface DraftAnswer {
  answer: string;
  share: number;
  shows: string;
}

/** An item while it is written. */
export interface ItemDraft {
  kind: string;
  prompt: string;
  possible: string;
  picture?: number;
  options: DraftOption[];
  targets: string[];
  answers: DraftAnswer[];
  tolerance: string;
  skills: number[];
}

const option = (): DraftOption => ({ text: '', right: false, shows: '', target: -1 });

export function newDraft(skill: number | undefined): ItemDraft {
  return {
    kind: 'choice',
    prompt: '',
    possible: '1',
    options: [option(), option(), option(), option()],
    targets: ['', '', ''],
    answers: [{ answer: '', share: 1, shows: '' }],
    tolerance: '',
    skills: skill === undefined ? [] : [skill],
  };
}

const lower = (text: string) => text.toLowerCase();
const figure = (n: number) => `${n + 1}`;

/** As it is on record, opened to be changed. */
export function draftOf(item: Item): ItemDraft {
  const key = (answer: string) => item.keys.find((k) => lower(k.answer) === lower(answer));
  const right = item.keys.find((k) => k.share >= 1)?.answer ?? '';
  const parts = new Set(lower(right).split('|'));
  const targets = item.body.targets.map((t) => lower(t.id));
  const ordered =
    item.kind === 'order'
      ? lower(right)
          .split('|')
          .flatMap((id) => item.body.options.filter((o) => lower(o.id) === id))
      : item.body.options;
  return {
    kind: item.kind,
    prompt: item.prompt,
    possible: `${item.possible}`,
    picture: item.body.picture,
    options:
      ordered.length > 0
        ? ordered.map((o) => ({
            text: o.text,
            picture: o.picture,
            right: item.kind === 'choice' ? (key(o.id)?.share ?? 0) >= 1 : parts.has(lower(o.id)),
            shows: key(o.id)?.shows ?? '',
            target: targets.findIndex((t) => parts.has(`${lower(o.id)} ${t}`)),
          }))
        : newDraft(undefined).options,
    targets: item.body.targets.length > 0 ? item.body.targets.map((t) => t.text) : ['', '', ''],
    answers:
      item.body.options.length === 0 && item.keys.length > 0
        ? item.keys.map((k) => ({ answer: k.answer, share: k.share, shows: k.shows ?? '' }))
        : [{ answer: '', share: 1, shows: '' }],
    tolerance: item.body.tolerance === undefined ? '' : `${item.body.tolerance}`,
    skills: item.skills,
  };
}

/** What is sent: options by letters, targets by figures, empty lines left out. */
export function formOf(d: ItemDraft, school: number | undefined): ItemForm {
  const options = d.options.filter((o) => o.text.trim() !== '' || o.picture !== undefined);
  const targets = d.targets.map((text, n) => ({ text: text.trim(), id: figure(n) })).filter((t) => t.text !== '');
  const id = (n: number) => LETTERS[n] ?? '?';
  const chooses = ['choice', 'choices', 'match', 'order'].includes(d.kind);
  const keys: ItemForm['keys'] = [];
  if (d.kind === 'choice') {
    options.forEach((o, n) => {
      if (o.right || o.shows.trim())
        keys.push({ answer: id(n), share: o.right ? 1 : 0, shows: o.right ? undefined : o.shows.trim() });
    });
  } else if (d.kind === 'choices') {
    const right = options.flatMap((o, n) => (o.right ? [id(n)] : []));
    if (right.length > 0) keys.push({ answer: right.join('|'), share: 1 });
    options.forEach((o, n) => {
      if (!o.right && o.shows.trim()) keys.push({ answer: id(n), share: 0, shows: o.shows.trim() });
    });
  } else if (d.kind === 'match') {
    const pairs = options.flatMap((o, n) =>
      targets.some((t) => t.id === figure(o.target)) ? [`${id(n)} ${figure(o.target)}`] : [],
    );
    if (pairs.length > 0) keys.push({ answer: pairs.join('|'), share: 1 });
  } else if (d.kind === 'order') {
    if (options.length > 0) keys.push({ answer: options.map((_, n) => id(n)).join('|'), share: 1 });
  } else if (d.kind !== 'written') {
    for (const a of d.answers) {
      if (a.answer.trim()) keys.push({ answer: a.answer.trim(), share: a.share, shows: a.shows.trim() || undefined });
    }
  }
  const possible = Number(d.possible.replace(',', '.'));
  const tolerance = Number(d.tolerance.replace(',', '.'));
  return {
    school,
    kind: d.kind,
    prompt: d.prompt.trim(),
    possible: Number.isFinite(possible) ? possible : 0,
    body: {
      options: chooses ? options.map((o, n) => ({ id: id(n), text: o.text.trim(), picture: o.picture })) : [],
      targets: d.kind === 'match' ? targets : [],
      tolerance: d.kind === 'number' && d.tolerance.trim() !== '' && Number.isFinite(tolerance) ? tolerance : undefined,
      picture: d.picture,
    },
    keys,
    skills: d.skills,
  };
}
