import { describe, expect, it } from 'vitest';
import { leadNamed } from '../../../tests/examples/read';
import { recordSchema } from '../bench';
import { readEdits, readLead } from '../lead';
import { readShape, type Result } from '../quantity';

const paths = (is: Result<unknown>): readonly string[] => (is.ok ? [] : is.problems.map(({ path }) => path));

describe('what is left out of a document is missed where it belongs, and nothing is worked out from it', () => {
  const reading = {
    is: 'reading',
    id: '9b2e7b1c-3c1a-4b67-9d2e-5f0c8f3a1d24',
    probe: 'A.1~B.1',
    answer: { kind: 'ohms', ohms: 0.2 },
    at: '2026-03-02T10:00:00.000Z',
  };
  it('a reading has an answer', () => {
    expect(paths(readShape(recordSchema, reading))).toEqual([]);
    const { answer: _, ...without } = reading;
    expect(paths(readShape(recordSchema, without))).toEqual(['answer']);
    expect(paths(readShape(recordSchema, { ...reading, answer: null }))).toEqual(['answer']);
    expect(paths(readShape(recordSchema, undefined))).toEqual(['']);
  });

  it('a part that is put in is said, and so is each change', () => {
    expect(paths(readEdits([{ kind: 'change-part' }]))).toEqual(['edits[0].part']);
    expect(paths(readEdits([undefined]))).toEqual(['edits[0]']);
  });

  it('no part of a lead is nothing', () => {
    const lead = JSON.parse(JSON.stringify(leadNamed('stereo-sum'))) as {
      assembly: { bodies: { parts: unknown[] }[] };
    };
    expect(paths(readLead(lead))).toEqual([]);
    const at = lead.assembly.bodies.findIndex(({ parts }) => parts.length > 0);
    lead.assembly.bodies[at]?.parts.splice(0, 1, null);
    expect(paths(readLead(lead))[0]).toBe(`assembly.bodies[${at}].parts[0]`);
  });
});
