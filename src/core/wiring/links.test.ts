import { describe, expect, it } from 'vitest';
import { intentFor, MICROPHONE, MICROPHONE_INPUT } from '../../../tests/support/intents';
import { readAsk, type IntentEnd } from '.';

const PHONO: IntentEnd = { port: 'unbalanced-input', family: 'phono' };
const TABLET: IntentEnd = { port: 'headphone-output', family: 'trs35' };
const LINE: IntentEnd = { port: 'line-input', family: 'xlr3' };

/** Each link as “A left > B”. */
function links(from: readonly IntentEnd[], to: readonly IntentEnd[]): readonly string[] {
  const ask = readAsk(intentFor({ from, to, cable: 'multipair-8' }));
  if (!ask.ok) throw new Error(JSON.stringify(ask.problems));
  const say = ({ name }: { name: string }): string => name.replace('.', ' ');
  return ask.value.links.map((link) => `${say(link.out)} > ${say(link.in)}`);
}

describe('which channel goes to which', () => {
  it('one to one', () => expect(links([MICROPHONE], [MICROPHONE_INPUT])).toEqual(['A > B']));

  it('one to everybody, and everybody to one', () => {
    expect(links([MICROPHONE], [MICROPHONE_INPUT, MICROPHONE_INPUT])).toEqual(['A > B', 'A > C']);
    expect(links([TABLET], [LINE])).toEqual(['A left > B', 'A right > B']);
    expect(
      links(
        [{ port: 'line-ground-referenced', family: 'xlr3' }],
        [{ port: 'stereo-input', family: 'trs35' }],
      ),
    ).toEqual(['A > B left', 'A > B right']);
  });

  it('by name where all have one, whatever the order', () =>
    expect(
      links(
        [TABLET],
        [
          { ...PHONO, channel: 'right' },
          { ...PHONO, channel: 'left' },
        ],
      ),
    ).toEqual(['A right > B', 'A left > C']));

  it('in their order where names are missing', () => {
    expect(links([TABLET], [PHONO, PHONO])).toEqual(['A left > B', 'A right > C']);
    expect(links([MICROPHONE, MICROPHONE], [MICROPHONE_INPUT, MICROPHONE_INPUT])).toEqual(['A > C', 'B > D']);
  });

  it('an insert’s send goes to the input and the output comes back, never round in one end', () =>
    expect(
      links(
        [{ port: 'insert', family: 'trs635', layout: 'insert-tip-send' }],
        [
          { port: 'unbalanced-input', family: 'ts635' },
          { port: 'unbalanced-output', family: 'ts635' },
        ],
      ),
    ).toEqual(['A send > B', 'C > A return']));

  it('stereo to two lefts and two rights, by name', () =>
    expect(
      links(
        [TABLET],
        ['left', 'right', 'left', 'right'].map((channel) => ({ ...PHONO, channel })),
      ),
    ).toEqual(['A left > B', 'A right > C', 'A left > D', 'A right > E']));

  it('nothing where numbers do not meet and names are missing', () =>
    expect(links([MICROPHONE, MICROPHONE], [MICROPHONE_INPUT, MICROPHONE_INPUT, MICROPHONE_INPUT])).toEqual(
      [],
    ));
});
