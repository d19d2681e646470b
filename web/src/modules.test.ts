import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize, relative } from 'node:path';
import { expect, test } from 'vitest';

/** From what may use to what may be used; a layer uses itself and those after it. */
const LAYERS = ['app', 'features', 'parts', 'charts', 'ui', 'lib', 'api'];
const ROOT = import.meta.dirname;

const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter(
  (f) => /\.tsx?$/.test(f) && !f.endsWith('.d.ts') && !f.endsWith('.test.ts') && f.includes('/'),
);

/** Every import of another file of ours, as [from, to] below src. */
const arrows = files.flatMap((from) =>
  [...readFileSync(join(ROOT, from), 'utf8').matchAll(/(?:from |import\()'(\.[^']+)'/g)].map(
    (m) => [from, relative('.', normalize(join(dirname(from), m[1] ?? '')))] as const,
  ),
);

const layer = (file: string) => LAYERS.indexOf(file.split('/')[0] ?? '');
const area = (file: string) => /^features\/([^/]+)\//.exec(file)?.[1];

test('every file stands in a layer, a feature in an area and a capability', () => {
  expect(files.filter((f) => layer(f) < 0)).toEqual([]);
  expect(files.filter((f) => f.startsWith('features/') && f.split('/').length !== 4)).toEqual([]);
});

test('arrows point down: app, features, parts, charts, ui, lib, api', () => {
  expect(arrows.length).toBeGreaterThan(300);
  expect(arrows.filter(([from, to]) => layer(to) < layer(from))).toEqual([]);
});

test('a feature uses none of another area', () => {
  const across = arrows.filter(([from, to]) => area(from) && area(to) && area(from) !== area(to));
  expect(across).toEqual([]);
});
