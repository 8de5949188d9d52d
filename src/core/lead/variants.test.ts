import { describe, expect, it } from 'vitest';
import { intentFor } from '../../../tests/support/intents';
import { leadFor } from '../../../tests/support/leads';
import { netlist } from '../assembly';
import { offers } from '../wiring';
import { variantsOf } from './variants';

const of = (patch: Parameters<typeof leadFor>[0]) => {
  const all = offers(intentFor(patch));
  const lead = leadFor(patch);
  return { lead, variants: variantsOf(lead, all.ok ? all.value : []) };
};

describe('what else a lead could be', () => {
  it('other answers of the schools that its wires hang on, and other ways of wiring it; never itself', () => {
    const { lead, variants } = of({});
    expect(variants.filter(({ school }) => school).map(({ id }) => id)).toEqual([
      'screen:source',
      'screen:destination',
      'shell:both',
      'shell:source',
      'shell:destination',
    ]);
    expect(variants.filter(({ school }) => !school).map(({ id }) => id)).toEqual([
      'pad',
      'transformer',
      'polarity-reverse',
      'screen-lift',
    ]);
    const nets = (assembly: typeof lead.assembly) =>
      JSON.stringify(netlist(assembly).nets.map(({ terminals }) => terminals));
    for (const each of variants) expect(nets(each.lead.assembly), each.id).not.toBe(nets(lead.assembly));
  });

  it('the answer that it has is none of them, whichever that is', () =>
    expect(
      of({ schools: { screen: 'source', shell: 'both' } })
        .variants.filter(({ school }) => school)
        .map(({ id }) => id),
    ).toEqual(['screen:both', 'screen:destination', 'shell:open', 'shell:source', 'shell:destination']));

  it('of one that was described, nothing', () => {
    const { intent: _, ...described } = leadFor();
    expect(variantsOf(described, [])).toEqual([]);
  });
});
