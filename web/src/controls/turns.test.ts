import { expect, test } from 'vitest';
import { Turns } from './turns';

test('two go at a time, the others in line as turns end', () => {
  const turns = new Turns(2);
  const begun: string[] = [];
  const ends = ['a', 'b', 'c', 'd', 'e'].map((n) => turns.ask(() => begun.push(n)));
  expect(begun).toEqual(['a', 'b']);
  ends[2]!();
  ends[0]!();
  expect(begun).toEqual(['a', 'b', 'd']);
  ends[0]!();
  expect(begun).toEqual(['a', 'b', 'd']);
  ends[1]!();
  ends[3]!();
  expect(begun).toEqual(['a', 'b', 'd', 'e']);
});
