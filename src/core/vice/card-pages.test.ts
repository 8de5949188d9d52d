import { describe, expect, it } from 'vitest';
import { EXAMPLES, leadNamed, leadOf } from '../../../tests/examples/read';
import { cardPages, hasCard } from '.';

const textsOf = (name: string): readonly string[] => {
  const made = cardPages(leadNamed(name));
  return made.ok ? made.value.flatMap(({ lines }) => lines.map(({ text }) => text)) : expect.fail(name);
};

describe('a card that lies in the case', () => {
  it('of a tell-tale: by what its lamps show, every state of the line that looks like it, and what it cannot see; handbook section 16', () => {
    const texts = textsOf('tell-tale');
    for (const line of [
      'Lamp D1 lit, lamp D2 lit: nothing wrong; 2 and 3 shorted; 2 and 3 swapped.',
      'Lamp D1 dark, lamp D2 dark: phantom off; 1 open; 2 and 3 open; all shorted.',
      'Lamp D1 dark, lamp D2 lit: 2 open; 1 and 2 shorted; 1 and 2 swapped (dimmer).',
      'Lamp D1 lit, lamp D2 dark: 3 open; 1 and 3 shorted; 1 and 3 swapped (dimmer).',
      'It cannot see: 2 and 3 shorted; 2 and 3 swapped.',
      'Mute the input first. What phantom harms is unplugged first.',
    ])
      expect(texts).toContain(line);
  });

  it('of a test tail: which loose contact has which colour, does what and goes where, with a line for where that stands written', () => {
    const texts = textsOf('test-tail');
    // Colours by the resistor code (handbook): 1 brown … the tail’s own pin list decides which contact is which.
    const { assembly } = leadNamed('test-tail');
    const loose = assembly.bodies.flatMap(({ ends }) => ends.flatMap((end) => end.loose ?? []));
    expect(loose.length).toBeGreaterThan(0);
    for (const { id } of loose) expect(texts.some((text) => text.startsWith(`${id}: `))).toBe(true);
    expect(texts).toContain('2: red, hot, to B.2');
    expect(texts.some((text) => text.startsWith('Pins by (manual, page):'))).toBe(true);
  });

  it('is offered for those leads that have one, and for no other', () => {
    const has: string[] = [];
    for (const example of EXAMPLES) {
      const lead = leadOf(example);
      expect(hasCard(lead), example.id).toBe(cardPages(lead).ok);
      if (hasCard(lead)) has.push(example.id);
    }
    expect(has).toContain('tell-tale');
    expect(has).toContain('test-tail');
    expect(has).not.toContain('stage-microphone');
    expect(cardPages(leadNamed('stage-microphone'))).toMatchObject({
      ok: false,
      problems: [{ code: 'card.none' }],
    });
  });
});
