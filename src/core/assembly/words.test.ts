import { describe, expect, it } from 'vitest';
import { buildNamed } from '../../../tests/builds/read';
import { leadFor } from '../../../tests/support/leads';
import { conductorsOf, conductorTerminal, sayJoint, sayTerminal } from '.';

const plain = leadFor({}).assembly;

describe('a terminal in the builder’s words', () => {
  it.each([
    ['A.2', 'A.2'],
    ['W1.white@a', 'the white core at end A'],
    ['W1.screen@b', 'the screen at end B'],
    // Not in this lead any more.
    ['W1.white2@b', 'the white2 core at end B'],
  ])('%s: %s', (terminal, says) => expect(sayTerminal(plain, terminal)).toBe(says));

  it('of two cables in one connector says which, by where it goes, and by no id', () => {
    const split = buildNamed('02-y-split');
    const said = split.spans.flatMap((span) =>
      conductorsOf(split, span).flatMap((conductor) =>
        [span.from, span.to].map((body) =>
          sayTerminal(split, conductorTerminal(span.id, conductor.id, body)),
        ),
      ),
    );
    expect(said.some((each) => / of the cable to end \w+ at end \w+$/.test(each))).toBe(true);
    expect(new Set(said).size).toBe(said.length);
    for (const each of said) expect(each).not.toMatch(/W\d|@/);
  });

  it('a joint by its contact, there or undone', () => {
    expect(sayJoint(plain, 'joint-B-3')).toBe('the joint on B.3');
    expect(sayJoint(plain, 'through-x')).toBe('joint through-x');
  });
});
