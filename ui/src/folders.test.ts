/// <reference types="vite/client" />
import { expect, it } from 'vitest';

const sources = import.meta.glob<string>(['./**/*.{ts,tsx}', '!./**/*.test.ts'], {
  query: '?raw',
  import: 'default',
  eager: true,
});

// A file's room: a feature by its name, or one of the folders beside the features.
const roomOf = (path: string) => /^\.\/(?:features\/)?([A-Za-z]+)\//.exec(path)?.[1];

/** Which rooms each room imports from. */
const needed = new Map<string, Set<string>>();
for (const [path, text] of Object.entries(sources)) {
  const room = roomOf(path);
  if (room === undefined) continue;
  const needs = needed.get(room) ?? new Set();
  needed.set(room, needs);
  for (const [, to] of text.matchAll(/from '(\.[^']+)'/g)) {
    const target = roomOf(`./${new URL(to ?? '', `file:///${path.slice(2)}`).pathname.slice(1)}`);
    if (target !== undefined && target !== room) needs.add(target);
  }
}

/** Everything that can be reached from a room. */
function reached(from: string): Set<string> {
  const seen = new Set<string>();
  const open = [...(needed.get(from) ?? [])];
  for (let room = open.pop(); room !== undefined; room = open.pop()) {
    if (seen.has(room)) continue;
    seen.add(room);
    open.push(...(needed.get(room) ?? []));
  }
  return seen;
}

it('no two features need each other', () => {
  expect(needed.size).toBeGreaterThan(12);
  const knotted = [...needed.keys()].filter((room) => reached(room).has(room));
  expect(
    knotted.map(
      (room) =>
        `${room} needs ${[...(needed.get(room) ?? [])].filter((to) => knotted.includes(to)).join(', ')}`,
    ),
  ).toEqual([]);
});

it('shared needs no feature; features need neither pages nor the frame around them', () => {
  expect([...(needed.get('shared') ?? [])]).toEqual([]);
  expect(
    [...needed].filter(([room, needs]) => room !== 'app' && needs.has('pages')).map(([room]) => room),
  ).toEqual([]);
  expect([...needed].filter(([, needs]) => needs.has('app')).map(([room]) => room)).toEqual([]);
});
