import { leadTerminal } from '../../assembly';
import type { ChannelPair } from '../../situation';
import { bodyOf, type Instead } from '../connect';
import type { Draft } from '../draft';
import { roleTerminal } from '../../situation';
import type { Ask } from '../types';
import { practice } from './shape';
import { answer, type Choice } from './types';

/** Whether the input puts plug-in power on a source that is not fed by it. */
const meetsPower = ({ out, in: into }: ChannelPair): boolean =>
  into.port.gives?.kind === 'plug-in power' && out.port.needs !== 'plug-in power';

const DIRECT =
  'The input puts 2 to 5 V on its signal contacts: direct current through a moving coil or a ribbon holds it off centre.';

/** What is asked where an input puts plug-in power on what is not fed by it; nothing elsewhere. */
export function blockChoices(ask: Ask): readonly Choice[] {
  if (!ask.links.some(meetsPower)) return [];
  const harms = ask.links.some((link) => meetsPower(link) && link.out.port.signal === 'microphone');
  return [
    {
      id: 'block',
      question: 'What keeps plug-in power out of the source?',
      options: { capacitor: 'a blocking capacitor of 10 µF', none: 'nothing' },
      default: harms ? 'capacitor' : 'none',
      because: harms ? DIRECT : 'A line output usually has its own capacitor.',
    },
  ];
}

/**
 * Puts a capacitor of 10 µF (common practice) between the hot contact of each source that needs one and its core, in the
 * source’s shell, where there is room; plus toward the input, which gives the voltage. What stands in the place of the hot contact.
 */
export function blocked(
  ask: Ask,
  d: Draft,
  links: readonly ChannelPair[],
): (link: ChannelPair) => Instead | undefined {
  const [choice] = blockChoices(ask);
  if (!choice || answer(ask, choice) !== 'capacitor') return () => undefined;
  const places = new Map<string, Instead>();
  for (const link of links.filter(meetsPower)) {
    const hot = roleTerminal(link.out, 'hot');
    if (hot === undefined || places.has(link.out.name)) continue;
    const id = `C${places.size + 1}`;
    d.part(bodyOf(ask, link.out.end), {
      id,
      kind: 'capacitor',
      farads: 10e-6,
      ratings: { volts: 16 },
      plus: 'b',
    });
    d.land([leadTerminal(id, 'a')], hot, practice(DIRECT));
    places.set(link.out.name, { hot: leadTerminal(id, 'b') });
  }
  if (places.size > 0) d.because(practice(`${DIRECT} A capacitor keeps it out.`));
  return (link) => places.get(link.out.name);
}
